import { stepDelayed, when } from '../../parts/board';
import { defineDevice } from '../../define';
import { openFault } from '../../parts/faults';
import { contact, impedanceOf, load } from '../../element';
import { num, seconds } from '../../fields';

/** Share of its rated volts under which the little heater does not bend its discs, from memory. */
const WORKS_FROM = 0.7;

/** A heat sequencer: a small heater that closes its contacts slowly, one after the other, and opens them slowly. */
export const sequencer = defineDevice({
  kind: 'sequencer',
  title: 'Heat sequencer',
  sealed: true,
  designations: () => [
    { mark: 'H1', role: 'coil', purpose: 'Heater, fed by W.' },
    { mark: 'H2', role: 'coil', purpose: 'Heater, returning to C.' },
    { mark: 'M1', role: 'line', purpose: 'Feed of the heat contact.' },
    { mark: 'M2', role: 'line', purpose: 'Heat contact, to the strips.' },
    { mark: 'A1', role: 'line', purpose: 'Feed of the auxiliary contact.' },
    { mark: 'A2', role: 'line', purpose: 'Auxiliary contact, to the blower: first in, last out.' },
  ],
  params: {
    heaterVa: num({ label: 'Heater', unit: 'VA', default: 10, min: 2, max: 40, source: 'from memory' }),
  },
  settings: {
    fanOnS: seconds('Auxiliary closes after', 10, 120),
    heatOnS: seconds('Heat closes after', 30, 120),
    heatOffS: seconds('Heat opens after', 20, 120),
    fanOffS: seconds('Auxiliary opens after', 60, 180),
  },
  controls: {},
  elements: ({ params, mains }) => [
    load('heater', 'H1', 'H2', impedanceOf(24, params.heaterVa, 1, mains.hertz)),
    contact('heat', 'M1', 'M2'),
    contact('fan', 'A1', 'A2'),
  ],
  loads: () => [
    { id: 'heater', title: 'Sequencer heater', element: 'heater', nature: 'coil', serves: 'heat' },
  ],
  actuatedBy: { heat: [['heater']], fan: [['heater']] },
  initial: {
    fan: false as boolean,
    fanAt: null as number | null,
    heat: false as boolean,
    heatAt: null as number | null,
  },
  positions: (state) => ({ heat: when(state.heat), fan: when(state.fan) }),
  next: (state, senses, { params, settings, now }) => {
    const warm = senses.amps('heater') >= (WORKS_FROM * params.heaterVa) / 24;
    const fan = stepDelayed(
      { on: state.fan, at: state.fanAt },
      warm,
      { onS: settings.fanOnS, offS: settings.fanOffS },
      now,
    );
    const heat = stepDelayed(
      { on: state.heat, at: state.heatAt },
      warm,
      { onS: settings.heatOnS, offS: settings.heatOffS },
      now,
    );
    return { fan: fan.on, fanAt: fan.at, heat: heat.on, heatAt: heat.at };
  },
  waits: ({ fan, fanAt, heat, heatAt }, { settings }) => {
    const waits = [];
    if (heatAt !== null)
      waits.push({
        until: heatAt,
        text: heat
          ? `heat opens ${settings.heatOffS} s after W`
          : `heat closes ${settings.heatOnS} s after W`,
      });
    if (fanAt !== null)
      waits.push({
        until: fanAt,
        text: fan
          ? `blower contact opens ${settings.fanOffS} s after W`
          : `blower contact closes ${settings.fanOnS} s after W`,
      });
    return waits;
  },
  face: ({ heat, fan }) =>
    heat
      ? { text: 'heat in', tone: 'busy' }
      : fan
        ? { text: 'fan in', tone: 'busy' }
        : { text: 'open', tone: 'ok' },
  faults: [
    { mode: 'heater-open', title: 'Heater open', likelihood: 2, elements: { heater: 'open' } },
    { mode: 'welded', title: 'Heat contact welded', likelihood: 2, elements: { heat: { ohms: 0.01 } } },
    openFault('heat', 'Heat contact burnt open', 2),
    openFault('fan', 'Blower contact burnt open', 1),
  ],
});
