/**
 * The states a circuit is looked at in: a call made at the thermostat, from rest, until nothing is counting any more; and
 * what a person tries in it: power off, a jumper held across two terminals, a conductor's end lifted.
 */
import type { Inputs } from '../behaviour';
import type { Circuit, End, TerminalId } from '../circuit';
import { ENDS, findConductor, hasTerminal } from '../circuit';
import { kindOf } from '../devices';
import type { Alteration } from '../network';
import { TOUCHING_OHMS } from '../network';
import { asksOf, powerOff } from '../prove';
import { jumperPlaces } from './jumpers';

export interface OperatingState {
  id: string;
  inputs: Inputs;
  /** What is tried in it. */
  tried: Tried;
  /** What that does to the network. */
  alteration: Alteration;
}

/** A call, and what is done besides. */
export interface Tried {
  call: string;
  powerOff: boolean;
  jumper: readonly [TerminalId, TerminalId] | null;
  lifted: readonly { conductor: string; end: End }[];
}

/** The call of nothing. */
export const NOTHING_CALLED = 'off';

/** Proof states that are plain calls, every stage of them, and what they are called here. */
const CALLS: Readonly<Record<string, string>> = {
  off: NOTHING_CALLED,
  fan: 'fan',
  'heat-far': 'heat',
  'cool-far': 'cool',
};

const PART = ' + ';
const POWER_OFF = 'power off';

/** The id of a state in which something is tried: "off + jumper board.R board.G", "off + power off". */
export const stateId = ({ call, ...tried }: Partial<Tried> & { call: string }): string =>
  [
    call,
    ...(tried.powerOff ? [POWER_OFF] : []),
    ...(tried.jumper ? [`jumper ${tried.jumper.join(' ')}`] : []),
    ...(tried.lifted ?? []).map(({ conductor, end }) => `lift ${conductor} ${end}`),
  ].join(PART);

/** What is tried in a state; `null` where its id tells of nothing that can be. */
export function triedIn(id: string): Tried | null {
  const [call, ...parts] = id.split(PART);
  const tried: Tried & { lifted: { conductor: string; end: End }[] } = {
    call: call!,
    powerOff: false,
    jumper: null,
    lifted: [],
  };
  for (const part of parts) {
    const [verb, one, other] = part.split(' ');
    if (part === POWER_OFF) tried.powerOff = true;
    else if (verb === 'jumper' && one && other) tried.jumper = [one, other];
    else if (verb === 'lift' && one && ENDS.includes(other as End))
      tried.lifted.push({ conductor: one, end: other as End });
    else return null;
  }
  return tried;
}

/** A call in which nothing is tried. */
export const plainState = (id: string, inputs: Inputs): OperatingState => ({
  id,
  inputs,
  tried: { call: id, powerOff: false, jumper: null, lifted: [] },
  alteration: {},
});

/** Nothing called first, then fan, heat and cooling, as far as a circuit's thermostats can ask for them. */
export const callStates = (circuit: Circuit): OperatingState[] =>
  asksOf(circuit).flatMap(({ id, inputs }) => {
    const call = CALLS[id];
    return call ? [plainState(call, inputs)] : [];
  });

/**
 * What may be tried besides calls: the power off, for ohms; and with nothing called a jumper from hot to each call of a
 * block that does the work of one. Whether a jumper does no harm is for who proposes it to see.
 */
export const trialsOf = (circuit: Circuit): string[] => [
  stateId({ call: NOTHING_CALLED, powerOff: true }),
  ...jumperPlaces(circuit).flatMap(({ device, pair, to }) =>
    to === 'call' && !kindOf(device.kind).asks ? [stateId({ call: NOTHING_CALLED, jumper: pair })] : [],
  ),
];

/** A state by its id, with what is tried in it; `null` where the circuit has no such call, terminal or conductor. */
export function stateOf(
  circuit: Circuit,
  calls: readonly OperatingState[],
  id: string,
): OperatingState | null {
  const tried = triedIn(id);
  const call = calls.find((state) => state.id === tried?.call);
  if (!tried || !call) return null;
  if (tried.jumper && !tried.jumper.every((terminal) => hasTerminal(circuit, terminal))) return null;
  if (!tried.lifted.every(({ conductor }) => findConductor(circuit, conductor))) return null;
  return {
    id,
    inputs: tried.powerOff ? powerOff(circuit, call.inputs) : call.inputs,
    tried,
    alteration: {
      positions: Object.fromEntries(tried.lifted.map(({ conductor }) => [`wire:${conductor}`, 'open'])),
      bridges: tried.jumper ? [{ red: tried.jumper[0], black: tried.jumper[1], ohms: TOUCHING_OHMS }] : [],
    },
  };
}
