import { boardFaults, contactFaults, openFault } from '../../parts/faults';
import {
  SUPPLY_TAKES,
  boardElements,
  boardParams,
  boardPowered,
  calledAt,
  heedingLeak,
  leakDesignations,
  leakInputs,
  leakTerminal,
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
import { flow } from '../../channels';
import { defineDevice } from '../../define';
import type { Designation, Moment, Senses } from '../../context';
import { contact, load } from '../../element';
import { choice, num, seconds } from '../../fields';
import type { ValuesOf } from '../../fields';

/** What the blower turns at in heating, and what of the fire stays in the house. From memory. */
const HEATING_SPEED = 0.9;
const KEPT = { dry: 0.8, condensing: 0.95 } as const;

const params = {
  stages: choice('Heating and cooling stages', { one: 'One', two: 'Two' }, 'one'),
  ...boardParams,
  ...burnerParams,
  leak: leakTerminal,
  exchanger: choice('Exchanger', { dry: 'Flue stays hot', condensing: 'Condensing' }, 'dry'),
  firedKw: num({
    label: 'Fired with',
    unit: 'kW',
    default: 20,
    min: 5,
    max: 60,
    source: 'read the label',
  }),
  blowerVa: num({ label: 'Blower', unit: 'VA', default: 600, min: 50, max: 2000, source: 'read the label' }),
};

const settings = {
  ...burnerSettings,
  heatOnS: seconds('Blower on, after flame', 30, 180),
  heatOffS: seconds('Blower off, after heat', 90, 300),
  coolOnS: seconds('Blower on, after cool call', 2, 60),
  coolOffS: seconds('Blower off, after cool call', 45, 180),
};

type Blower = {
  blower: 'off' | 'heat' | 'cool';
  /** When a pending change happens. */
  heatOnAt: number | null;
  heatOffAt: number | null;
  coolOnAt: number | null;
  coolOffAt: number | null;
};

type BoardState = BurnerState & Blower & { powered: boolean; high: boolean };
type BoardMoment = Moment<
  ValuesOf<typeof params>,
  ValuesOf<typeof settings>,
  ValuesOf<typeof burnerControls>
>;

const atRest: BoardState = {
  ...burnerAtRest,
  powered: false,
  high: false,
  blower: 'off',
  heatOnAt: null,
  heatOffAt: null,
  coolOnAt: null,
  coolOffAt: null,
};

/** The first call starts a delay; the delay, once over, is done. */
const due = (at: number | null, now: number) => at !== null && now >= at;

function stepBlower(
  state: BoardState,
  burning: boolean,
  cool: boolean,
  fan: boolean,
  moment: BoardMoment,
): Blower {
  const { now, settings: delays } = moment;
  const wasHeating = state.blower === 'heat';
  const wasCooling = state.coolOnAt !== null;
  const heatOnAt = burning ? (state.heatOnAt ?? now + delays.heatOnS) : null;
  const heatOffAt = burning || !wasHeating ? null : (state.heatOffAt ?? now + delays.heatOffS);
  const coolOnAt = cool ? (state.coolOnAt ?? now + delays.coolOnS) : null;
  const coolOffAt = cool
    ? null
    : wasCooling
      ? now + delays.coolOffS
      : due(state.coolOffAt, now)
        ? null
        : state.coolOffAt;
  const heat = due(heatOnAt, now) || (wasHeating && (burning || !due(heatOffAt, now)));
  const cooling = fan || due(coolOnAt, now) || (coolOffAt !== null && state.blower === 'cool');
  return {
    blower: heat ? 'heat' : cooling ? 'cool' : 'off',
    heatOnAt,
    heatOffAt: heat ? heatOffAt : null,
    coolOnAt,
    coolOffAt: cooling ? coolOffAt : null,
  };
}

function next(state: BoardState, senses: Senses, moment: BoardMoment): BoardState {
  if (!boardPowered(senses)) return atRest;
  const called = heedingLeak(calledAt(senses, moment.params), moment.params.leak);
  const burner = nextBurner(state, called('W'), senses, moment);
  const blower = stepBlower(state, isBurning(burner), called('Y'), called('G'), moment);
  const high = moment.params.stages === 'two' && burner.phase === 'burning' && called('W2');
  return { ...state, ...burner, ...blower, high, powered: true };
}

const SECOND_STAGE: readonly Designation[] = [
  { mark: 'Y2', role: 'call', purpose: 'Second cooling stage: passes through to the outdoor unit.' },
  { mark: 'W2', role: 'call', purpose: 'Second heating stage: opens the gas valve fully.' },
];

/** The integrated control of a gas furnace with the loads it switches. */
export const furnaceBoard = defineDevice({
  kind: 'furnace-board',
  title: 'Furnace board',
  designations: ({ stages, leak }) => [
    {
      mark: 'R',
      role: 'hot',
      purpose: '24 V hot out to the thermostat, through the board’s fuse.',
      takes: SUPPLY_TAKES,
    },
    {
      mark: 'Y',
      role: 'call',
      purpose: 'Cooling call: passes through to the contactor and starts the blower.',
    },
    { mark: 'G', role: 'call', purpose: 'Fan call: runs the blower.' },
    { mark: 'W', role: 'call', purpose: 'Heating call: starts the burner sequence.', aliases: ['W1'] },
    ...(stages === 'two' ? SECOND_STAGE : []),
    ...leakDesignations(leak),
    {
      mark: 'C',
      role: 'common',
      purpose: 'Common: every 24 V load returns here.',
      aliases: ['COM'],
      takes: SUPPLY_TAKES,
    },
    { mark: 'L1', role: 'line', purpose: 'Line in, through the door switch.' },
    { mark: 'N', role: 'neutral', purpose: 'Neutral in.' },
  ],
  params,
  settings,
  controls: burnerControls,
  elements: ({ params, mains }) => {
    const motor = (va: number) => motorImpedance(params.lineVolts, va, mains.hertz);
    const twoStage = params.stages === 'two';
    return [
      ...boardElements(params, mains.hertz, [
        ...(twoStage ? ['Y', 'Y2', 'G', 'W', 'W2'] : ['Y', 'G', 'W']),
        ...leakInputs(params.leak),
      ]),
      ...burnerElements(params, mains.hertz, twoStage),
      contact('heat-relay', 'L1', '#heat'),
      load('blower-heat', '#heat', 'N', motor(params.blowerVa * 0.8)),
      contact('cool-relay', 'L1', '#cool'),
      load('blower-cool', '#cool', 'N', motor(params.blowerVa)),
    ];
  },
  loads: ({ params }) => [
    {
      id: 'blower-cool',
      title: 'Blower (cooling speed)',
      element: 'blower-cool',
      nature: 'motor',
      serves: 'fan',
    },
    {
      id: 'blower-heat',
      title: 'Blower (heating speed)',
      element: 'blower-heat',
      nature: 'motor',
      serves: 'fan',
    },
    ...burnerLoads('W', params.stages === 'two'),
  ],
  interrupts: ['limit'],
  condenses: { param: 'exchanger', yes: 'condensing', no: 'dry' },
  actuatedBy: {
    ...burnerActuation('W'),
    'heat-relay': [['input-W', 'logic']],
    'cool-relay': [
      ['input-G', 'logic'],
      ['input-Y', 'logic'],
      ['input-LK', 'logic'],
    ],
  },
  initial: atRest,
  positions: (state, { controls }) => ({
    ...burnerPositions(state, controls),
    'high-relay': when(state.high),
    'heat-relay': when(state.blower === 'heat'),
    'cool-relay': when(state.blower === 'cool'),
  }),
  next,
  gives: ({ phase, blower }, { params }) => {
    const fired = phase === 'burning' ? params.firedKw * 1000 : 0;
    return {
      blows: flow(blower === 'off' ? 0 : blower === 'heat' ? HEATING_SPEED : 1),
      warms: flow(fired * KEPT[params.exchanger]),
      ...(params.exchanger === 'condensing' && { condenses: flow(fired) }),
    };
  },
  waits: (state, { settings }) => {
    const waits = burnerWaits(state);
    if (state.heatOnAt !== null && state.blower !== 'heat')
      waits.push({
        until: state.heatOnAt,
        text: `blower starts ${settings.heatOnS} s after flame`,
        done: `blower on ${settings.heatOnS} s after flame`,
      });
    if (state.heatOffAt !== null)
      waits.push({
        until: state.heatOffAt,
        text: 'blower clears the heat exchanger',
        done: `blower off ${settings.heatOffS} s after heat`,
      });
    if (state.coolOnAt !== null && state.blower !== 'cool')
      waits.push({
        until: state.coolOnAt,
        text: 'blower starts shortly after the cooling call',
        done: `blower on ${settings.coolOnS} s after the cooling call`,
      });
    if (state.coolOffAt !== null)
      waits.push({
        until: state.coolOffAt,
        text: 'blower runs on after cooling',
        done: `blower off ${settings.coolOffS} s after the cooling call`,
      });
    return waits;
  },
  face: (state) => burnerFace(state),
  faults: [
    {
      mode: 'blower-relay-open',
      title: 'Cooling blower relay open',
      likelihood: 2,
      elements: { 'cool-relay': 'open' },
    },
    openFault('blower-cool', 'Blower, cooling speed, open', 1, 'Blower motor'),
    ...contactFaults('heat-relay', 'Heating blower relay'),
    ...burnerFaults,
    ...boardFaults(['Y', 'G', 'W', 'W2']),
  ],
});
