import { when } from '../../parts/board';
import { defineDevice } from '../../define';
import { openFault } from '../../parts/faults';
import { contact, impedanceOf, load } from '../../element';
import { choice, num } from '../../fields';

/** Volts from which the detector works, from memory. */
const WORKS_FROM_VOLTS = 18;

/** A duct smoke detector: auxiliary COM–NC opens on alarm and stays open until it is reset. */
export const smokeDetector = defineDevice({
  kind: 'smoke-detector',
  title: 'Duct smoke detector',
  designations: () => [
    { mark: 'R', role: 'hot', purpose: 'Supply, hot.' },
    { mark: 'C', role: 'common', purpose: 'Supply, common.' },
    { mark: 'COM', role: 'contact', purpose: 'Auxiliary contact, common.' },
    { mark: 'NC', role: 'contact', purpose: 'Auxiliary contact, opens on alarm.' },
  ],
  params: { va: num({ label: 'Draws', unit: 'VA', default: 2, min: 0.2, max: 10, source: 'from memory' }) },
  settings: {},
  controls: {
    duct: choice('Air in the duct', { clear: 'Clear', smoke: 'Smoke' }, 'clear'),
    reset: choice('Reset button', { out: 'Not pressed', pressed: 'Pressed' }, 'out'),
  },
  elements: ({ params, mains }) => [
    load('supply', 'R', 'C', impedanceOf(24, params.va, 0.9, mains.hertz)),
    contact('aux', 'COM', 'NC'),
  ],
  interrupts: ['aux'],
  initial: { alarm: false as boolean, live: false as boolean },
  positions: ({ alarm }) => ({ aux: when(!alarm) }),
  next: (state, senses, { controls }) => {
    const live = senses.volts('R', 'C') >= WORKS_FROM_VOLTS;
    const smoke = live && controls.duct === 'smoke';
    return { live, alarm: smoke || (state.alarm && controls.reset === 'out') };
  },
  face: ({ alarm, live }) =>
    alarm
      ? {
          text: 'alarm',
          tone: 'tripped',
          detail:
            'Look before you reset. It may be a life-safety device reserved to licensed people; have the panel put on test first.',
        }
      : live
        ? { text: 'normal', tone: 'ok' }
        : { text: 'no lamp', tone: 'off', detail: 'The detector has no supply.' },
  safety: {
    control: 'duct',
    notices: () => ['smoke'],
    tripped: 'smoke',
    stops: ['cool', 'heat', 'fan'],
    retrofit: true,
  },
  faults: [
    {
      mode: 'stuck-closed',
      title: 'Contact stuck closed',
      likelihood: 1,
      elements: { aux: { ohms: 0.01 } },
      mend: 'defer',
    },
    {
      mode: 'stuck-open',
      title: 'Contact stuck open',
      likelihood: 2,
      elements: { aux: 'open' },
      mend: 'defer',
    },
    { ...openFault('supply', 'Takes no current', 1), mend: 'defer' },
  ],
});
