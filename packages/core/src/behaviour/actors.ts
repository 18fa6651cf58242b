/** The devices of a network under inputs that stay as they are, prepared to be asked. */
import type { Moment } from '../devices';
import type { Installed, Network } from '../network';
import type { Inputs } from './inputs';
import { momentOf } from './moment';

/** A device with what does not change while inputs stay as they are. */
export interface Actor {
  installed: Installed;
  id: string;
  /** What it is told; the time is set anew for every instant. */
  moment: Moment;
  /** Branches with positions to choose, with the index of each position. */
  movable: readonly { branch: number; element: string; positions: readonly string[] }[];
  /** Node index by local name, found once. */
  nodes: Map<string, number>;
}

/** The devices of a network under unchanged inputs; made once for a stretch of time. */
export type Actors = readonly Actor[];

/** What of the actors is the same whatever the inputs and whatever is held, by the devices of a network. */
const parts = new WeakMap<Network['devices'], readonly Omit<Actor, 'moment'>[]>();

function partsOf(network: Network): readonly Omit<Actor, 'moment'>[] {
  const known = parts.get(network.devices);
  if (known) return known;
  const made = network.devices.map((installed) => ({
    installed,
    id: installed.device.id,
    movable: [...installed.branches].flatMap(([element, branch]) => {
      const { positions, natural } = network.branches[branch]!;
      return natural > 1 ? [{ branch, element, positions }] : [];
    }),
    nodes: new Map<string, number>(),
  }));
  parts.set(network.devices, made);
  return made;
}

/** Actors by what they were made of: a dictionary puts many faults of one network through the same inputs. */
const prepared = new WeakMap<Inputs, WeakMap<Network['devices'], Actors>>();

/** The devices of a network under inputs; their moments are told the time anew by whoever uses them. */
export function actorsOf(network: Network, inputs: Inputs): Actors {
  const byDevices = prepared.get(inputs) ?? new WeakMap<Network['devices'], Actors>();
  prepared.set(inputs, byDevices);
  const known = byDevices.get(network.devices);
  if (known) return known;
  const made = partsOf(network).map((part) => ({ ...part, moment: momentOf(part.installed, inputs, 0) }));
  byDevices.set(network.devices, made);
  return made;
}
