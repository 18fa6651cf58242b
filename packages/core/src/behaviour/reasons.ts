/** Why something changed at an instant, and what happened there, as codes with the names things have on the job. */
import type { Network } from '../network';
import { loadPath, voltsBetween } from '../network';
import type { LoadReading } from './loads';
import { CALL_VOLTS } from './scene';
import type { ScriptEvent } from './script';
import type { LaneKind, Occasion, Snapshot } from './snapshot';

/** A contact that moved. */
export interface Moved {
  title: string;
  isClosed: boolean;
}

export type Reason =
  | { type: 'start' }
  /** A delay ran out; in the device's own words. */
  | { type: 'ran-out'; words: string }
  | { type: 'set'; event: ScriptEvent }
  | { type: 'contacts'; moved: readonly Moved[] }
  /** Volts came to or left a load of the same device, or one of its terminals. */
  | { type: 'load-volts'; load: string; arrive: boolean }
  | { type: 'terminal-volts'; mark: string; arrive: boolean }
  | { type: 'follows'; on: boolean };

/** The way a load is fed: nodes it begins and ends at, the contacts between, and volts at the load. */
export interface FedBy {
  hot: string;
  through: readonly string[];
  common: string;
  volts: number;
}

/** One thing that happened at an instant. */
export type Happening =
  | { type: 'set'; event: ScriptEvent }
  | { type: 'ran-out'; device: string; words: string }
  | { type: 'on'; load: string; fedBy: FedBy | null }
  | { type: 'off'; load: string; moved: readonly Moved[] };

interface Shown {
  kind: LaneKind;
  id: string;
  device: string;
  on: boolean;
}

/** Contacts that are not as they were. */
function movedContacts({ before, after }: Occasion) {
  return after.contacts.filter(({ isClosed }, i) => before.contacts[i]!.isClosed !== isClosed);
}

/** Contacts a load's current passes. */
function contactsOnWay(network: Network, { settled, contacts }: Snapshot, branch: number) {
  const steps = loadPath(network, settled.point.choice, branch)?.steps ?? [];
  return steps.flatMap((step) => contacts.find((contact) => contact.branch === step.branch) ?? []);
}

/** A terminal of a device at which control voltage came or went. */
function terminalNews(network: Network, { before, after }: Occasion, id: string): Reason | null {
  const installed = network.devices.find(({ device }) => device.id === id)!;
  const designations = installed.kind.designations(installed.context.params);
  const common = designations.find(({ role }) => role === 'common');
  if (!common) return null;
  const has = ({ settled }: Snapshot, mark: string) =>
    voltsBetween(settled.point, `${id}.${mark}`, `${id}.${common.mark}`) >= CALL_VOLTS;
  for (const { mark, role } of designations) {
    if (role !== 'call' && role !== 'hot') continue;
    const arrive = has(after, mark);
    if (arrive !== has(before, mark)) return { type: 'terminal-volts', mark, arrive };
  }
  return null;
}

/** Contacts on a load's way that moved, each once. */
function movedOnWay(network: Network, load: LoadReading, occasion: Occasion): Moved[] {
  const { before, after } = occasion;
  // A load that goes off was fed the way it was fed before.
  const way = contactsOnWay(network, load.energised ? after : before, load.branch);
  const found = movedContacts(occasion).filter(({ branch }) =>
    way.some((contact) => contact.branch === branch),
  );
  const told = new Map(
    found.map(({ title, isClosed }) => [`${title} ${isClosed}`, { title, isClosed }] as const),
  );
  return [...told.values()];
}

/** Why a lane changed: a delay that ran out, a hand, a contact on the way, volts that came or went. */
export function reasonFor(network: Network, { kind, id, device, on }: Shown, occasion: Occasion): Reason {
  const { before, after, steps, expired } = occasion;
  const due = expired.find((wait) => wait.device === device);
  if (due) return { type: 'ran-out', words: due.done ?? due.text };
  const event = steps.find(({ controls }) => controls?.[device])?.event;
  if (event) return { type: 'set', event };
  if (kind === 'load') {
    const load = after.loads.find(
      (reading) => reading.device === device && `${device}/${reading.id}` === id,
    )!;
    const moved = movedOnWay(network, load, occasion);
    if (moved.length > 0) return { type: 'contacts', moved };
  }
  const own = after.loads.findIndex(
    (load, i) => load.device === device && before.loads[i]!.energised !== load.energised,
  );
  if (kind !== 'load' && own >= 0) {
    const { title, energised } = after.loads[own]!;
    return { type: 'load-volts', load: title, arrive: energised };
  }
  return terminalNews(network, occasion, device) ?? { type: 'follows', on };
}

function fedBy(network: Network, snapshot: Snapshot, load: LoadReading): FedBy | null {
  const path = loadPath(network, snapshot.settled.point.choice, load.branch);
  if (!path) return null;
  const contacts = contactsOnWay(network, snapshot, load.branch).map(({ title }) => title);
  return {
    hot: network.nodes[path.hot]!,
    through: [...new Set(contacts)],
    common: network.nodes[path.common]!,
    volts: load.volts,
  };
}

/** What was done at an instant, what ran out, what came on and what went off. */
export function happeningsOf(network: Network, occasion: Occasion): Happening[] {
  const { before, after, steps, expired } = occasion;
  const changed = after.loads.filter((load, i) => load.energised !== before.loads[i]!.energised);
  const stirred = new Set(movedContacts(occasion).map(({ device }) => device));
  return [
    ...steps.flatMap(({ event }): Happening[] => (event ? [{ type: 'set', event }] : [])),
    ...expired
      .filter(({ device }) => stirred.has(device) || changed.some((load) => load.device === device))
      .map(({ device, text, done = text }): Happening => ({ type: 'ran-out', device, words: done })),
    ...changed
      .filter(({ energised }) => energised)
      .map((load): Happening => ({
        type: 'on',
        load: load.title,
        fedBy: fedBy(network, after, load),
      })),
    ...changed
      .filter(({ energised }) => !energised)
      .map((load): Happening => ({
        type: 'off',
        load: load.title,
        moved: movedOnWay(network, load, occasion),
      })),
  ];
}
