/** The states a circuit works in, for the sums: every call at one supply, settled. */
import type { Settled } from '../../behaviour';
import type { Circuit } from '../../circuit';
import type { Choice, Network } from '../../network';
import type { Asked } from '../../prove';
import { asksOf, runCase, supply } from '../../prove';

export interface Worked {
  asked: Asked;
  /** When nobody is kept waiting any more. */
  settled: Settled;
  /** Where each transformer carried most on the way. */
  busiest: ReadonlyMap<string, Settled>;
  /** Every choice of positions on the way there, in order. */
  passed: readonly Choice[];
}

export interface Working {
  network: Network;
  /** Where contacts and coils are with no call. */
  rest: Choice;
  states: readonly Worked[];
}

/** Mains at their lowest, a share of nominal: what coils must still pull in at. */
export const LOW_MAINS = 0.9;

/** Runs the states of the proof without trips of a circuit, or some of them, at a share of its mains, its conductors at a temperature in °C. */
export function workingStates(
  circuit: Circuit,
  share = 1,
  copperC?: number,
  asks: readonly Asked[] = asksOf(circuit),
): Working {
  const supplied = supply(circuit, share, copperC);
  const states = asks.map((asked): Worked => {
    const { steady, passed, busiest } = runCase(supplied, { asked, trip: null, mains: share });
    return { asked, passed, busiest, settled: steady };
  });
  return { network: supplied.network, rest: supplied.rest.point.choice, states };
}

/** Coils that this state holds in and rest does not: the ones that pull in with its call. */
export function coilsPulledIn({ network, rest }: Working, { settled }: Worked): number[] {
  return network.branches.flatMap(({ positions }, b) => {
    const sealed = positions.indexOf('sealed');
    const inrush = positions.indexOf('inrush');
    return inrush >= 0 && settled.point.choice[b] === sealed && rest[b] !== sealed ? [b] : [];
  });
}
