import {
  SUPPLY_TAKES,
  boardElements,
  boardParams,
  boardPowered,
  calledAt,
  stepDelayed,
  when,
} from '../../parts/board';
import type { BurnerState } from '../../parts/burner-sequence';
import { burnerAtRest } from '../../parts/burner-sequence';
import {
  burnerActuation,
  burnerControls,
  burnerElements,
  burnerFace,
  burnerFaults,
  burnerLoads,
  burnerParams,
  burnerPositions,
  burnerSettings,
  burnerWaits,
  isBurning,
  motorImpedance,
  nextBurner,
} from '../../parts/burner-train';
import { defineDevice } from '../../define';
import { boardFaults, contactFaults } from '../../parts/faults';
import { contact, load } from '../../element';
import { choice, num, seconds } from '../../fields';

type HeaterState = BurnerState & { powered: boolean; high: boolean; fan: boolean; fanAt: number | null };

const atRest: HeaterState = { ...burnerAtRest, powered: false, high: false, fan: false, fanAt: null };

/**
 * The board of a gas unit heater. Its purges and its fan run on 24 V calls: with the line
 * supply switched instead, nothing clears the flue or wipes the heat off the exchanger.
 */
export const unitHeaterBoard = defineDevice({
  kind: 'unit-heater-board',
  title: 'Unit heater board',
  designations: () => [
    {
      mark: 'C',
      role: 'common',
      purpose: 'Common of the heater’s own transformer.',
      aliases: ['X'],
      takes: SUPPLY_TAKES,
    },
    { mark: 'R', role: 'hot', purpose: '24 V hot out to the thermostat.', takes: SUPPLY_TAKES },
    { mark: 'G', role: 'call', purpose: 'Fan call: air without heat.' },
    { mark: 'W1', role: 'call', purpose: 'Heating call: starts the burner sequence.' },
    { mark: 'W2', role: 'call', purpose: 'Second heating stage; unused on one stage.' },
    { mark: 'L1', role: 'line', purpose: 'Line in. A thermostat must never switch it.' },
    { mark: 'N', role: 'neutral', purpose: 'Neutral in.' },
  ],
  params: {
    stages: choice('Heating stages', { one: 'One', two: 'Two' }, 'one'),
    ...boardParams,
    ...burnerParams,
    fanVa: num({ label: 'Fan', unit: 'VA', default: 250, min: 20, max: 2000, source: 'read the label' }),
  },
  settings: {
    ...burnerSettings,
    postPurgeS: seconds('Post-purge', 45, 300),
    fanOnS: seconds('Fan on, after flame', 45, 180),
    fanOffS: seconds('Fan off, after heat', 90, 300),
  },
  controls: burnerControls,
  elements: ({ params, mains }) => [
    ...boardElements(params, mains.hertz, ['G', 'W1', 'W2']),
    ...burnerElements(params, mains.hertz, params.stages === 'two'),
    contact('fan-relay', 'L1', '#fan'),
    load('fan', '#fan', 'N', motorImpedance(params.lineVolts, params.fanVa, mains.hertz)),
  ],
  seenAs: ['hanging-heater'],
  loads: ({ params }) => [
    { id: 'fan', title: 'Heater fan', element: 'fan', nature: 'motor', serves: 'fan' },
    ...burnerLoads('W1', params.stages === 'two'),
  ],
  interrupts: ['limit'],
  actuatedBy: {
    ...burnerActuation('W1'),
    'fan-relay': [
      ['input-G', 'logic'],
      ['input-W1', 'logic'],
    ],
  },
  initial: atRest,
  positions: (state, { controls }) => ({
    ...burnerPositions(state, controls),
    'high-relay': when(state.high),
    'fan-relay': when(state.fan),
  }),
  next: (state, senses, moment) => {
    if (!boardPowered(senses)) return atRest;
    const { params, settings, now } = moment;
    const called = calledAt(senses, params);
    const burner = nextBurner(state, called('W1'), senses, moment);
    const burning = isBurning(burner);
    const delays = called('G') ? { onS: 0, offS: 0 } : { onS: settings.fanOnS, offS: settings.fanOffS };
    // An air-only call ends at once; heat left in the exchanger is blown out first.
    const asked = burning || called('G');
    const fan = stepDelayed({ on: state.fan, at: state.fanAt }, asked, delays, now);
    const high = params.stages === 'two' && burner.phase === 'burning' && called('W2');
    return { ...state, ...burner, high, fan: fan.on, fanAt: fan.at, powered: true };
  },
  waits: (state, { settings }) =>
    state.fanAt === null
      ? burnerWaits(state)
      : [
          ...burnerWaits(state),
          {
            until: state.fanAt,
            done: state.fan
              ? `fan off ${settings.fanOffS} s after heat`
              : `fan on ${settings.fanOnS} s after flame`,
            text: state.fan
              ? 'fan wipes the heat off the exchanger'
              : `fan starts ${settings.fanOnS} s after flame`,
          },
        ],
  face: (state) => burnerFace(state),
  faults: [
    ...burnerFaults,
    {
      mode: 'fan-open',
      title: 'Fan motor open',
      likelihood: 2,
      elements: { fan: 'open' },
      part: 'Fan motor',
    },
    ...contactFaults('fan-relay', 'Fan relay'),
    ...boardFaults(['G', 'W1', 'W2']),
  ],
});
