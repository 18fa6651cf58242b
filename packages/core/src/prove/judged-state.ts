/** A settled state with what is read off it once, for every property to judge. */
import type { LoadReading, Settled } from '../behaviour';
import { readLoads } from '../behaviour';
import type { Network, NodeClasses } from '../network';
import { classifyNodes } from '../network';
import type { Case } from './cases';

/** The most volts each coil had in the moments it could pull in, by branch. */
export type Pulls = ReadonlyMap<number, number>;

export interface JudgedState {
  network: Network;
  subject: Case;
  settled: Settled;
  pulls: Pulls;
  loads: readonly LoadReading[];
  seen: NodeClasses;
}

export const judgedState = (
  network: Network,
  subject: Case,
  settled: Settled,
  pulls: Pulls,
): JudgedState => ({
  network,
  subject,
  settled,
  pulls,
  loads: readLoads(network, settled),
  seen: classifyNodes(settled.point),
});

export const titles = (loads: readonly LoadReading[]): string[] => loads.map(({ title }) => title);
