/** The states a circuit is looked at in: a call made at the thermostat, from rest, until nothing is counting any more. */
import type { Inputs } from '../behaviour';
import type { Circuit } from '../circuit';
import { asksOf } from '../prove';

export interface OperatingState {
  id: string;
  inputs: Inputs;
}

/** Proof states that are plain calls, every stage of them, and what they are called here. */
const CALLS: Readonly<Record<string, string>> = {
  off: 'off',
  fan: 'fan',
  'heat-far': 'heat',
  'cool-far': 'cool',
};

/** Nothing called first, then fan, heat and cooling, as far as a circuit's thermostats can ask for them. */
export const callStates = (circuit: Circuit): OperatingState[] =>
  asksOf(circuit).flatMap(({ id, inputs }) => (CALLS[id] ? [{ id: CALLS[id], inputs }] : []));
