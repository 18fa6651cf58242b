import { heard } from '../../channels';
import { defineDevice } from '../../define';
import type { Senses } from '../../context';
import type { Element } from '../../element';
import { contact, impedanceOf, load } from '../../element';
import { num } from '../../fields';
import { when } from '../../parts/board';
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

const OTHER = 'the outdoor unit';

type IndoorState = {
  awake: boolean;
  /** What its remote asks. */
  told: 'nothing' | 'fan' | 'cool' | 'heat';
  hears: boolean;
  silentSince: number | null;
  board: string;
  burnt: boolean;
};

function toldBy(senses: Senses): IndoorState['told'] {
  if (heard(senses, 'asks-heat') > 0) return 'heat';
  if (heard(senses, 'asks-cool') > 0) return 'cool';
  return heard(senses, 'asks-fan') > 0 ? 'fan' : 'nothing';
}

const runs = (told: IndoorState['told']) => told === 'cool' || told === 'heat';

/** The indoor half of a ductless unit: told by its remote what to do, it asks for it by drawing more from the loop. */
export const ductlessIndoor = defineDevice({
  kind: 'ductless-indoor',
  title: 'Ductless indoor unit',
  designations: (given) => unitTerminals(given, OTHER),
  params: {
    ...interconnectParams,
    fanVa: num({ label: 'Fan', unit: 'VA', default: 40, min: 5, max: 500, source: 'read the label' }),
  },
  settings: signalSettings,
  controls: boardControls,
  elements: ({ params, mains: { hertz } }): readonly Element[] => {
    const { neutral, signal } = runMarks(params);
    return [
      ...unitElements(params, hertz),
      contact('signal', signal, '#signal'),
      load('listen', '#signal', neutral, { ohms: params.loopOhms }),
      contact('ask-cool', '#signal', '#cool'),
      load('cool', '#cool', neutral, { ohms: params.loopOhms }),
      contact('ask-heat', '#signal', '#heat'),
      load('heat', '#heat', neutral, { ohms: params.loopOhms / 4 }),
      contact('blow', '#fused', '#fan'),
      load('fan', '#fan', neutral, impedanceOf(params.volts, params.fanVa, 0.7, hertz)),
    ];
  },
  interconnect: (params) => ({
    ...runMarks(params),
    supply: ['L', 'N'],
    supplied: params.supplied,
    case: '#case',
    signalPath: 'listen',
    signalContact: 'signal',
    board: 'board',
    fuse: 'fuse',
    stands: ({ awake, hears, burnt }) => ({
      awake: awake === true,
      hears: hears === true,
      burnt: burnt === true,
    }),
  }),
  loads: () => [{ id: 'fan', title: 'Indoor fan', element: 'fan', nature: 'motor', serves: 'fan' }],
  seenAs: ['blower'],
  initial: {
    awake: false,
    told: 'nothing',
    hears: false,
    silentSince: null,
    board: 'first',
    burnt: false,
  } as IndoorState,
  positions: ({ awake, told, hears, burnt }) => ({
    fuse: 'whole',
    signal: when(!burnt),
    'ask-cool': when(awake && told === 'cool'),
    'ask-heat': when(awake && told === 'heat'),
    blow: when(awake && (told === 'fan' || (hears && runs(told)))),
  }),
  next: (state, senses: Senses, { params, controls, now }) => {
    const awake = isAwake(senses, params, runMarks(params).neutral);
    const { board, burnt } = boardAfter(state, senses, 'listen', params, controls.board);
    const milliamps = burnt ? 0 : signalMa(senses, ['listen', 'cool', 'heat']);
    const hears = awake && loopShare(milliamps, params) >= THERE_SHARE;
    const silentSince = awake && !hears ? (state.silentSince ?? now) : null;
    return { awake, told: toldBy(senses), hears, silentSince, board, burnt };
  },
  waits: (state, moment) => silenceWaits(state, moment, OTHER),
  face: (state, moment) => unitFace(state, moment, runs(state.told) && state.hears, OTHER),
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
