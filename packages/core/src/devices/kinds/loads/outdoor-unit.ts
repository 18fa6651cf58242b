import { flow } from '../../channels';
import { defineDevice } from '../../define';
import { impedanceOf, load } from '../../element';
import { choice, num } from '../../fields';

/** A motor this far below its rated volts does not turn, from memory. */
const STALL_SHARE = 0.6;
/** Locked-rotor inductance of the windings, henries, from memory. */
const MAIN_HENRIES = 0.011;
const START_HENRIES = 0.02;
/** Series resistance of a film capacitor, ohms, from memory. */
const CAPACITOR_OHMS = 0.05;

/** Heat moved for each watt the compressor takes, and its power factor. From memory. */
const COP = 3;
const POWER_FACTOR = 0.85;

/**
 * Compressor with its run capacitor, and the fan across the same two wires. The
 * three compressor pins are in reach, so the winding readings can be taken.
 */
export const outdoorUnit = defineDevice({
  kind: 'outdoor-unit',
  title: 'Compressor and fan',
  sealed: true,
  designations: ({ fan }) => [
    { mark: 'C', role: 'winding', purpose: 'Compressor common, from the contactor.' },
    { mark: 'R', role: 'winding', purpose: 'Compressor run winding, from the contactor.' },
    { mark: 'S', role: 'winding', purpose: 'Compressor start winding, through the run capacitor.' },
    ...(fan === 'apart'
      ? [{ mark: 'F', role: 'line' as const, purpose: 'Outdoor fan, fed on its own.' }]
      : []),
  ],
  params: {
    fan: choice('Fan', { together: 'With the compressor', apart: 'Fed on its own' }, 'together'),
    serves: choice('The unit', { cool: 'Cools', pump: 'Heats and cools (heat pump)' }, 'cool'),
    volts: num({
      label: 'Rated volts',
      unit: 'V',
      default: 240,
      min: 100,
      max: 480,
      source: 'read the label',
    }),
    compressorAmps: num({
      label: 'Compressor running',
      unit: 'A',
      default: 9,
      min: 0.5,
      max: 80,
      source: 'read the label',
    }),
    fanAmps: num({
      label: 'Fan running',
      unit: 'A',
      default: 1,
      min: 0.1,
      max: 10,
      source: 'read the label',
    }),
    runOhms: num({
      label: 'Run winding R–C',
      unit: 'Ω',
      default: 1.2,
      min: 0.1,
      max: 50,
      source: 'from memory',
    }),
    startOhms: num({
      label: 'Start winding S–C',
      unit: 'Ω',
      default: 3.6,
      min: 0.1,
      max: 100,
      source: 'from memory',
    }),
    capacitorMicrofarads: num({
      label: 'Run capacitor',
      unit: 'µF',
      default: 35,
      min: 1,
      max: 150,
      source: 'read the label',
    }),
  },
  settings: {},
  controls: {},
  elements: ({ params, mains }) => {
    const running = impedanceOf(
      params.volts,
      params.volts * params.compressorAmps,
      POWER_FACTOR,
      mains.hertz,
    );
    const start = impedanceOf(params.volts, params.volts * params.compressorAmps * 0.4, 0.6, mains.hertz);
    return [
      {
        kind: 'branch',
        id: 'compressor',
        a: 'R',
        b: 'C',
        nature: 'load',
        positions: { stopped: { ohms: params.runOhms, henries: MAIN_HENRIES }, running },
      },
      {
        kind: 'branch',
        id: 'start',
        a: 'S',
        b: 'C',
        nature: 'load',
        positions: { stopped: { ohms: params.startOhms, henries: START_HENRIES }, running: start },
      },
      { kind: 'capacitor', id: 'capacitor', a: '#film', b: 'S', farads: params.capacitorMicrofarads * 1e-6 },
      load('capacitor-loss', 'R', '#film', { ohms: CAPACITOR_OHMS }),
      load(
        'fan',
        params.fan === 'apart' ? 'F' : 'R',
        'C',
        impedanceOf(params.volts, params.volts * params.fanAmps, 0.7, mains.hertz),
      ),
    ];
  },
  seenAs: ['outdoor-cabinet'],
  loads: ({ params: { serves } }) => [
    { id: 'compressor', title: 'Compressor', element: 'compressor', nature: 'compressor', serves },
    { id: 'fan', title: 'Outdoor fan', element: 'fan', nature: 'motor', serves },
  ],
  initial: { running: false as boolean },
  positions: ({ running }) => {
    const windings = running ? 'running' : 'stopped';
    return { compressor: windings, start: windings };
  },
  next: (_, senses, { params }) => ({ running: senses.volts('R', 'C') >= STALL_SHARE * params.volts }),
  gives: ({ running }, { params }) => {
    const watts = running ? params.volts * params.compressorAmps * POWER_FACTOR * COP : 0;
    return params.serves === 'pump' ? { pumps: flow(watts) } : { chills: flow(watts) };
  },
  face: ({ running }) => (running ? { text: 'running', tone: 'busy' } : { text: 'stopped', tone: 'ok' }),
  faults: [
    {
      mode: 'run-winding-open',
      title: 'Run winding open',
      likelihood: 2,
      elements: { compressor: 'open' },
      part: 'Compressor',
      // Another compressor is refrigerant work.
      mend: 'defer',
    },
    {
      mode: 'fan-open',
      title: 'Fan motor open',
      likelihood: 2,
      elements: { fan: 'open' },
      part: 'Outdoor fan motor',
    },
    {
      mode: 'overload-open',
      part: 'Compressor',
      title: 'Overload inside open',
      likelihood: 1,
      elements: { compressor: 'open', start: 'open' },
      mend: 'defer',
    },
    // It hums with too little capacitance as it does without any, until the overload inside opens.
    {
      mode: 'capacitor-weak',
      part: 'Run capacitor',
      title: 'Run capacitor weak',
      likelihood: 4,
      elements: { compressor: 'open', start: 'open' },
    },
    // It hums without its capacitor until the overload inside opens; what is measured after that.
    {
      mode: 'capacitor-open',
      part: 'Run capacitor',
      title: 'Run capacitor open',
      likelihood: 4,
      elements: { capacitor: 'open', compressor: 'open', start: 'open' },
    },
  ],
});
