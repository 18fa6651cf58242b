/**
 * The rungs of a circuit, read off its network: for every load, the contacts its current meets
 * in order from the hot side to the common, with the ways beside them.
 */
import type { Contact } from './contacts';
import { contactsOf } from './contacts';
import type { Inputs } from './inputs';
import { settle } from './settle';
import { inputMark } from '../devices';
import type { Choice, LoadPath, Network, Step } from '../network';
import { loadPath, restingChoice } from '../network';

/** A place on a rung where a probe can be put. */
export interface Stop {
  node: string;
  device: string;
  mark: string;
}

/** One part of a rung: a stop, a conductor or jumper to the next stop, a contact, or the load. */
export type Piece =
  | { type: 'stop'; stop: Stop }
  | { type: 'wire'; conductor: string | null }
  | { type: 'contact'; contact: RungContact }
  | { type: 'load'; load: string; device: string; title: string };

/** A contact with how it stands while nothing calls. */
export interface RungContact extends Contact {
  restsClosed: boolean;
}

export interface Rung {
  /** `device/load`. */
  id: string;
  title: string;
  /** From the rail to where the ways part, the ways side by side, and on to the other rail. */
  before: readonly Piece[];
  ways: readonly (readonly Piece[])[];
  after: readonly Piece[];
}

export interface Section {
  /** Device that supplies it. */
  supply: string;
  title: string;
  line: boolean;
  /** What stands between the supply and the hot rail, from the supply on: its fuse, its pole. */
  trunk: readonly Piece[];
  rungs: readonly Rung[];
}

/** Nothing set by hand, and air in which nothing calls. */
const AT_REST: Inputs = { controls: {}, conditions: { indoorC: 22, outdoorC: 20 } };

/** Ways besides the first that are looked for, so that no circuit takes long. */
const MOST_WAYS = 4;

interface Load {
  id: string;
  device: string;
  title: string;
  branch: number;
}

/** Every load a person would name, and the primaries of the transformers. */
function loadsOf(network: Network): Load[] {
  return network.devices.flatMap(({ device, kind, context, branches }) => {
    const loads = kind.loads(context).map((load): Load => ({
      id: `${device.id}/${load.id}`,
      device: device.id,
      title: load.title && !load.title.startsWith(device.label) ? load.title : device.label,
      branch: branches.get(load.element)!,
    }));
    // What is no load to a person still has a rung: a primary, a thermostat's supply, a board's inputs.
    for (const [element, branch] of branches) {
      const input = inputMark(element);
      const title = input ? `${device.label} ${input}` : device.label;
      if (input || element === kind.primary?.core || element === kind.livesOn?.wire)
        loads.push({ id: `${device.id}/${element}`, device: device.id, title, branch });
    }
    return loads;
  });
}

/** All contacts closed but those in `open`, whatever the circuit does now. */
function choiceWith(network: Network, contacts: readonly Contact[], open: ReadonlySet<number>): Choice {
  const choice = restingChoice(network);
  for (const { branch, closed } of contacts) choice[branch] = open.has(branch) ? 1 - closed : closed;
  return choice;
}

const wayKey = ({ steps }: LoadPath, isContact: ReadonlySet<number>) =>
  steps
    .filter(({ branch }) => isContact.has(branch))
    .map(({ branch }) => branch)
    .join();

/** The first way of a load's current and those beside it. */
function waysOf(network: Network, contacts: readonly Contact[], branch: number): LoadPath[] {
  const isContact = new Set(contacts.map((contact) => contact.branch));
  const first = loadPath(network, choiceWith(network, contacts, new Set()), branch);
  if (!first) return [];
  const ways = new Map([[wayKey(first, isContact), first]]);
  for (const step of first.steps) {
    if (!isContact.has(step.branch) || ways.size > MOST_WAYS) continue;
    const other = loadPath(network, choiceWith(network, contacts, new Set([step.branch])), branch);
    const whole = other && other.hot === first.hot && other.steps.every(({ closed }) => closed);
    if (whole) ways.set(wayKey(other, isContact), ways.get(wayKey(other, isContact)) ?? other);
  }
  return [...ways.values()];
}

/** Reads the pieces of consecutive steps. */
function piecesOf(
  network: Network,
  contacts: ReadonlyMap<number, RungContact>,
  load: Load,
  steps: readonly Step[],
): Piece[] {
  const labels = new Map(network.circuit.devices.map(({ id, label }) => [id, label]));
  const stopAt = (node: number): Piece[] => {
    const name = network.nodes[node]!;
    const [device = '', mark = ''] = name.split('.');
    return name.includes('#') || !labels.has(device)
      ? []
      : [{ type: 'stop', stop: { node: name, device, mark } }];
  };
  return steps.flatMap(({ branch, to }): Piece[] => {
    const contact = contacts.get(branch);
    const { origin } = network.branches[branch]!;
    if (branch === load.branch)
      return [{ type: 'load', load: load.id, device: load.device, title: load.title }, ...stopAt(to)];
    if (contact) return [{ type: 'contact', contact }, ...stopAt(to)];
    if (origin.type === 'conductor') return [{ type: 'wire', conductor: origin.conductor }, ...stopAt(to)];
    return origin.type === 'device' ? stopAt(to) : [{ type: 'wire', conductor: null }, ...stopAt(to)];
  });
}

/** How many steps several ways have in common from one end. */
function shared(ways: readonly (readonly Step[])[]): number {
  const [first = [], ...others] = ways;
  const differs = first.findIndex((step, i) => others.some((way) => way[i]?.branch !== step.branch));
  return differs < 0 ? first.length : differs;
}

const reversed = <T>(items: readonly T[]): T[] => [...items].reverse();

function rungOf(
  network: Network,
  contacts: ReadonlyMap<number, RungContact>,
  load: Load,
  ways: readonly LoadPath[],
  trunk: number,
): Rung {
  const steps = ways.map((way) => way.steps.slice(trunk));
  const start = shared(steps);
  const rest = steps.map((way) => way.slice(start));
  const end = ways.length > 1 ? Math.min(shared(rest.map(reversed)), ...rest.map((way) => way.length)) : 0;
  const read = (part: readonly Step[]) => piecesOf(network, contacts, load, part);
  const first = rest[0]!;
  return {
    id: load.id,
    title: load.title,
    before: read(steps[0]!.slice(0, start)),
    ways: ways.length > 1 ? rest.map((way) => read(way.slice(0, way.length - end))) : [],
    after: read(first.slice(first.length - end)),
  };
}

/** Every section of the ladder, line voltage first. */
export function sectionsOf(network: Network): Section[] {
  const atRest = settle(network, AT_REST).point.choice;
  const contacts = contactsOf(network).map((contact): RungContact => ({
    ...contact,
    restsClosed: atRest[contact.branch] === contact.closed,
  }));
  const byBranch = new Map(contacts.map((contact) => [contact.branch, contact]));
  const found = loadsOf(network).flatMap((load) => {
    const ways = waysOf(network, contacts, load.branch);
    return ways.length > 0 ? [{ load, ways }] : [];
  });
  const secondaries = new Set(network.secondaries.map(({ hot }) => hot));
  const groups = new Map<number, typeof found>();
  for (const entry of found) {
    const { hot } = entry.ways[0]!;
    groups.set(hot, [...(groups.get(hot) ?? []), entry]);
  }
  return [...groups]
    .map(([hot, entries]): Section => {
      const all = entries.flatMap(({ ways }) => ways.map(({ steps }) => steps));
      // A supply with a single rung keeps its contacts on the rung.
      const trunk = entries.length > 1 ? shared(all) : 0;
      const supply = network.nodes[hot]!.split(/[.#]/)[0]!;
      const label = network.circuit.devices.find(({ id }) => id === supply)!.label;
      return {
        supply,
        title: label,
        line: !secondaries.has(hot),
        trunk: piecesOf(network, byBranch, entries[0]!.load, all[0]!.slice(0, trunk)),
        rungs: entries.map(({ load, ways }) => rungOf(network, byBranch, load, ways, trunk)),
      };
    })
    .sort((one, other) => Number(other.line) - Number(one.line));
}
