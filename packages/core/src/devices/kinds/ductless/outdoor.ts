import { defineDevice } from '../../define';
import type { Senses } from '../../context';
import type { Element, SourceElement } from '../../element';
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

const OTHER = 'the indoor unit';

/** Loop current from which the indoor unit is there, and from which it asks for the compressor, mA. From memory. */
const THERE_MA = 6;
const ASKS_MA = 15;

type OutdoorState = {
  awake: boolean;
  /** What it hears of the other half. */
  hears: 'nothing' | 'there' | 'asks';
  /** Since when it has heard nothing, seconds. */
  silentSince: number | null;
  burnt: boolean;
};

/** The outdoor half of a ductless unit: it feeds the signal loop, and runs its compressor when the indoor half draws more from it. */
export const ductlessOutdoor = defineDevice({
  kind: 'ductless-outdoor',
  title: 'Ductless outdoor unit',
  designations: (given) => unitTerminals(given, OTHER),
  params: {
    ...interconnectParams,
    loopVolts: num({
      label: 'Signal supply',
      unit: 'V',
      default: 24,
      min: 5,
      max: 60,
      source: 'from memory',
    }),
    compressorVa: num({
      label: 'Compressor and fan',
      unit: 'VA',
      default: 1200,
      min: 100,
      max: 10_000,
      source: 'read the label',
    }),
  },
  settings: signalSettings,
  controls: { board: choice('Board', { kept: 'As it is', new: 'A new one' }, 'kept') },
  elements: ({ params, mains: { hertz } }): readonly Element[] => {
    const { neutral, signal } = runMarks(params);
    return [
      ...unitElements(params, hertz),
      {
        kind: 'source',
        id: 'loop',
        a: '#loop',
        b: neutral,
        volts: params.loopVolts,
        phaseDegrees: 0,
        frequency: 'dc',
        impedance: { ohms: 1 },
      } satisfies SourceElement,
      contact('signal', '#loop', '#signal'),
      // Asleep it gives nothing, but what others send still goes through it.
      contact('through', '#signal', neutral),
      load('send', '#signal', signal, { ohms: params.loopOhms }),
      contact('run', '#fused', '#run'),
      load('compressor', '#run', neutral, impedanceOf(params.volts, params.compressorVa, 0.95, hertz)),
    ];
  },
  interconnect: (params) => ({
    ...runMarks(params),
    case: '#case',
    signalPath: 'send',
    stands: ({ awake, hears, burnt }) => ({
      awake: awake === true,
      hears: hears !== 'nothing',
      burnt: burnt === true,
    }),
  }),
  loads: () => [
    {
      id: 'compressor',
      title: 'Outdoor compressor',
      element: 'compressor',
      nature: 'compressor',
      serves: 'pump',
    },
  ],
  seenAs: ['outdoor-cabinet'],
  initial: { awake: false, hears: 'nothing', silentSince: null, burnt: false } as OutdoorState,
  positions: ({ awake, hears, burnt }) => ({
    fuse: 'whole',
    signal: when(awake && !burnt),
    through: when(!awake && !burnt),
    run: when(awake && hears === 'asks'),
  }),
  next: (state, senses: Senses, { params, controls, now }) => {
    const awake = isAwake(senses, params, runMarks(params).neutral);
    const burnt = controls.board === 'kept' && (state.burnt || isBurning(senses, 'send', params));
    const milliamps = burnt ? 0 : signalMa(senses, ['send']);
    const hears = !awake || milliamps < THERE_MA ? 'nothing' : milliamps < ASKS_MA ? 'there' : 'asks';
    const silentSince = awake && hears === 'nothing' ? (state.silentSince ?? now) : null;
    return { awake, hears, silentSince, burnt } as const;
  },
  waits: (state, moment) => silenceWaits(state, moment, OTHER),
  face: (state, moment) => unitFace(state, moment, state.hears === 'asks', OTHER),
  faults: unitFaults,
});
