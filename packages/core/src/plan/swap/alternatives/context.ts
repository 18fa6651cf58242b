/** What every way of landing a thermostat starts from, and what a way is. */
import type { Circuit, TerminalId } from '../../../circuit';
import { findDevice, splitTerminal } from '../../../circuit';
import type { Facts } from '../../field/functions';
import type { Part, SpareUsed } from '../../field/part';
import type { Allocation, Candidate, Need } from '../landing';
import { allocate, exchangeThermostat, landAll } from '../landing';
import type { Loss } from '../reason';
import type { SwapRequest } from '../swap-request';

/** What a way of landing a thermostat comes to, with what its name tells. */
export type Method =
  | { id: 'as-is' | 'fan-to-common' | 'isolation-relay' | 'wireless' | 'batteries' }
  | { id: 'spare'; spares: readonly SpareUsed[] }
  /** Marks of the calls that share a conductor. */
  | { id: 'share'; calls: readonly [string, string] }
  | {
      id: 'plug-in';
      /** The plug's hot is on a screw of its own, not on the unit's. */
      apart: boolean;
    }
  | { id: 'new-cable'; conductors: number };

/** One way of doing it, before it has been proven. */
export interface Alternative {
  method: Method;
  circuit: Circuit;
  thermostat: string;
  given: Allocation['given'];
  /** What must be brought. */
  parts: readonly Part[];
  /** Minutes beyond the landings themselves, from memory. */
  extraMinutes: number;
  lost: readonly Loss[];
}

/** What every way starts from. */
export interface SwapContext {
  circuit: Circuit;
  facts: Facts;
  wish: SwapRequest;
  needs: readonly Need[];
  candidates: readonly Candidate[];
  allocation: Allocation;
}

/** Minutes each way takes beyond its landings, from memory. */
export const MINUTES = {
  adapter: 15,
  relay: 20,
  plugIn: 10,
  wireless: 25,
} as const;
/** The place a terminal is at. */
export const stationOf = (circuit: Circuit, terminal: TerminalId) =>
  findDevice(circuit, splitTerminal(terminal).deviceId)!.station;

/** The new thermostat with its allocation landed, and nothing else. */
export function plain({
  circuit,
  facts,
  wish,
  allocation,
}: SwapContext): Pick<Alternative, 'circuit' | 'thermostat' | 'given'> {
  const fresh = exchangeThermostat(circuit, facts, wish);
  return {
    ...fresh,
    circuit: landAll(fresh.circuit, fresh.thermostat, facts, allocation),
    given: allocation.given,
  };
}

/** What is needed but for C, and who carries it: for ways that bring power otherwise. */
export const withoutCommon = ({ needs, candidates }: SwapContext): Allocation =>
  allocate(
    needs.filter(({ role }) => role !== 'common'),
    candidates,
  );

/** Who carries a role. */
export const givenFor = (given: Allocation['given'], role: Need['role']) =>
  given.find(({ need }) => need.role === role);
