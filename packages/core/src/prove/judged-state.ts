/** A settled state with what is read off it once, for every property to judge. */
import type { LoadReading, Settled } from '../behaviour';
import { readLoads } from '../behaviour';
import type { Network, NodeClasses } from '../network';
import { classifyNodes } from '../network';
import type { Case } from './cases';
import type { PropertyId } from './properties';

export interface Violation {
  property: PropertyId;
  /** Device, load or conductor it is about. */
  about: string;
  text: string;
}

/** One property about one thing: what a finding is known by. */
export const keyOf = ({ property, about }: Pick<Violation, 'property' | 'about'>) => `${property} ${about}`;

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

export const labelOf = ({ circuit }: Network, id: string): string =>
  circuit.devices.find((device) => device.id === id)!.label;

export const titles = (loads: readonly LoadReading[]) => loads.map(({ title }) => title).join(', ');

/** "14.6 A" */
export const inAmps = (amps: number) => `${amps.toFixed(amps < 10 ? 1 : 0)} A`;
