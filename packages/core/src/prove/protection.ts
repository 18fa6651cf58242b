/** What a bypass leaves unguarded, and what still guards it: run, call by call, with the jumper in. */
import { energisedLoads } from '../behaviour';
import type { Circuit, TerminalId } from '../circuit';
import { addLink, hasTerminal } from '../circuit';
import type { Notice } from '../devices';
import { elementsOf, kindOf, noticesOf } from '../devices';
import type { Asked, Trip } from './cases';
import { asksOf, tripsOf } from './cases';
import { runCase, supply } from './supplied';

/** A safety's contact by the two terminals a jumper would lie across. */
export interface Contact {
  device: string;
  pair: readonly [TerminalId, TerminalId];
}

/** Every contact that is there to open, by its own terminals. */
export const contactsOf = ({ devices, mains }: Circuit): Contact[] =>
  devices.flatMap((device) => {
    const { id, kind } = device;
    const { interrupts } = kindOf(kind);
    return elementsOf(device, mains).flatMap((element): Contact[] =>
      element.kind === 'branch' && interrupts.includes(element.id)
        ? [{ device: id, pair: [`${id}.${element.a}`, `${id}.${element.b}`] }]
        : [],
    );
  });

/** Jumpers that lie right across a contact of a safety: with them in it stops nothing, whatever it is there to stop. */
const cleared = (circuit: Circuit, contacts: readonly Contact[]): Circuit => ({
  ...circuit,
  links: circuit.links.filter(
    ({ joins }) => !contacts.some(({ pair }) => pair.every((terminal) => joins.includes(terminal))),
  ),
});

/** The circuit with a jumper across every contact of a safety. */
const jumpered = (circuit: Circuit, contacts: readonly Contact[]): Circuit =>
  contacts.reduce(
    (now, { device, pair }, i) =>
      addLink(now, { id: `${BYPASS}${device}:${i}`, kind: 'jumper', joins: [...pair] }),
    circuit,
  );

const BYPASS = 'bypass:';

/**
 * The circuit as it is while safeties are bypassed: a jumper across every contact of each that has terminals for one.
 *
 * @param devices - ids of what is bypassed; what is not there is left out.
 */
export function withBypasses(circuit: Circuit, devices: readonly string[]): Circuit {
  const isThere = ({ device, pair }: Contact) =>
    devices.includes(device) && pair.every((terminal) => hasTerminal(circuit, terminal));
  const contacts = contactsOf(circuit).filter(isThere);
  return contacts.length === 0 ? circuit : jumpered(cleared(circuit, contacts), contacts);
}

export interface Protection {
  /** Loads it stops by itself, by `device/load`, in some call: they go on while it is bypassed. */
  unguarded: readonly string[];
  /** Safeties that notice all that it notices and stop all of that, in every call. */
  still: readonly string[];
}

/** What runs in a call with a safety tripped, or none. */
function runningIn(circuit: Circuit) {
  const supplied = supply(circuit, 1);
  return (asked: Asked, trip: Trip | null): ReadonlySet<string> => {
    const { steady } = runCase(supplied, { asked, trip, mains: 1 });
    const on = energisedLoads(supplied.network, steady);
    return new Set(on.map(({ device, load }) => `${device}/${load.id}`));
  };
}

/** What is noticed only where it is: a detector in another duct, or with its caps on, knows nothing of this one's smoke. */
const OF_ITS_PLACE: ReadonlySet<Notice> = new Set(['smoke']);

/** What a safety notices; nothing where a device is none. */
function noticedBy({ devices }: Circuit, id: string): readonly Notice[] {
  const device = devices.find((one) => one.id === id);
  return device ? noticesOf(kindOf(device.kind), device.params) : [];
}

/** What opens by hand what is no safety but an interlock: a door off, a switch thrown. */
function openedBy({ devices }: Circuit, id: string): Trip | undefined {
  const device = devices.find((one) => one.id === id);
  const isolates = device && kindOf(device.kind).isolates;
  return isolates && { device: id, control: isolates.control, value: isolates.off };
}

/**
 * What a safety stops in this circuit, and which others would with a jumper across it.
 *
 * @param others - safeties that are bypassed too: they protect nothing, whatever the circuit says.
 * @returns `null` where the model cannot say: nothing trips it, its contact has no terminals to jump, or it stops nothing
 * as it is wired.
 */
export function protectionWithout(
  circuit: Circuit,
  device: string,
  others: readonly string[] = [],
): Protection | null {
  const contacts = contactsOf(circuit).filter((contact) => contact.device === device);
  const own = tripsOf(circuit).find((trip) => trip.device === device) ?? openedBy(circuit, device);
  const reached = contacts.every(({ pair }) => pair.every((terminal) => hasTerminal(circuit, terminal)));
  if (!own || !reached) return null;
  const whole = cleared(circuit, contacts);
  const asks = asksOf(whole).filter(({ withTrips }) => withTrips);
  const sound = runningIn(whole);
  const stops = asks.map((asked) => {
    const left = sound(asked, own);
    return [...sound(asked, null)].filter((load) => !left.has(load));
  });
  const unguarded = [...new Set(stops.flat())];
  if (unguarded.length === 0) return null;
  const bypassed = runningIn(jumpered(whole, contacts));
  const notices = noticedBy(circuit, device);
  const alike = tripsOf(circuit).filter(({ device: other }) => {
    const noticed = noticedBy(circuit, other);
    const stands =
      notices.length > 0 && notices.every((notice) => noticed.includes(notice) && !OF_ITS_PLACE.has(notice));
    return stands && other !== device && !others.includes(other);
  });
  const guards = (trip: Trip) =>
    asks.every((asked, i) => {
      const runs = bypassed(asked, trip);
      return stops[i]!.every((load) => !runs.has(load));
    });
  return { unguarded, still: alike.filter(guards).map((trip) => trip.device) };
}
