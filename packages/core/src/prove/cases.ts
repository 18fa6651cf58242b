/** The states a proof goes through: every call, with every safety tripped in turn, at low, normal and high mains. */
import type { Inputs } from '../behaviour';
import type { Circuit } from '../circuit';
import type { Call, Value } from '../devices';
import { fill, kindOf } from '../devices';

/** Mains as shares of nominal: a long day's spread, common practice for coils and transformers. */
export const MAINS_SHARES = [0.9, 1, 1.1] as const;

export interface Asked {
  id: string;
  title: string;
  /** What the call is for; two at once only where two thermostats disagree. */
  calls: readonly Call[];
  inputs: Inputs;
}

export interface Trip {
  device: string;
  label: string;
  control: string;
  value: Value;
}

export interface Case {
  asked: Asked;
  trip: Trip | null;
  mains: number;
}

const SET_C = 22;
/** Rooms a little and far from the set point, so that one stage and all stages call. K. */
const LITTLE_K = 1;
const FAR_K = 4;

const statsOf = ({ devices }: Circuit) => devices.filter(({ kind }) => kindOf(kind).asks);

/** Every call the thermostats can make. */
export function asksOf(circuit: Circuit): Asked[] {
  const stats = statsOf(circuit);
  const alike = (values: Record<string, Value>) => Object.fromEntries(stats.map(({ id }) => [id, values]));
  const asked = (
    id: string,
    title: string,
    calls: Call[],
    values: Record<string, Value>,
    indoorC: number,
    outdoorC: number,
  ): Asked => ({
    id,
    title,
    calls,
    inputs: { controls: alike({ setC: SET_C, fan: 'auto', ...values }), conditions: { indoorC, outdoorC } },
  });
  const emergency = stats.some(({ kind, params, settings }) => {
    const found = kindOf(kind);
    return (
      fill(found.settings, settings).system === 'heat-pump' &&
      found.designations(fill(found.params, params)).some(({ mark }) => mark === 'E' || mark === 'AUX')
    );
  });
  const list = [
    asked('off', 'no call', [], { mode: 'off' }, SET_C, 20),
    asked('fan', 'fan called', ['fan'], { mode: 'off', fan: 'on' }, SET_C, 20),
    asked('heat', 'heat called', ['heat'], { mode: 'heat' }, SET_C - LITTLE_K, 5),
    asked('heat-far', 'all stages of heat called', ['heat'], { mode: 'heat' }, SET_C - FAR_K, 5),
    asked('cool', 'cooling called', ['cool'], { mode: 'cool' }, SET_C + LITTLE_K, 30),
    asked('cool-far', 'all stages of cooling called', ['cool'], { mode: 'cool' }, SET_C + FAR_K, 30),
    ...(emergency
      ? [asked('emergency', 'emergency heat called', ['heat'], { mode: 'emergency' }, SET_C - LITTLE_K, 5)]
      : []),
  ];
  if (stats.length < 2) return list;
  const [first, ...others] = stats as [(typeof stats)[number], ...(typeof stats)[number][]];
  const apart: Inputs = {
    controls: {
      [first.id]: { mode: 'cool', setC: SET_C - FAR_K },
      ...Object.fromEntries(others.map(({ id }) => [id, { mode: 'heat', setC: SET_C + FAR_K }])),
    },
    conditions: { indoorC: SET_C, outdoorC: 20 },
  };
  return [
    ...list,
    { id: 'apart', title: 'the thermostats set to opposite modes', calls: ['cool', 'heat'], inputs: apart },
  ];
}

/** Every safety of the circuit, tripped. */
export function tripsOf({ devices }: Circuit): Trip[] {
  return devices.flatMap(({ id, kind, label }) => {
    const { safety } = kindOf(kind);
    return safety ? [{ device: id, label, control: safety.control, value: safety.tripped }] : [];
  });
}

/** Inputs of a case. */
export function inputsOf({ asked, trip }: Pick<Case, 'asked' | 'trip'>): Inputs {
  if (!trip) return asked.inputs;
  const { controls } = asked.inputs;
  return {
    ...asked.inputs,
    controls: { ...controls, [trip.device]: { ...controls[trip.device], [trip.control]: trip.value } },
  };
}

/** All cases of a circuit. */
export function casesOf(circuit: Circuit): Case[] {
  const trips = [null, ...tripsOf(circuit)];
  return MAINS_SHARES.flatMap((mains) =>
    asksOf(circuit).flatMap((asked) => trips.map((trip): Case => ({ asked, trip, mains }))),
  );
}

/** A case in words. */
export function caseTitle({ asked, trip, mains }: Case): string {
  const supply = mains === 1 ? '' : mains < 1 ? ', mains 10 % low' : ', mains 10 % high';
  return `${asked.title}${trip ? `, ${trip.label} tripped` : ''}${supply}`;
}
