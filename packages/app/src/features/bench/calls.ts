/** The calls of the control strip: what each sets on the thermostats and in the room. */
import type { Inputs } from '@zygostat/core/behaviour';
import type { Circuit, Device } from '@zygostat/core/circuit';
import type { Value } from '@zygostat/core/devices';
import { marksOf } from '@zygostat/core/circuit';
import { kindOf } from '@zygostat/core/devices';

export type Call = 'off' | 'fan' | 'cool' | 'heat';

/** How far a call sets the room from the set point when it would not be one, K. */
const DEMAND_K = 3.5;

/** Whatever asks for heat, cooling or fan. */
export const thermostatsOf = ({ devices }: Circuit) => devices.filter(({ kind }) => kindOf(kind).asks);

/** Of these whatever has screws: a remote has none. */
export const wiredThermostats = (circuit: Circuit) =>
  thermostatsOf(circuit).filter((device) => marksOf(device).length > 0);

/** Whether a unit stands here in two halves with a run between them. */
export const isInHalves = ({ devices }: Circuit) => devices.some(({ kind }) => kindOf(kind).interconnect);

const controlOf = (inputs: Inputs, { id, kind }: Device, name: string): Value =>
  inputs.controls[id]?.[name] ?? kindOf(kind).controls[name]!.default;

/** Which calls the first thermostat is set to; the others follow it. */
export function activeCalls(circuit: Circuit, inputs: Inputs): ReadonlySet<Call> {
  const [first] = thermostatsOf(circuit);
  if (first === undefined) return new Set();
  return callsOf(inputs, first);
}

/** Which calls the thermostats of one zone are set to, as their first is. */
export function zoneCalls(circuit: Circuit, inputs: Inputs, stats: readonly string[]): ReadonlySet<Call> {
  const first = circuit.devices.find(({ id }) => id === stats[0]);
  return first ? callsOf(inputs, first) : new Set();
}

/**
 * What pressing a call for some thermostats alone changes: each keeps the room it is in, so the set point moves, not the
 * temperature.
 */
export function pressZone(
  circuit: Circuit,
  inputs: Inputs,
  stats: readonly string[],
  call: Call,
): Change['controls'] {
  const active = zoneCalls(circuit, inputs, stats);
  const set = (name: string, value: Value) => stats.map((device) => ({ device, name, value }));
  if (call === 'off') return [...set('mode', 'off'), ...set('fan', 'auto')];
  if (call === 'fan') return set('fan', active.has('fan') ? 'auto' : 'on');
  if (active.has(call)) return set('mode', 'off');
  const { indoorC } = inputs.conditions;
  return [...set('mode', call), ...set('setC', call === 'cool' ? indoorC - DEMAND_K : indoorC + DEMAND_K)];
}

export function setPointOf(circuit: Circuit, inputs: Inputs): number | null {
  const [first] = thermostatsOf(circuit);
  return first === undefined ? null : Number(controlOf(inputs, first, 'setC'));
}

/** Which calls one thermostat is set to. */
function callsOf(inputs: Inputs, stat: Device): Set<Call> {
  const mode = controlOf(inputs, stat, 'mode');
  const calls = new Set<Call>();
  if (controlOf(inputs, stat, 'fan') === 'on') calls.add('fan');
  if (mode === 'cool' || mode === 'heat') calls.add(mode);
  if (mode === 'emergency') calls.add('heat');
  if (calls.size === 0) calls.add('off');
  return calls;
}

interface Change {
  controls: { device: string; name: string; value: Value }[];
  indoorC?: number;
}

/** What pressing a call changes. Fan comes and goes by itself; heat and cool exclude each other. */
export function pressCall(circuit: Circuit, inputs: Inputs, call: Call): Change {
  const active = activeCalls(circuit, inputs);
  const set = (name: string, value: Value) =>
    thermostatsOf(circuit).map(({ id }) => ({ device: id, name, value }));
  if (call === 'off') return { controls: [...set('mode', 'off'), ...set('fan', 'auto')] };
  if (call === 'fan') return { controls: set('fan', active.has('fan') ? 'auto' : 'on') };
  if (active.has(call)) return { controls: set('mode', 'off') };
  const setC = setPointOf(circuit, inputs) ?? 22;
  const { indoorC } = inputs.conditions;
  const calling = call === 'cool' ? indoorC > setC : indoorC < setC;
  const controls = set('mode', call);
  return calling ? { controls } : { controls, indoorC: call === 'cool' ? setC + DEMAND_K : setC - DEMAND_K };
}
