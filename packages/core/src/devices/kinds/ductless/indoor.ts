import { defineDevice } from '../../define';
import type { Senses } from '../../context';
import type { Element } from '../../element';
import { contact, impedanceOf, load } from '../../element';
import { choice, num } from '../../fields';
import { when } from '../../parts/board';
import {
  interconnectParams,
  isAwake,
  isBurning,
  runMarks,
  signalMa,
  signalSettings,
  silenceWaits,
  unitElements,
  unitFace,
  unitFaults,
  unitTerminals,
} from '../../parts/interconnect';

const OTHER = 'the outdoor unit';

/** Loop current from which the outdoor unit is there, mA. From memory. */
const THERE_MA = 6;

type IndoorState = {
  awake: boolean;
  hears: boolean;
  silentSince: number | null;
  burnt: boolean;
};

/** The indoor half of a ductless unit: told by its remote what to do, it asks for the compressor by drawing more from the loop. */
export const ductlessIndoor = defineDevice({
  kind: 'ductless-indoor',
  title: 'Ductless indoor unit',
  designations: (given) => unitTerminals(given, OTHER),
  params: {
    ...interconnectParams,
    fanVa: num({ label: 'Fan', unit: 'VA', default: 40, min: 5, max: 500, source: 'read the label' }),
  },
  settings: signalSettings,
  controls: {
    remote: choice('Remote', { off: 'Off', run: 'Heat or cool' }, 'off'),
    board: choice('Board', { kept: 'As it is', new: 'A new one' }, 'kept'),
  },
  elements: ({ params, mains: { hertz } }): readonly Element[] => {
    const { neutral, signal } = runMarks(params);
    return [
      ...unitElements(params, hertz),
      contact('signal', signal, '#signal'),
      load('listen', '#signal', neutral, { ohms: params.loopOhms }),
      contact('ask', '#signal', '#ask'),
      load('asked', '#ask', neutral, { ohms: params.loopOhms / 4 }),
      contact('blow', '#fused', '#fan'),
      load('fan', '#fan', neutral, impedanceOf(params.volts, params.fanVa, 0.7, hertz)),
    ];
  },
  interconnect: (params) => ({
    ...runMarks(params),
    case: '#case',
    signalPath: 'listen',
    stands: ({ awake, hears, burnt }) => ({
      awake: awake === true,
      hears: hears === true,
      burnt: burnt === true,
    }),
    asks: { control: 'remote', value: 'run' },
  }),
  loads: () => [{ id: 'fan', title: 'Indoor fan', element: 'fan', nature: 'motor', serves: 'fan' }],
  seenAs: ['blower'],
  initial: { awake: false, hears: false, silentSince: null, burnt: false } as IndoorState,
  positions: ({ awake, hears, burnt }, { controls: { remote } }) => ({
    fuse: 'whole',
    signal: when(!burnt),
    ask: when(awake && remote === 'run'),
    blow: when(awake && hears && remote === 'run'),
  }),
  next: (state, senses: Senses, { params, controls, now }) => {
    const awake = isAwake(senses, params, runMarks(params).neutral);
    const burnt = controls.board === 'kept' && (state.burnt || isBurning(senses, 'listen', params));
    const milliamps = burnt ? 0 : signalMa(senses, ['listen', 'asked']);
    const hears = awake && milliamps >= THERE_MA;
    const silentSince = awake && !hears ? (state.silentSince ?? now) : null;
    return { awake, hears, silentSince, burnt };
  },
  waits: (state, moment) => silenceWaits(state, moment, OTHER),
  face: (state, moment) => unitFace(state, moment, moment.controls.remote === 'run' && state.hears, OTHER),
  faults: [
    ...unitFaults,
    {
      mode: 'damp',
      title: 'Moisture across the signal',
      likelihood: 1,
      elements: { listen: { ohms: 30 } },
      mend: 'defer',
    },
  ],
});
