/** A script of calls: what is set by hand, and when. */
import type { Circuit } from '../circuit';
import type { Call, Conditions, Value } from '../devices';
import { kindOf } from '../devices';
import type { Inputs } from './inputs';
import { holding } from './inputs';

/** What is done at a time, where it is worth telling. */
export type ScriptEvent = { type: 'call'; call: Call } | { type: 'call-ends' };

/** Something set at a time. */
export interface ScriptStep {
  at: number;
  event?: ScriptEvent;
  controls?: Readonly<Record<string, Readonly<Record<string, Value>>>>;
  conditions?: Partial<Conditions>;
}

/** A room this far on the calling side brings every stage, K; the default set point stands between. */
const ROOM_C: Record<Call, number> = { cool: 26, heat: 18, fan: 22 };
const OUTDOOR_C: Record<Call, number> = { cool: 31, heat: 2, fan: 20 };
const SET_C = 22;

/** Seconds between one thermostat's call and the next, where they call in turn. */
const IN_TURN_S = 300;

/** Who makes a call: every thermostat at once, each in turn, or one of them. */
export type Caller = { type: 'all' } | { type: 'turn' } | { type: 'one'; thermostat: string };

/**
 * The usual question: a call that is made at once, satisfied after a while, and watched until all is
 * at rest again. In turn, each call begins and ends so long after the one before.
 */
export function callScript(
  circuit: Circuit,
  call: Call,
  seconds: number,
  caller: Caller = { type: 'all' },
): ScriptStep[] {
  const stats = circuit.devices.flatMap(({ id, kind }) =>
    kindOf(kind).asks && (caller.type !== 'one' || caller.thermostat === id) ? [id] : [],
  );
  const groups = caller.type === 'turn' ? stats.map((id) => [id]) : [stats];
  const all = (ids: readonly string[], values: Record<string, Value>) =>
    Object.fromEntries(ids.map((id) => [id, values]));
  const on = call === 'fan' ? { mode: 'off', fan: 'on' } : { mode: call, fan: 'auto' };
  return groups.flatMap((ids, i): ScriptStep[] => [
    {
      at: i * IN_TURN_S,
      event: { type: 'call', call },
      controls: all(ids, { ...on, setC: SET_C }),
      conditions: { indoorC: ROOM_C[call], outdoorC: OUTDOOR_C[call] },
    },
    {
      at: i * IN_TURN_S + seconds,
      event: { type: 'call-ends' },
      controls: all(ids, { mode: 'off', fan: 'auto' }),
    },
  ]);
}

/** Inputs after a step. */
export function takeStep(inputs: Inputs, { controls = {}, conditions = {} }: ScriptStep): Inputs {
  const { controls: set } = holding(inputs, controls);
  return { controls: set, conditions: { ...inputs.conditions, ...conditions } };
}

/** A call from a cold start, everything but the thermostats held as it is set. */
export function callAlone(
  circuit: Circuit,
  controls: Inputs['controls'],
  call: Call,
  seconds: number,
  caller?: Caller,
): ScriptStep[] {
  const asks = new Set(circuit.devices.filter(({ kind }) => kindOf(kind).asks).map(({ id }) => id));
  const held = Object.fromEntries(Object.entries(controls).filter(([id]) => !asks.has(id)));
  return [{ at: 0, controls: held }, ...callScript(circuit, call, seconds, caller)];
}
