import { heard } from '../../channels';
import { defineDevice } from '../../define';
import type { Senses } from '../../context';
import type { Element } from '../../element';
import { contact, impedanceOf, load } from '../../element';
import { num } from '../../fields';
import { when } from '../../parts/board';
import type { DataState } from '../../parts/data-pair';
import {
  DATA_AT_REST,
  PAIR_ELEMENTS,
  dataAfter,
  dataElements,
  dataFace,
  dataFaults,
  dataParams,
  dataSettings,
  dataTerminals,
  dataWaits,
  isLinked,
  pairOf,
} from '../../parts/data-pair';

type OutdoorState = DataState & { runs: boolean; way: 'cool' | 'heat' };

function askedOf(senses: Senses): 'cool' | 'heat' | null {
  if (heard(senses, 'asks-heat') > 0) return 'heat';
  return heard(senses, 'asks-cool') > 0 ? 'cool' : null;
}

/** The board of a communicating heat pump outdoors: it runs its compressor when it is told to over the pair. */
export const dataOutdoor = defineDevice({
  kind: 'data-outdoor',
  title: 'Communicating outdoor board',
  designations: () => [
    ...dataTerminals('takes'),
    { mark: 'L1', role: 'line', purpose: 'First leg in.' },
    { mark: 'L2', role: 'line', purpose: 'Second leg in.' },
  ],
  params: {
    ...dataParams,
    lineVolts: num({
      label: 'Line supply',
      unit: 'V',
      default: 240,
      min: 200,
      max: 277,
      source: 'read the label',
    }),
    compressorVa: num({
      label: 'Compressor and fan',
      unit: 'VA',
      default: 3000,
      min: 300,
      max: 15_000,
      source: 'read the label',
    }),
  },
  settings: dataSettings,
  controls: {},
  elements: ({ params, mains }): readonly Element[] => [
    ...dataElements(params, mains.hertz),
    contact('run', 'L1', '#run'),
    load('compressor', '#run', 'L2', impedanceOf(params.lineVolts, params.compressorVa, 0.9, mains.hertz)),
  ],
  loads: () => [
    { id: 'compressor', title: 'Compressor', element: 'compressor', nature: 'compressor', serves: 'pump' },
  ],
  turns: ({ way }) => way,
  seenAs: ['outdoor-cabinet'],
  initial: { ...DATA_AT_REST, runs: false, way: 'cool' } as OutdoorState,
  positions: ({ runs }) => ({ run: when(runs) }),
  next: (state, senses, { params, now }) => {
    const data = dataAfter(state, senses, params, now);
    const asked = isLinked(data) ? askedOf(senses) : null;
    return { ...data, runs: asked !== null, way: asked ?? state.way };
  },
  waits: (state, moment) => dataWaits(state, moment),
  dataPair: PAIR_ELEMENTS,
  pairs: (state) => pairOf(state),
  face: (state, moment) => dataFace(state, moment, state.runs ? 'runs' : 'ready'),
  faults: dataFaults,
});
