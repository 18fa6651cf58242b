import { defineDevice } from '../../define';
import type { Senses } from '../../context';
import type { Element, SourceElement } from '../../element';
import { contact, impedanceOf, load } from '../../element';
import { num } from '../../fields';
import { when } from '../../parts/board';
import { contactFaults, openFault } from '../../parts/faults';
import {
  interconnectParams,
  isAwake,
  THERE_SHARE,
  boardAfter,
  boardControls,
  loopShare,
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

/** Shares of the loop's current from which the indoor unit asks for cooling and for heat, and from which the signal is shorted. From memory. */
const COOL_SHARE = 0.58;
const HEAT_SHARE = 0.75;
const SHORTED_SHARE = 0.92;

type Heard = 'nothing' | 'there' | 'cool' | 'heat';

function heardOf(share: number): Heard {
  if (share < THERE_SHARE || share >= SHORTED_SHARE) return 'nothing';
  if (share < COOL_SHARE) return 'there';
  return share < HEAT_SHARE ? 'cool' : 'heat';
}

const runs = (hears: Heard) => hears === 'cool' || hears === 'heat';

type OutdoorState = {
  awake: boolean;
  /** What it hears of the other half. */
  hears: Heard;
  /** The way its reversing valve stands: it stays where it was last. */
  way: 'cool' | 'heat';
  /** Since when it has heard nothing, seconds. */
  silentSince: number | null;
  board: string;
  burnt: boolean;
};

/** The outdoor half of a ductless unit: it feeds the signal loop, and runs its compressor when the indoor half draws more from it. */
export const ductlessOutdoor = defineDevice({
  kind: 'ductless-outdoor',
  title: 'Ductless outdoor unit',
  designations: (given) => unitTerminals(given, OTHER),
  params: {
    ...interconnectParams,
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
  controls: boardControls,
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
    supply: ['L', 'N'],
    supplied: params.supplied,
    case: '#case',
    signalPath: 'send',
    signalContact: 'signal',
    board: 'board',
    fuse: 'fuse',
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
  turns: ({ way }) => way,
  seenAs: ['outdoor-cabinet'],
  initial: {
    awake: false,
    hears: 'nothing',
    way: 'cool',
    silentSince: null,
    board: 'first',
    burnt: false,
  } as OutdoorState,
  positions: ({ awake, hears, burnt }) => ({
    fuse: 'whole',
    signal: when(awake && !burnt),
    through: when(!awake && !burnt),
    run: when(awake && runs(hears)),
  }),
  next: (state, senses: Senses, { params, controls, now }) => {
    const awake = isAwake(senses, params, runMarks(params).neutral);
    const { board, burnt } = boardAfter(state, senses, 'send', params, controls.board);
    const milliamps = burnt ? 0 : signalMa(senses, ['send']);
    const hears = awake ? heardOf(loopShare(milliamps, params)) : 'nothing';
    const way = hears === 'cool' || hears === 'heat' ? hears : state.way;
    const silentSince = awake && hears === 'nothing' ? (state.silentSince ?? now) : null;
    return { awake, hears, way, silentSince, board, burnt };
  },
  waits: (state, moment) => silenceWaits(state, moment, OTHER),
  face: (state, moment) => unitFace(state, moment, runs(state.hears), OTHER),
  faults: [
    ...unitFaults,
    // Another compressor is refrigerant work.
    { ...openFault('compressor', 'Compressor open', 2, 'Compressor'), mend: 'defer' },
    ...contactFaults('run', 'Compressor relay'),
  ],
});
