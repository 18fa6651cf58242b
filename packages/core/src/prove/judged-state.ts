/** A settled state with what is read off it once, for every property to judge. */
import type { LoadReading, Settled } from '../behaviour';
import { readLoads } from '../behaviour';
import type { Network, NodeClasses } from '../network';
import { classifyNodes } from '../network';
import type { Case } from './cases';

/** The most volts each coil had in the moments it could pull in, by branch. */
export type Pulls = ReadonlyMap<number, number>;

/** Where each transformer carried most on the way to a state: dampers that move take more than at their end. */
export type Busiest = ReadonlyMap<string, Settled>;

export interface JudgedState {
  network: Network;
  subject: Case;
  settled: Settled;
  pulls: Pulls;
  busiest: Busiest;
  loads: readonly LoadReading[];
  seen: NodeClasses;
}

export const judgedState = (
  network: Network,
  subject: Case,
  settled: Settled,
  pulls: Pulls,
  busiest: Busiest = new Map(),
): JudgedState => ({
  network,
  subject,
  settled,
  pulls,
  busiest,
  loads: readLoads(network, settled),
  seen: classifyNodes(settled.point),
});

export const titles = (loads: readonly LoadReading[]): string[] => loads.map(({ title }) => title);
