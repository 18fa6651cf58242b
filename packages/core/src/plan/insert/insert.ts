/** Adding a device: in series into a conductor, or in parallel between a call and common. */
import type { Circuit, End, TerminalId } from '../../circuit';
import {
  addDevice,
  freeDeviceId,
  findConductor,
  findDevice,
  land,
  otherEnd,
  splitTerminal,
} from '../../circuit';
import { PARTS, fill, kindOf } from '../../devices';
import type { Asked, Finding, Proof, Situation, Trip } from '../../prove';
import { asksOf, prove, runCase, supply, tripsOf } from '../../prove';
import type { ConductorFunction } from '../field/functions';
import { factsOf, leadsOn } from '../field/functions';
import { harmOf } from '../harm';
import { addLeads } from '../field/cable';
import { commonAt } from '../field/common';

/** The two terminals of a kind between which its contact is there to open. */
export function seriesTerminals(kind: string, mains: Circuit['mains']): [string, string] | null {
  const found = kindOf(kind);
  const context = { params: fill(found.params, {}), settings: fill(found.settings, {}), mains };
  const contact = found.elements(context).find(({ id }) => found.interrupts.includes(id));
  return contact?.kind === 'branch' ? [contact.a, contact.b] : null;
}

/**
 * Cuts a device into a conductor at one of its ends: the conductor moves to the device, a lead goes on to
 * where it was. A device with a supply of its own is fed from `supply`.
 *
 * @throws RangeError when the end is not landed or the kind has no contact to pass through.
 */
export function insertInSeries(
  circuit: Circuit,
  { kind, label }: { kind: string; label: string },
  at: { conductor: string; end: End },
  supply: { hot: TerminalId; common: TerminalId } | null,
): { circuit: Circuit; device: string } {
  const conductor = findConductor(circuit, at.conductor);
  const terminal = conductor?.[at.end];
  const through = seriesTerminals(kind, circuit.mains);
  if (!conductor || !terminal || !through)
    throw new RangeError(
      'A device is put into a landed conductor, and must have a contact that is closed at rest.',
    );
  const device = freeDeviceId(circuit, kind.split('-')[0]!);
  const { station } = findDevice(circuit, splitTerminal(terminal).deviceId)!;
  const added = addDevice(circuit, { id: device, kind, station, label, params: {}, settings: {} });
  const moved = land(added, conductor.id, at.end, `${device}.${through[1]}`);
  const marks = kindOf(kind).designations(fill(kindOf(kind).params, {}));
  const needs = (role: 'hot' | 'common') => marks.find((entry) => entry.role === role)?.mark;
  const [hot, common] = [needs('hot'), needs('common')];
  return {
    device,
    circuit: addLeads(moved, `${device}Leads`, `${label} leads`, [
      [conductor.colour, terminal, `${device}.${through[0]}`],
      ...(supply && hot && common
        ? ([
            ['RD', supply.hot, `${device}.${hot}`],
            ['BU', supply.common, `${device}.${common}`],
          ] as const)
        : []),
    ]),
  };
}

/** What a trip does to one call. */
export interface Tripped {
  situation: Situation;
  stops: readonly string[];
  goesOn: readonly string[];
  /** The thermostat goes blank, and so tells. */
  blank: boolean;
}

export interface Insertion {
  /** The school: which of the two it breaks. */
  id: 'R' | 'Y';
  /** The conductor it is cut into, at the unit. */
  into: string;
  circuit: Circuit;
  device: string;
  tripped: readonly Tripped[];
  proof: Proof;
  /** What it would violate that is not violated now; nothing with any of it is proposed. */
  adds: readonly Finding[];
}

/** Calls looked at when a safety trips. */
const CALLS: readonly string[] = ['cool', 'heat', 'fan'];

/** What stops and what goes on when a device trips, for every call. */
export function whatTripDoes(circuit: Circuit, trip: Trip): Tripped[] {
  const supplied = supply(circuit, 1);
  const { network } = supplied;
  const asks = asksOf(circuit);
  const run = (asked: Asked, tripped: Trip | null) => {
    const { steady, look } = runCase(supplied, { asked, trip: tripped, mains: 1 });
    const on = look.loads.filter(({ energised }) => energised);
    const blank = network.devices.some(
      ({ kind, device }) => kind.asks && steady.world.states[device.id]!.powered !== true,
    );
    return { on: new Set(on.map(({ title }) => title)), blank };
  };
  return asks
    .filter(({ id }) => CALLS.includes(id))
    .flatMap((asked): Tripped[] => {
      const [before, after] = [run(asked, null), run(asked, trip)];
      if (before.on.size === 0) return [];
      const all = [...before.on];
      return [
        {
          situation: asked.situation,
          stops: all.filter((title) => !after.on.has(title)),
          goesOn: all.filter((title) => after.on.has(title)),
          blank: after.blank,
        },
      ];
    });
}

const SCHOOLS: readonly { id: 'R' | 'Y'; role: ConductorFunction }[] = [
  { id: 'R', role: 'hot' },
  { id: 'Y', role: 'Y' },
];

/** A safety in R and in Y, the two schools, each worked through the model. */
export function planSafety(
  circuit: Circuit,
  thermostat: string,
  added: { kind: string; label: string },
): Insertion[] {
  const { leads } = factsOf(circuit, thermostat);
  const hot = leads.find(({ role }) => role === 'hot');
  const common = hot ? commonAt(circuit, hot) : null;
  const now = prove(circuit)!;
  return SCHOOLS.flatMap(({ id, role }): Insertion[] => {
    const lead = leads.find((entry) => entry.role === role && entry.far !== null);
    if (!lead) return [];
    const supply = hot?.far && common ? { hot: hot.far, common } : null;
    const placed = insertInSeries(
      circuit,
      added,
      { conductor: lead.conductor.id, end: otherEnd(lead.end) },
      supply,
    );
    const proof = prove(placed.circuit)!;
    const trip = tripsOf(placed.circuit).find(({ device }) => device === placed.device);
    return [
      {
        id,
        into: lead.conductor.id,
        ...placed,
        tripped: trip ? whatTripDoes(placed.circuit, trip) : [],
        proof,
        adds: harmOf(now, proof),
      },
    ];
  });
}

/** Puts a two-terminal load across a call at the unit, so that it runs with it. */
export function insertInParallel(
  circuit: Circuit,
  load: { kind: string; label: string; params: Record<string, number | string>; terminals: [string, string] },
  across: { call: TerminalId; common: TerminalId },
): { circuit: Circuit; device: string } {
  const device = freeDeviceId(circuit, load.kind.split('-')[0]!);
  const { station } = findDevice(circuit, splitTerminal(across.call).deviceId)!;
  const { kind, label, params } = load;
  const added = addDevice(circuit, { id: device, kind, station, label, params, settings: {} });
  return {
    device,
    circuit: addLeads(added, `${device}Leads`, `${label} leads`, [
      ['BN', across.call, `${device}.${load.terminals[0]}`],
      ['BU', across.common, `${device}.${load.terminals[1]}`],
    ]),
  };
}

const RUNS_WITH = { W: 'heat', Y: 'cool', G: 'fan' } as const;

/** A relay that runs with a call, across that call and common at the unit; `null` where the unit gives neither. */
export function addRelay(
  circuit: Circuit,
  thermostat: string,
  role: keyof typeof RUNS_WITH,
  label: string,
): Circuit | null {
  const { leads } = factsOf(circuit, thermostat);
  const call = leads.find((lead) => lead.role === role)?.far;
  const hot = leads.find((lead) => lead.role === 'hot');
  const common = hot ? commonAt(circuit, hot) : null;
  if (!call || !common) return null;
  const load = {
    kind: PARTS.relay,
    label,
    params: { serves: RUNS_WITH[role] },
    terminals: ['A1', 'A2'] as [string, string],
  };
  return insertInParallel(circuit, load, { call, common }).circuit;
}

/** A second thermostat in parallel, terminal to terminal with the first at the unit, on a cable of its own. */
export function addParallelThermostat(
  circuit: Circuit,
  thermostat: string,
  place: { station: string; lengthM: number },
): { circuit: Circuit; device: string } {
  const first = findDevice(circuit, thermostat)!;
  const device = freeDeviceId(circuit, thermostat);
  const added = addDevice(circuit, {
    ...first,
    id: device,
    station: place.station,
    label: `Second ${first.label.charAt(0).toLowerCase()}${first.label.slice(1)}`,
  });
  const landed = leadsOn(circuit, thermostat).flatMap(({ mark, far, conductor }) =>
    far === null ? [] : [[conductor.colour, `${device}.${mark}`, far] as const],
  );
  return {
    device,
    circuit: addLeads(added, `${device}Cable`, 'Second thermostat cable', landed, place.lengthM),
  };
}
