/** Cutting devices into a conductor, one after another. */
import type { Circuit, Device, End, TerminalId } from '../../circuit';
import {
  addDevice,
  findConductor,
  findDevice,
  freeDeviceId,
  land,
  landedOn,
  splitTerminal,
} from '../../circuit';
import { elementsOf, fill, kindOf } from '../../devices';
import { addLeads } from '../field/cable';

/** A device to be cut in. */
export interface Added {
  kind: string;
  label: string;
  params?: Device['params'];
  /** One that is there already, with nothing landed on its contact: a pump whose overflow switch was never wired. */
  device?: string;
}

/** Where a powered one gets its supply. */
export interface Feed {
  hot: TerminalId;
  common: TerminalId;
}

/** The two terminals of a kind between which its contact is there to open. */
export function seriesTerminals(kind: string, mains: Circuit['mains']): [string, string] | null {
  const found = kindOf(kind);
  const elements = elementsOf({ kind, params: {}, settings: {} }, mains);
  const contact = elements.find(({ id }) => found.interrupts.includes(id));
  return contact?.kind === 'branch' ? [contact.a, contact.b] : null;
}

/** Safeties of a circuit with nothing landed on either side of their contact: they stop nothing. */
export const unwiredSafeties = (circuit: Circuit): (Added & { device: string })[] =>
  circuit.devices.flatMap(({ id, kind, label }) => {
    const through = kindOf(kind).safety ? seriesTerminals(kind, circuit.mains) : null;
    const wired = through?.some((mark) => landedOn(circuit, `${id}.${mark}`).length > 0) ?? true;
    return wired ? [] : [{ kind, label, device: id }];
  });

/**
 * Cuts a device into a conductor at one of its ends: the conductor moves to the device, a lead goes on to
 * where it was. A device with a supply of its own is fed from `supply`.
 *
 * @throws RangeError when the end is not landed or the kind has no contact to pass through.
 */
export function insertInSeries(
  circuit: Circuit,
  { kind, label, params = {}, device: there }: Added,
  at: { conductor: string; end: End },
  supply: Feed | null,
): { circuit: Circuit; device: string } {
  const conductor = findConductor(circuit, at.conductor);
  const terminal = conductor?.[at.end];
  const through = seriesTerminals(kind, circuit.mains);
  if (!conductor || !terminal || !through)
    throw new RangeError(
      'A device is put into a landed conductor, and must have a contact that is closed at rest.',
    );
  const device = there ?? freeDeviceId(circuit, kind.split('-')[0]!);
  const { station } = findDevice(circuit, splitTerminal(terminal).deviceId)!;
  const added = there
    ? circuit
    : addDevice(circuit, { id: device, kind, station, label, params, settings: {} });
  const moved = land(added, conductor.id, at.end, `${device}.${through[1]}`);
  const marks = kindOf(kind).designations(fill(kindOf(kind).params, params));
  const needs = (role: 'hot' | 'common') => marks.find((entry) => entry.role === role)?.mark;
  const [hot, common] = [needs('hot'), needs('common')];
  return {
    device,
    circuit: addLeads(moved, `${device}Leads`, `${label} leads`, [
      [conductor.colour, terminal, `${device}.${through[0]}`],
      ...(supply && hot && common && !there
        ? ([
            ['RD', supply.hot, `${device}.${hot}`],
            ['BU', supply.common, `${device}.${common}`],
          ] as const)
        : []),
    ]),
  };
}
