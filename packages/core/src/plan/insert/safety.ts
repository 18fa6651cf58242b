/** Safeties put in series, one or several, wherever the circuit can be broken; each place worked through the model. */
import type { Circuit, TerminalId } from '../../circuit';
import {
  addDevice,
  addLink,
  freeLinkId,
  findConductor,
  findDevice,
  freeDeviceId,
  splitTerminal,
} from '../../circuit';
import { PARTS, elementsOf, kindOf, noticesWater } from '../../devices';
import type { Finding, Proof } from '../../prove';
import { contactsOf, protectionWithout, prove, supply, tripsOf } from '../../prove';
import { addLeads } from '../field/cable';
import type { Part } from '../field/part';
import { pigtailed } from '../field/pigtail';
import { harmOf } from '../harm';
import type { Flooded, Tripped } from './effects';
import { floodedIn, opensInADay, whatTripDoes } from './effects';
import type { Place, PlaceId } from './places';
import { placesOf } from './places';
import type { Added } from './series';
import { insertInSeries } from './series';

export interface SafetyWish {
  /** In the order in which the current meets them. */
  added: readonly Added[];
  /** Their alarm contacts sound a sounder; otherwise they stay unused, each insulated. */
  sounder: boolean;
}

/** What still stops everything that one safety stops, while that one is bypassed. */
export interface Covered {
  device: string;
  still: readonly string[];
}

export interface Insertion {
  id: PlaceId;
  /** The conductor it is cut into, and the terminal it was on there. */
  into: string;
  at: TerminalId;
  circuit: Circuit;
  /** Connectors for screws that would hold too much. */
  parts: readonly Part[];
  devices: readonly string[];
  /** What the first of them does when it trips, and whether each of the others does the same. */
  tripped: readonly Tripped[];
  alike: boolean;
  /** Of those with a supply of their own, which keep it while they are tripped. */
  supplied: readonly { device: string; keeps: boolean }[];
  /** Those that stay tripped until somebody resets them. */
  latched: readonly string[];
  covered: readonly Covered[];
  flooded: readonly Flooded[];
  /** How often in a day one opens in cooling on a drain that is nearly blocked. */
  opensInADay: number;
  /** Alarm contacts that nothing is landed on: each is insulated on its own. */
  insulated: readonly TerminalId[];
  proof: Proof;
  /** What it would violate that is not violated now; nothing with any of it is proposed. */
  adds: readonly Finding[];
}

/** Why a place is recommended over the others. */
export type PlaceReason =
  /** No other stops the water in every call. */
  | 'only-dry'
  /** Of those that stop everything there is to stop, it tells. */
  | 'tells'
  /** Of those, it leaves most running. */
  | 'leaves-most';

export interface SafetyPlan {
  /** What is recommended first, the others as the current meets them. */
  insertions: readonly Insertion[];
  /** Water as it is now, without what is added. */
  today: readonly Flooded[];
  recommended: { id: PlaceId; into: string; reason: PlaceReason } | null;
}

/** By device, the terminal of the contact that closes when it trips. */
const alarmsOf = ({ devices, mains }: Circuit, ids: readonly string[]): TerminalId[] =>
  devices.flatMap((device) => {
    const { alarm } = kindOf(device.kind);
    if (alarm === undefined || !ids.includes(device.id)) return [];
    const contact = elementsOf(device, mains).find((element) => element.id === alarm);
    return contact?.kind === 'branch' ? [`${device.id}.${contact.b}`] : [];
  });

/** A sounder from the alarm contacts to common. */
function withSounder(circuit: Circuit, alarms: readonly TerminalId[], common: TerminalId): Circuit {
  const id = freeDeviceId(circuit, PARTS.sounder);
  const { station } = findDevice(circuit, splitTerminal(alarms[0]!).deviceId)!;
  const added = addDevice(circuit, {
    id,
    kind: PARTS.sounder,
    station,
    label: 'Sounder',
    params: {},
    settings: {},
  });
  return addLeads(added, `${id}Leads`, 'Sounder leads', [
    ...alarms.map((alarm) => ['OG', alarm, `${id}.1`] as const),
    ['BU', `${id}.2`, common],
  ]);
}

/** Puts every safety of a wish into one place, in order. */
function chain(circuit: Circuit, place: Place, wish: SafetyWish) {
  let made = circuit;
  const devices: string[] = [];
  for (const added of wish.added) {
    const placed = insertInSeries(made, added, place, place.feed);
    made = placed.circuit;
    devices.push(placed.device);
  }
  const alarms = alarmsOf(made, devices);
  const common = wish.sounder && alarms.length > 0 ? place.feed?.common : undefined;
  return {
    devices,
    ...pigtailed(circuit, common === undefined ? made : withSounder(made, alarms, common)),
    insulated: common === undefined ? alarms : [],
  };
}

const isWet = (added: readonly Added[]) =>
  added.some(({ kind, params = {} }) => noticesWater(kindOf(kind), params));

/** Less than this is a wet rim and no wet ceiling, l. */
const DRY_LITRES = 0.05;

const same = (one: unknown, other: unknown) => JSON.stringify(one) === JSON.stringify(other);
/** What a trip stops, whichever device it is of. */
const stopped = (tripped: readonly Tripped[]) => tripped.map(({ stops, goesOn }) => ({ stops, goesOn }));

/** The circuit with a jumper across every contact of some devices. */
const bypassing = (circuit: Circuit, devices: readonly string[]): Circuit =>
  contactsOf(circuit)
    .filter(({ device }) => devices.includes(device))
    .reduce(
      (now, { pair }) => addLink(now, { id: freeLinkId(now), kind: 'jumper', joins: [...pair] }),
      circuit,
    );

/** For each in a row, which of the others still stop all it stops; of water only those that alone keep it as dry. */
function coveredIn(circuit: Circuit, row: readonly string[], flooded: readonly Flooded[]): Covered[] {
  if (row.length < 2) return [];
  const asDry = row.filter((alone) => {
    if (flooded.length === 0) return true;
    const others = bypassing(
      circuit,
      row.filter((id) => id !== alone),
    );
    const then = floodedIn(others, supply(others, 1));
    return then.every(({ litres }, i) => litres <= flooded[i]!.litres + DRY_LITRES);
  });
  return row.map((device) => ({
    device,
    still: (protectionWithout(circuit, device)?.still ?? []).filter(
      (id) => !row.includes(id) || asDry.includes(id),
    ),
  }));
}

function insertAt(circuit: Circuit, now: Proof, place: Place, wish: SafetyWish): Insertion {
  const at = findConductor(circuit, place.conductor)![place.end]!;
  const made = chain(circuit, place, wish);
  const supplied = supply(made.circuit, 1);
  const proof = prove(made.circuit)!;
  const trips = tripsOf(made.circuit).filter(({ device }) => made.devices.includes(device));
  const tripped = trips.map((trip) => whatTripDoes(made.circuit, trip, supplied));
  const wet = isWet(wish.added);
  const flooded = wet ? floodedIn(made.circuit, supplied) : [];
  return {
    id: place.id,
    into: place.conductor,
    at,
    ...made,
    tripped: tripped[0] ?? [],
    supplied: trips.flatMap(({ device }, i) => {
      const keeps = tripped[i]!.map(({ keepsSupply }) => keepsSupply);
      return keeps.includes(null) ? [] : [{ device, keeps: keeps.every((kept) => kept === true) }];
    }),
    latched: trips.flatMap(({ device }, i) =>
      tripped[i]!.some(({ stops, againS }) => stops.length > 0 && againS === null) ? [device] : [],
    ),
    alike: tripped.every((other) => same(stopped(other), stopped(tripped[0]!))),
    covered: coveredIn(made.circuit, made.devices, flooded),
    flooded,
    opensInADay: wet ? Math.max(...made.devices.map((id) => opensInADay(made.circuit, id, supplied))) : 0,
    proof,
    adds: harmOf(now, proof),
  };
}

/** A coil at which a safety does just what it does elsewhere is left out: the other place is at hand sooner. */
const isOther = (insertion: Insertion, i: number, all: readonly Insertion[]) =>
  insertion.id !== 'load' ||
  !all
    .slice(0, i)
    .some(({ tripped, flooded }) => same(tripped, insertion.tripped) && same(flooded, insertion.flooded));

export const staysDry = ({ flooded }: Pick<Insertion, 'flooded'>): boolean =>
  flooded.every(({ litres }) => litres < DRY_LITRES);
const tells = ({ tripped }: Insertion) => tripped.every(({ told }) => told);
const left = ({ tripped }: Insertion) => tripped.reduce((sum, { goesOn }) => sum + goesOn.length, 0);
const lit = ({ supplied }: Insertion) => supplied.every(({ keeps }) => keeps);

/** Of two that do alike: where the unit keeps its lamp, and where it is at hand. */
const AT_HAND: readonly PlaceId[] = ['R', 'outdoor', 'Y', 'load', 'ahead'];

/** The place that suits what the job holds: dry first, then told, then as much left running as may be. */
function recommend(insertions: readonly Insertion[]): SafetyPlan['recommended'] {
  const sound = insertions.filter(({ adds }) => adds.length === 0);
  const dry = sound.filter(staysDry);
  if (dry.length === 0) return null;
  const telling = dry.filter((one) => tells(one) && lit(one));
  const among = telling.length > 0 ? telling : dry;
  const [best] = [...among].sort(
    (one, other) => left(other) - left(one) || AT_HAND.indexOf(one.id) - AT_HAND.indexOf(other.id),
  );
  const reason: PlaceReason =
    dry.length === 1 && sound.length > 1
      ? 'only-dry'
      : telling.length > 0 && telling.length < dry.length
        ? 'tells'
        : 'leaves-most';
  return { id: best!.id, into: best!.into, reason };
}

/** Whoever waits is told how far it is; `false` stops it. */
type Placing = (done: number, all: number) => boolean;

/**
 * Safeties in every place the circuit can be broken.
 *
 * @returns `undefined` when it was stopped.
 */
export function planSafety(
  circuit: Circuit,
  thermostat: string,
  wish: SafetyWish,
  tell: Placing = () => true,
): SafetyPlan | undefined {
  const plain = supply(circuit, 1);
  const places = placesOf(circuit, thermostat, plain);
  const wet = isWet(wish.added);
  const now = prove(circuit)!;
  const insertions: Insertion[] = [];
  for (const place of places) {
    if (!tell(insertions.length, places.length)) return undefined;
    insertions.push(insertAt(circuit, now, place, wish));
  }
  const others = insertions.filter(isOther);
  const recommended = recommend(others);
  const isBest = ({ id, into }: Insertion) => id === recommended?.id && into === recommended.into;
  return {
    insertions: [...others.filter(isBest), ...others.filter((one) => !isBest(one))],
    today: wet ? floodedIn(circuit, plain) : [],
    recommended,
  };
}
