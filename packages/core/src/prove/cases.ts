/**
 * The states a proof goes through: every call, each stage by itself, satisfied after its call, with the fan
 * already on, with the power lost and back, in defrost, thermostats in every combination; with every safety
 * tripped in turn; at low, normal and high mains.
 */
import type { Inputs } from '../behaviour';
import { holding } from '../behaviour';
import type { Circuit } from '../circuit';
import { designationsOf } from '../circuit';
import type { Call, Conditions, Mode, Occasion, Value, Values } from '../devices';
import { fill, kindOf } from '../devices';
import type { Situation } from './situation';

/** Mains as shares of nominal: a long day's spread, common practice for coils and transformers. */
export const MAINS_SHARES = [0.9, 1, 1.1] as const;

/** What comes before the state itself, each until nothing is counting any more. */
export type Before =
  | { type: 'hold'; inputs: Inputs }
  /** Everything that takes power away is opened for a moment. */
  | { type: 'power-off' };

/** Time passes in the state itself until an occasion has begun, or until it has come and gone. */
export interface Until {
  device: string;
  phase: 'begun' | 'ended';
}

export interface Asked {
  id: string;
  situation: Situation;
  /** What the call is for; two at once only where two thermostats disagree. */
  calls: readonly Call[];
  inputs: Inputs;
  before?: readonly Before[];
  until?: Until;
  /** Safeties are tripped in this state too. */
  withTrips: boolean;
}

export interface Trip {
  device: string;
  control: string;
  value: Value;
}

export interface Case {
  asked: Asked;
  trip: Trip | null;
  mains: number;
}

const SET_C = 22;
const MILD_C = 20;
/** Outdoors when heat and when cooling is asked for, °C. */
const COLD_C = 5;
const HOT_C = 30;

interface Stat {
  id: string;
  settings: Values;
  /** Marks of its screws, aliases included. */
  marks: readonly string[];
}

const statsOf = ({ devices }: Circuit): Stat[] =>
  devices.flatMap((device) => {
    const found = kindOf(device.kind);
    if (!found.asks) return [];
    return [
      {
        id: device.id,
        settings: fill(found.settings, device.settings),
        marks: designationsOf(device).flatMap(({ mark, aliases = [] }) => [mark, ...aliases]),
      },
    ];
  });

/** How far a room is from its set point for one stage, for all but back-up heat, and for everything, K. */
interface Distances {
  little: number;
  /** `null` where no stage lies between. */
  middle: number | null;
  far: number;
}

function distancesOf(stats: readonly Stat[]): Distances {
  const between = stats.some(({ settings }) => settings.system === 'heat-pump');
  // A remote leaves the stages to its unit.
  const steps = stats.flatMap(({ settings: { stageTwoK, backUpK } }) =>
    [stageTwoK, backUpK].filter((step) => typeof step === 'number'),
  );
  const [least, most] = [Math.min(...steps), Math.max(...steps)];
  return {
    little: steps.length === 0 ? 1 : least / 2,
    middle: between && most > least ? (least + most) / 2 : null,
    far: steps.length === 0 ? 4 : 2 * most,
  };
}

interface Wanted {
  mode: Mode;
  fan?: 'auto' | 'on';
  /** How far the room is on the calling side, K; negative when satisfied. */
  apart?: number;
}

const hasEmergency = ({ settings, marks }: Stat) =>
  settings.system === 'heat-pump' && marks.some((mark) => mark === 'E' || mark === 'AUX');

function conditionsFor(mode: Mode, apart: number): Conditions {
  if (mode === 'off') return { indoorC: SET_C, outdoorC: MILD_C };
  const cooling = mode === 'cool';
  return { indoorC: cooling ? SET_C + apart : SET_C - apart, outdoorC: cooling ? HOT_C : COLD_C };
}

const callsOf = (mode: Mode): Call[] => (mode === 'off' ? [] : [mode === 'cool' ? 'cool' : 'heat']);

/** Every call the thermostats can make, all of them alike. */
function alikeAsks(stats: readonly Stat[], distances: Distances, occasions: readonly Occurs[]): Asked[] {
  const inputsFor = ({ mode, fan = 'auto', apart = 0 }: Wanted): Inputs => ({
    controls: Object.fromEntries(stats.map(({ id }) => [id, { mode, fan, setC: SET_C }])),
    conditions: conditionsFor(mode, apart),
  });
  const asked = (id: string, situation: Situation, wanted: Wanted, more: Partial<Asked> = {}): Asked => ({
    id,
    situation,
    calls: callsOf(wanted.mode),
    inputs: inputsFor(wanted),
    withTrips: false,
    ...more,
  });
  const { little, middle, far } = distances;
  const tripped = { withTrips: true };
  const fanOn: Before[] = [{ type: 'hold', inputs: inputsFor({ mode: 'off', fan: 'on' }) }];
  const lostMeanwhile = (wanted: Wanted): Before[] => [
    { type: 'hold', inputs: inputsFor(wanted) },
    { type: 'power-off' },
  ];
  const both = (['heat', 'cool'] as const).flatMap((mode): Asked[] => {
    const call = { type: 'call', call: mode } as const;
    const all: Wanted = { mode, apart: far };
    return [
      asked(mode, { ...call, stages: 'first' }, { mode, apart: little }, tripped),
      ...(middle === null || mode === 'cool'
        ? []
        : [asked(`${mode}-middle`, { ...call, stages: 'heat-pump' }, { mode, apart: middle })]),
      asked(`${mode}-far`, { ...call, stages: 'all' }, all, tripped),
      asked(
        `${mode}-over`,
        { type: 'satisfied', call: mode },
        { mode, apart: -little },
        { calls: [], before: [{ type: 'hold', inputs: inputsFor(all) }] },
      ),
      asked(
        `${mode}-fan`,
        { ...call, stages: 'all', after: 'fan-on' },
        { ...all, fan: 'on' },
        { before: fanOn },
      ),
      asked(`${mode}-back`, { ...call, stages: 'all', after: 'power-off' }, all, {
        before: lostMeanwhile(all),
      }),
    ];
  });
  const passing = occasions.flatMap(({ device, occasion: { title, control, value, during } }): Asked[] => {
    const wanted: Wanted = { mode: during, apart: little };
    const held = inputsFor(wanted);
    const inputs: Inputs = { ...held, controls: { ...held.controls, [device]: { [control]: value } } };
    const before: Before[] = [{ type: 'hold', inputs: held }];
    return (['begun', 'ended'] as const).map((phase) =>
      asked(
        `${device}-${title}-${phase}`,
        { type: 'occasion', call: during, occasion: title, phase },
        wanted,
        { inputs, before, until: { device, phase } },
      ),
    );
  });
  return [
    asked('off', { type: 'off' }, { mode: 'off' }, tripped),
    asked('fan', { type: 'fan' }, { mode: 'off', fan: 'on' }, { ...tripped, calls: ['fan'] }),
    ...both,
    ...(stats.some(hasEmergency)
      ? [asked('emergency', { type: 'emergency' }, { mode: 'emergency', apart: little }, tripped)]
      : []),
    ...passing,
  ];
}

const UNLIKE = ['off', 'heat', 'cool'] as const;
const FANS = ['auto', 'on'] as const;

interface Held {
  mode: Mode;
  fan: 'auto' | 'on';
}

/** Every way so many thermostats may be set, each in one of the ways given. */
const settingsOf = (stats: number, each: readonly Held[]): Held[][] =>
  Array.from({ length: stats }).reduce<Held[][]>(
    (made) => made.flatMap((before) => each.map((one) => [...before, one])),
    [[]],
  );

/**
 * Ways in which several thermostats are not set alike: two in every combination of modes and fan; more in every combination
 * of modes, and each with its fan on by itself.
 */
function unlikeSettings(stats: number): Held[][] {
  const alike = (held: readonly Held[]) =>
    held.every(({ mode, fan }) => mode === held[0]!.mode && fan === held[0]!.fan);
  const all = (fans: readonly ('auto' | 'on')[]) =>
    settingsOf(
      stats,
      UNLIKE.flatMap((mode) => fans.map((fan): Held => ({ mode, fan }))),
    );
  if (stats <= 2) return all(FANS).filter((held) => !alike(held));
  const fanOnly = Array.from({ length: stats }, (_, at) =>
    Array.from({ length: stats }, (_one, i): Held => ({ mode: 'off', fan: i === at ? 'on' : 'auto' })),
  );
  return [...all(['auto']).filter((held) => !alike(held)), ...fanOnly];
}

/** Thermostats set otherwise than one another; where one asks for each way, they are apart. */
function unlikeAsks(stats: readonly Stat[], { far }: Distances): Asked[] {
  if (stats.length < 2) return [];
  const setC = { off: SET_C, heat: SET_C + far, cool: SET_C - far, emergency: SET_C };
  return unlikeSettings(stats.length).map((settings): Asked => {
    const calls = [...new Set(settings.flatMap(({ mode }) => callsOf(mode)))];
    return {
      id: stats.map(({ id }, i) => `${id}-${settings[i]!.mode}-${settings[i]!.fan}`).join('-'),
      situation: { type: 'apart', settings },
      calls: calls.length === 0 ? ['fan'] : calls,
      inputs: {
        controls: Object.fromEntries(
          stats.map(({ id }, i) => [id, { ...settings[i]!, setC: setC[settings[i]!.mode] }]),
        ),
        conditions: { indoorC: SET_C, outdoorC: MILD_C },
      },
      withTrips: false,
    };
  });
}

interface Occurs {
  device: string;
  occasion: Occasion;
}

const occasionsOf = ({ devices }: Circuit): Occurs[] =>
  devices.flatMap(({ id, kind }) => kindOf(kind).occasions.map((occasion) => ({ device: id, occasion })));

/** Every state asked of a circuit without a safety tripped; the first has no call. */
export function asksOf(circuit: Circuit): Asked[] {
  const stats = statsOf(circuit);
  const distances = distancesOf(stats);
  return [...alikeAsks(stats, distances, occasionsOf(circuit)), ...unlikeAsks(stats, distances)];
}

/** Whether an occasion is under way. */
export const occasionActive = (circuit: Circuit, device: string, state: Parameters<Occasion['active']>[0]) =>
  kindOf(circuit.devices.find(({ id }) => id === device)!.kind).occasions.some(({ active }) => active(state));

/** Every safety of the circuit, tripped. */
export function tripsOf({ devices }: Circuit): Trip[] {
  return devices.flatMap(({ id, kind }) => {
    const { safety } = kindOf(kind);
    return safety ? [{ device: id, control: safety.control, value: safety.tripped }] : [];
  });
}

/** Inputs with some controls held otherwise. */
export function withControls(
  inputs: Inputs,
  held: readonly { device: string; control: string; value: Value }[],
): Inputs {
  return held.reduce(
    (now, { device, control, value }) => holding(now, { [device]: { [control]: value } }),
    inputs,
  );
}

/** Inputs of a case. */
export const inputsOf = ({ asked, trip }: Pick<Case, 'asked' | 'trip'>): Inputs =>
  trip ? withControls(asked.inputs, [trip]) : asked.inputs;

/** Inputs with everything opened that takes power away. */
export const powerOff = ({ devices }: Circuit, inputs: Inputs): Inputs =>
  withControls(
    inputs,
    devices.flatMap(({ id, kind }) => {
      const { isolates } = kindOf(kind);
      return isolates ? [{ device: id, control: isolates.control, value: isolates.off }] : [];
    }),
  );

/** All cases of a circuit, normal mains first: what is wrong shows there soonest. */
export function casesOf(circuit: Circuit): Case[] {
  const trips = tripsOf(circuit);
  const asks = asksOf(circuit);
  const shares = [...MAINS_SHARES].sort((one, other) => Math.abs(one - 1) - Math.abs(other - 1));
  return shares.flatMap((mains) => [
    ...asks.map((asked): Case => ({ asked, trip: null, mains })),
    ...trips.flatMap((trip) =>
      asks.flatMap((asked): Case[] => (asked.withTrips ? [{ asked, trip, mains }] : [])),
    ),
  ]);
}
