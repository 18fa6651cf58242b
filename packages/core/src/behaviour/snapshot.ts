/** What a circuit shows at one instant, and what led from one to the next. */
import type { Face } from '../devices';
import type { Network } from '../network';
import type { DeviceWait } from './round';
import type { Contact } from './contacts';
import { facesOf } from './faces';
import type { Inputs } from './inputs';
import type { LoadReading } from './loads';
import { readLoads } from './loads';
import type { ScriptStep } from './script';
import type { Settled } from './world';

export type LaneKind = 'load' | 'contact' | 'message';

/** What a circuit shows at one instant, by lane id. */
export interface Snapshot {
  settled: Settled;
  inputs: Inputs;
  loads: readonly LoadReading[];
  contacts: readonly (Contact & { isClosed: boolean })[];
  faces: ReadonlyMap<string, Face>;
}

/** What led to an instant. */
export interface Occasion {
  before: Snapshot;
  after: Snapshot;
  steps: readonly ScriptStep[];
  expired: readonly DeviceWait[];
}

/** What a settled circuit shows. */
export function snapshot(
  network: Network,
  contacts: readonly Contact[],
  inputs: Inputs,
  settled: Settled,
): Snapshot {
  const { point, world } = settled;
  return {
    settled,
    inputs,
    loads: readLoads(network, settled),
    contacts: contacts.map((contact) => ({
      ...contact,
      isClosed: point.choice[contact.branch] === contact.closed,
    })),
    faces: facesOf(network, inputs, world),
  };
}
