/** Why something changed at an instant, and the instant told in a technician's words. */
import { nodeName } from '../circuit';
import type { Network } from '../network';
import { loadPath, voltsBetween } from '../network';
import type { LoadReading } from './loads';
import { capital, listed } from './phrases';
import { CALL_VOLTS } from './scene';
import type { LaneKind, Occasion, Snapshot } from './snapshot';

interface Shown {
  kind: LaneKind;
  id: string;
  device: string;
  on: boolean;
}

/** Contacts that are not as they were, by branch. */
function movedContacts({ before, after }: Occasion) {
  return after.contacts.filter(({ isClosed }, i) => before.contacts[i]!.isClosed !== isClosed);
}

/** Contacts a load's current passes. */
function contactsOnWay(network: Network, { settled, contacts }: Snapshot, branch: number) {
  const steps = loadPath(network, settled.point.choice, branch)?.steps ?? [];
  return steps.flatMap((step) => contacts.find((contact) => contact.branch === step.branch) ?? []);
}

/** Terminals of a device at which control voltage came or went. */
function terminalNews(network: Network, { before, after }: Occasion, id: string): string | null {
  const installed = network.devices.find(({ device }) => device.id === id)!;
  const designations = installed.kind.designations(installed.context.params);
  const common = designations.find(({ role }) => role === 'common');
  if (!common) return null;
  const has = ({ settled }: Snapshot, mark: string) =>
    voltsBetween(settled.point, `${id}.${mark}`, `${id}.${common.mark}`) >= CALL_VOLTS;
  for (const { mark, role } of designations) {
    if (role !== 'call' && role !== 'hot') continue;
    const now = has(after, mark);
    if (now !== has(before, mark)) return now ? `24 V arrives at ${mark}` : `24 V leaves ${mark}`;
  }
  return null;
}

function reasonForLoad(network: Network, load: LoadReading, occasion: Occasion): string | null {
  const { before, after } = occasion;
  const moved = movedContacts(occasion);
  // A load that goes off was fed the way it was fed before.
  const way = contactsOnWay(network, load.energised ? after : before, load.branch);
  const found = moved.filter(({ branch }) => way.some((contact) => contact.branch === branch));
  if (found.length > 0)
    return listed([
      ...new Set(found.map(({ title, isClosed }) => `${title} ${isClosed ? 'closes' : 'opens'}`)),
    ]);
  return null;
}

/** Why a lane changed: a delay that ran out, a hand, a contact on the way, volts that came or went. */
export function reasonFor(network: Network, { kind, id, device, on }: Shown, occasion: Occasion): string {
  const { before, after, steps, expired } = occasion;
  const due = expired.find((wait) => wait.device === device);
  if (due) return due.done ?? due.text;
  const set = steps.find(({ controls }) => controls?.[device]);
  if (set?.text) return set.text;
  if (kind === 'load') {
    const load = after.loads.find(
      (reading) => reading.device === device && `${device}/${reading.id}` === id,
    )!;
    const way = reasonForLoad(network, load, occasion);
    if (way) return way;
  }
  const own = after.loads.findIndex(
    (load, i) => load.device === device && before.loads[i]!.energised !== load.energised,
  );
  if (kind !== 'load' && own >= 0) {
    const { title, energised } = after.loads[own]!;
    return `${title} ${energised ? 'gets its volts' : 'loses its volts'}`;
  }
  return terminalNews(network, occasion, device) ?? (on ? 'follows at once' : 'ends with it');
}

/** Volts from which a supply is called line voltage in words. */
const LINE_FROM = 60;

/** "24 V from Transformer R through Board fuse and Thermostat R–Y to Contactor, back to Transformer C" */
function wayInWords(network: Network, snapshot: Snapshot, load: LoadReading): string | null {
  const path = loadPath(network, snapshot.settled.point.choice, load.branch);
  if (!path) return null;
  const name = (node: number) => {
    const point = network.nodes[node]!;
    const [device] = point.split('#');
    const label = network.circuit.devices.find(({ id }) => id === device)?.label;
    return point.includes('#') && label ? label : nodeName(network.circuit, point);
  };
  const from = name(path.hot);
  const contacts = contactsOnWay(network, snapshot, load.branch).map(({ title }) => title);
  const through = [...new Set(contacts)].filter((title) => title !== from);
  const what = load.volts >= LINE_FROM ? 'Line voltage' : '24 V';
  const by = through.length > 0 ? ` through ${listed(through)}` : '';
  return `${what} from ${from}${by} to ${load.title}, back to ${name(path.common)}`;
}

/** The sentences of an instant: what was done, what ran out, what came on and what went off. */
export function wordsOf(network: Network, occasion: Occasion): string[] {
  const { before, after, steps, expired } = occasion;
  const sentences = steps.flatMap(({ text }) => (text ? [`${text}.`] : []));
  const labels = new Map(network.circuit.devices.map(({ id, label }) => [id, label]));
  const changed = after.loads.filter((load, i) => load.energised !== before.loads[i]!.energised);
  const stirred = new Set(
    after.contacts.flatMap((contact, i) =>
      before.contacts[i]!.isClosed !== contact.isClosed ? [contact.device] : [],
    ),
  );
  for (const { device, text, done = text } of expired)
    if (stirred.has(device) || changed.some((load) => load.device === device))
      sentences.push(`${labels.get(device)!}: ${done}.`);
  for (const load of changed.filter(({ energised }) => energised)) {
    const way = wayInWords(network, after, load);
    sentences.push(way ? `${way}: ${load.title} on.` : `${load.title} on.`);
  }
  for (const load of changed.filter(({ energised }) => !energised)) {
    const why = reasonForLoad(network, load, occasion);
    sentences.push(`${capital(load.title)} off${why ? `: ${why}` : ''}.`);
  }
  return sentences;
}
