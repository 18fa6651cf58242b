/** What every way of landing a thermostat starts from, and what a way is. */
import type { Circuit, TerminalId } from '../../../circuit';
import { findDevice, splitTerminal } from '../../../circuit';
import type { Facts } from '../../field/functions';
import type { Allocation, Candidate, Need } from '../landing';
import { allocate, exchangeThermostat, landAll } from '../landing';
import type { SwapRequest } from '../swap-request';

export type AlternativeId =
  | 'as-is'
  | 'spare'
  | 'share'
  | 'fan-to-common'
  | 'plug-in'
  | 'isolation-relay'
  | 'new-cable'
  | 'wireless'
  | 'batteries';

/** One way of doing it, before it has been proven. */
export interface Alternative {
  id: AlternativeId;
  title: string;
  circuit: Circuit;
  thermostat: string;
  given: Allocation['given'];
  /** What must be brought. */
  parts: readonly string[];
  /** Minutes beyond the landings themselves, from memory. */
  extraMinutes: number;
  lost: readonly string[];
  lookOut: readonly string[];
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
