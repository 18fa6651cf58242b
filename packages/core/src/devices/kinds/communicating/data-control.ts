import { flow } from '../../channels';
import { defineDevice } from '../../define';
import type { Moment } from '../../context';
import { choice, num } from '../../fields';
import type { ValuesOf } from '../../fields';
import { LOGIC } from '../../element';
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
import { demands } from '../../parts/thermostat-calls';
import type { Call } from '../../traits';

const controls = {
  mode: choice('System', { off: 'Off', heat: 'Heat', cool: 'Cool' }, 'off'),
  fan: choice('Fan', { auto: 'Auto', on: 'On' }, 'auto'),
  setC: num({ label: 'Set point', unit: '°C', default: 22, min: 4, max: 35, source: 'common practice' }),
};

type ControlState = DataState & { powered: boolean; call: 'heat' | 'cool' | null; fan: boolean };

const wanted = ({ controls: held, conditions }: Moment<object, object, ValuesOf<typeof controls>>) => ({
  call: demands({ controls: held, conditions }),
  fan: held.fan === 'on',
});

/** The thermostat of a communicating system: on R, C and the pair, it says what it wants instead of closing contacts. */
export const dataControl = defineDevice({
  kind: 'data-control',
  title: 'Communicating thermostat',
  designations: () => dataTerminals('takes'),
  params: dataParams,
  settings: dataSettings,
  controls,
  elements: ({ params, mains }) => dataElements(params, mains.hertz),
  livesOn: { wire: LOGIC, loads: [] },
  initial: { ...DATA_AT_REST, powered: false, call: null, fan: false } as ControlState,
  positions: () => ({}),
  next: (state, senses, moment) => {
    const data = dataAfter(state, senses, moment.params, moment.now);
    return data.awake
      ? { ...data, powered: true, ...wanted(moment) }
      : { ...data, powered: false, call: null, fan: false };
  },
  gives: (state) =>
    isLinked(state)
      ? {
          ...(state.call === null ? {} : { [`asks-${state.call}`]: flow(1) }),
          ...(state.fan ? { 'asks-fan': flow(1) } : {}),
        }
      : {},
  asks: ({ powered, call, fan }) => {
    const calls: Call[] = powered && call !== null ? [call] : [];
    return powered && fan ? [...calls, 'fan'] : calls;
  },
  waits: (state, moment) => dataWaits(state, moment),
  dataPair: PAIR_ELEMENTS,
  pairs: (state) => pairOf(state),
  face: (state, moment) =>
    state.awake
      ? dataFace(state, moment, moment.controls.mode)
      : { text: 'blank', tone: 'tripped', detail: 'The screen is blank: no 24 V between R and C.' },
  faults: dataFaults,
});
