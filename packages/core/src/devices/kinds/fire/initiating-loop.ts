import { when } from '../../parts/board';
import { defineDevice } from '../../define';
import type { Senses } from '../../context';
import type { SourceElement } from '../../element';
import { CLOSED_CONTACT_OHMS, contact, path } from '../../element';
import { choice, num } from '../../fields';
import type { LoopReading } from '../../traits';

const LABEL = 'from memory; the panel’s sheet wins';
const milliamperes = (label: string, amount: number) =>
  num({ label, unit: 'mA', default: amount, min: 0.1, max: 200, source: LABEL });

/**
 * A fire panel's initiating loop: a d.c. supply behind a resistance, judged by the current it gives. The resistor at the end
 * makes it normal, an open loop is trouble, a closed contact across it is alarm.
 */
export const initiatingLoop = defineDevice({
  kind: 'initiating-loop',
  title: 'Fire panel loop',
  designations: () => [
    { mark: 'L+', role: 'contact', purpose: 'Initiating loop, positive: 24 V d.c.' },
    { mark: 'L-', role: 'contact', purpose: 'Initiating loop, negative.' },
  ],
  params: {
    volts: num({ label: 'Supply', unit: 'V', default: 24, min: 5, max: 40, source: LABEL }),
    feedOhms: num({ label: 'Behind it', unit: 'Ω', default: 240, min: 1, max: 5000, source: LABEL }),
    endOhms: num({ label: 'End-of-line', unit: 'Ω', default: 4700, min: 100, max: 100_000, source: LABEL }),
    normalFromMa: milliamperes('Normal from', 2.5),
    normalToMa: milliamperes('Normal to', 8),
    alarmFromMa: milliamperes('Alarm from', 15),
  },
  settings: {},
  controls: {
    panel: choice('Conductors at the panel', { on: 'Landed', off: 'Lifted, loop isolated' }, 'on'),
  },
  elements: ({ params }) => [
    {
      kind: 'source',
      id: 'supply',
      a: '#feed',
      b: '#return',
      volts: params.volts,
      phaseDegrees: 0,
      frequency: 'dc',
      impedance: { ohms: CLOSED_CONTACT_OHMS },
    } satisfies SourceElement,
    path('feed', '#feed', '#out', params.feedOhms),
    contact('positive', '#out', 'L+'),
    contact('negative', '#return', 'L-'),
  ],
  supervises: {
    feed: 'feed',
    ends: ['L+', 'L-'],
    isolation: { control: 'panel', off: 'off', on: 'on' },
    reads: ({ reads }) => reads as LoopReading,
  },
  initial: { reads: 'trouble' as LoopReading },
  positions: (_, { controls }) => {
    const landed = when(controls.panel === 'on');
    return { positive: landed, negative: landed };
  },
  next: (_, senses: Senses, { params }) => {
    const milliamps = senses.directAmps('feed') * 1000;
    const normal = milliamps >= params.normalFromMa && milliamps <= params.normalToMa;
    const reads: LoopReading = milliamps >= params.alarmFromMa ? 'alarm' : normal ? 'normal' : 'trouble';
    return { reads };
  },
  face: ({ reads }) =>
    reads === 'normal'
      ? { text: 'normal', tone: 'ok' }
      : reads === 'alarm'
        ? {
            text: 'alarm',
            tone: 'tripped',
            detail: 'The loop is closed across itself: a detector in alarm, or a short.',
          }
        : {
            text: 'trouble',
            tone: 'tripped',
            detail: 'The loop does not end in its one resistor: it is open, or there is more than one.',
          },
  conflict: ({ normalFromMa, normalToMa, alarmFromMa }) =>
    normalFromMa >= normalToMa
      ? { param: 'normalToMa', message: `must be more than ${normalFromMa} mA, where normal begins` }
      : normalToMa >= alarmFromMa
        ? { param: 'alarmFromMa', message: `must be more than ${normalToMa} mA, where normal ends` }
        : undefined,
  faults: [],
});
