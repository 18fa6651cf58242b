/**
 * The jackets at a detector, one after another: what each does is found by taking it off in the model and seeing what
 * changes, at rest, in a call, and with the detector in alarm. What is off, and what that leaves unprotected, likewise.
 */
import type { Inputs } from '../behaviour';
import { holding, untilSteady, NEW_WORLD, facesOf, energisedLoads } from '../behaviour';
import type { Cable, Circuit, End, TerminalId } from '../circuit';
import { ENDS, findConductor, findDevice, hasTerminal, land, lift, splitTerminal } from '../circuit';
import { kindOf } from '../devices';
import { compile } from '../network';
import type { Asked, Trip } from '../prove';
import { LONGEST_S, asksOf, tripsOf } from '../prove';

/** An end of a conductor and the terminal it was found on. */
export interface Landed {
  conductor: string;
  end: End;
  terminal: TerminalId;
}

/** A cable as it comes to a device. */
export interface Jacket {
  cable: string;
  landed: readonly Landed[];
}

/** What a jacket is there for. `on` feeds another detector; `hold` is a thermostat’s circuit on its way through; `calls` carries what the unit is called with. */
export const JACKET_FUNCTIONS = ['power', 'on', 'loop', 'hold', 'station', 'calls', 'nothing'] as const;
export type JacketFunction = (typeof JACKET_FUNCTIONS)[number];

/** Whether a cable goes anywhere: leads from one device to another of the same place are no jacket. */
function leaves(circuit: Circuit, { conductors }: Cable): boolean {
  const stationOf = (terminal: TerminalId) => findDevice(circuit, splitTerminal(terminal).deviceId)?.station;
  return conductors.some(({ from, to }) => from === null || to === null || stationOf(from) !== stationOf(to));
}

/** Every jacket with a conductor on a device, in the order of the document. */
export const jacketsAt = (circuit: Circuit, device: string): Jacket[] =>
  circuit.cables.flatMap((cable): Jacket[] => {
    const landed = cable.conductors.flatMap((conductor) =>
      ENDS.flatMap((end): Landed[] => {
        const terminal = conductor[end];
        return terminal !== null && splitTerminal(terminal).deviceId === device
          ? [{ conductor: conductor.id, end, terminal }]
          : [];
      }),
    );
    return landed.length > 0 && leaves(circuit, cable) ? [{ cable: cable.id, landed }] : [];
  });

/** A circuit with all of a jacket's ends taken off. */
export const unlandedJacket = (circuit: Circuit, landed: readonly Landed[]): Circuit =>
  landed.reduce((now, { conductor, end }) => lift(now, conductor, end), circuit);

/** And put back where they were; a conductor or a terminal that is no longer there is passed over. */
export const relandedJacket = (circuit: Circuit, landed: readonly Landed[]): Circuit =>
  landed.reduce(
    (now, { conductor, end, terminal }) =>
      findConductor(now, conductor) && hasTerminal(now, terminal) ? land(now, conductor, end, terminal) : now,
    circuit,
  );

/** Calls that show what a conductor carries: at rest, and one of each kind. */
function situationsOf(circuit: Circuit): Inputs[] {
  const seen = new Set<string>();
  return asksOf(circuit)
    .filter(({ before, until, calls }) => {
      const key = calls.join();
      const fresh = !before && !until && !seen.has(key);
      if (fresh) seen.add(key);
      return fresh;
    })
    .map(({ inputs }) => inputs);
}

/** What every device shows and every load does, situation by situation. */
type Seen = readonly ReadonlyMap<string, string>[];

function seenIn(circuit: Circuit, situations: readonly Inputs[]): Seen {
  const network = compile(circuit);
  return situations.map((inputs) => {
    const settled = untilSteady(network, inputs, NEW_WORLD, LONGEST_S);
    const faces = [...facesOf(network, inputs, settled.world)].map(([id, { text }]) => [id, text] as const);
    const on = new Map<string, string[]>();
    for (const { device, load } of energisedLoads(network, settled))
      on.set(device, [...(on.get(device) ?? []), load.id]);
    return new Map([...faces, ...[...on].map(([device, loads]) => [`${device}/`, loads.join()] as const)]);
  });
}

/** Devices that show or do something else, whatever the situation. */
function changedIn(before: Seen, after: Seen): Set<string> {
  const changed = new Set<string>();
  before.forEach((was, i) => {
    const is = after[i]!;
    for (const key of new Set([...was.keys(), ...is.keys()]))
      if (was.get(key) !== is.get(key)) changed.add(key.replace(/\/$/, ''));
  });
  return changed;
}

export interface JacketEffect {
  does: JacketFunction;
  /** Devices that show or do something else with it off, the device itself among them. */
  changes: readonly string[];
}

const tripOf = (circuit: Circuit, device: string): Trip | undefined =>
  tripsOf(circuit).find((trip) => trip.device === device);

/** What a jacket at a device does: what changes when all of it is taken off. */
export function jacketEffect(circuit: Circuit, device: string, { landed }: Jacket): JacketEffect {
  const trip = tripOf(circuit, device);
  const rest = situationsOf(circuit);
  const situations = [
    ...rest,
    ...(trip
      ? rest.slice(0, 2).map((inputs) => holding(inputs, { [trip.device]: { [trip.control]: trip.value } }))
      : []),
  ];
  const off = unlandedJacket(circuit, landed);
  const changed = changedIn(seenIn(circuit, situations), seenIn(off, situations));
  const kinds = [...changed].flatMap((id) => {
    const found = findDevice(circuit, id);
    return found ? [{ id, kind: kindOf(found.kind) }] : [];
  });
  const does: JacketFunction = changed.has(device)
    ? 'power'
    : kinds.some(({ kind }) => kind.loopContacts)
      ? 'on'
      : kinds.some(({ kind }) => kind.supervises)
        ? 'loop'
        : kinds.some(({ kind }) => kind.asks)
          ? 'hold'
          : kinds.some(({ kind }) => kind.tells)
            ? 'station'
            : kinds.length > 0
              ? 'calls'
              : 'nothing';
  return { does, changes: kinds.map(({ id }) => id) };
}

/** A protection that was there and is not: the detector no longer stops what it did, or the panel no longer hears it. */
export type Lost = { device: string; lost: 'stops' | 'panel' };

/** Everything that runs in a call with a detector tripped, and how the panels read then. */
function tripped(circuit: Circuit, { inputs }: Asked, trip: Trip) {
  const network = compile(circuit);
  const held = holding(inputs, { [trip.device]: { [trip.control]: trip.value } });
  const settled = untilSteady(network, held, NEW_WORLD, LONGEST_S);
  const alarms = network.devices.some(
    ({ device, kind }) => kind.supervises?.reads(settled.world.states[device.id]!) === 'alarm',
  );
  return {
    runs: energisedLoads(network, settled).map(({ device, load }) => `${device}/${load.id}`),
    alarms,
  };
}

/**
 * What of the detectors' protection is gone in a circuit that was another before: run with each of them tripped, in every
 * call.
 *
 * @param heirs - by detector that was taken out, the one that must do all that it did.
 */
export function protectionLost(
  before: Circuit,
  now: Circuit,
  heirs: Readonly<Record<string, string>> = {},
): Lost[] {
  const asks = asksOf(before).filter(({ withTrips }) => withTrips);
  return tripsOf(before)
    .filter(({ device }) => kindOf(findDevice(before, device)!.kind).loopContacts)
    .flatMap((trip): Lost[] => {
      const heir = tripOf(now, heirs[trip.device] ?? trip.device);
      if (!heir) return (['stops', 'panel'] as const).map((lost) => ({ device: trip.device, lost }));
      const pairs = asks.map((asked) => ({
        was: tripped(before, asked, trip),
        is: tripped(now, asked, heir),
      }));
      const stops = pairs.some(({ was, is }) => is.runs.some((load) => !was.runs.includes(load)));
      const panel = pairs.some(({ was, is }) => was.alarms && !is.alarms);
      return [
        ...(stops ? [{ device: trip.device, lost: 'stops' } as const] : []),
        ...(panel ? [{ device: trip.device, lost: 'panel' } as const] : []),
      ];
    });
}
