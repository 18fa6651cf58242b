import { heard } from '../../channels';
import { defineDevice } from '../../define';
import type { Element } from '../../element';
import { contact, load } from '../../element';
import { num } from '../../fields';
import { SUPPLY_TAKES, when } from '../../parts/board';
import { motorImpedance } from '../../parts/burner-train';
import type { DataState } from '../../parts/data-pair';
import {
  DATA_AT_REST,
  PAIR_ELEMENTS,
  DRIVE,
  biasElements,
  biasParams,
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

type IndoorState = DataState & { blower: boolean };

/** The board of a communicating air handler: it gives R and C to the others, holds the pair apart, and blows. */
export const dataIndoor = defineDevice({
  kind: 'data-indoor',
  title: 'Communicating air handler board',
  designations: () => [
    ...dataTerminals('gives', SUPPLY_TAKES),
    { mark: 'L1', role: 'line', purpose: 'First leg in.' },
    { mark: 'L2', role: 'line', purpose: 'Second leg in.' },
  ],
  params: {
    ...dataParams,
    ...biasParams,
    lineVolts: num({
      label: 'Line supply',
      unit: 'V',
      default: 240,
      min: 200,
      max: 277,
      source: 'read the label',
    }),
    blowerVa: num({
      label: 'Blower',
      unit: 'VA',
      default: 500,
      min: 50,
      max: 2000,
      source: 'read the label',
    }),
  },
  settings: dataSettings,
  controls: {},
  elements: ({ params, mains }): readonly Element[] => [
    ...dataElements(params, mains.hertz),
    ...biasElements(params),
    contact('blower-relay', 'L1', '#blower'),
    load('blower', '#blower', 'L2', motorImpedance(params.lineVolts, params.blowerVa, mains.hertz)),
  ],
  loads: () => [{ id: 'blower', title: 'Blower', element: 'blower', nature: 'motor', serves: 'fan' }],
  seenAs: ['blower'],
  initial: { ...DATA_AT_REST, blower: false } as IndoorState,
  positions: ({ awake, blower }) => ({ [DRIVE]: when(awake), 'blower-relay': when(blower) }),
  next: (state, senses, { params, now }) => {
    const data = dataAfter(state, senses, params, now);
    const asked = (['asks-heat', 'asks-cool', 'asks-fan'] as const).some((ask) => heard(senses, ask) > 0);
    return { ...data, blower: isLinked(data) && asked };
  },
  waits: (state, moment) => dataWaits(state, moment),
  dataPair: { ...PAIR_ELEMENTS, drives: DRIVE },
  pairs: (state) => pairOf(state),
  face: (state, moment) => dataFace(state, moment, state.blower ? 'runs' : 'ready'),
  faults: [
    ...dataFaults,
    { mode: 'no-bias', title: 'Bias of the data lost', likelihood: 1, elements: { [DRIVE]: 'open' } },
  ],
});
