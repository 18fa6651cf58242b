/** The terminals of a circuit: how they are named, and what they are by the marks of their device. */
import type { Designation } from '../devices';
import { fill, findKind } from '../devices';
import type { Circuit, Device, TerminalId } from './types';

/** Splits `board.R` into the device's id and the mark. */
export function splitTerminal(terminal: TerminalId): { deviceId: string; mark: string } {
  const dot = terminal.indexOf('.');
  return dot < 0
    ? { deviceId: terminal, mark: '' }
    : { deviceId: terminal.slice(0, dot), mark: terminal.slice(dot + 1) };
}

/** Proof, repair and drawing ask for them over and over, and a device document never changes. */
const known = new WeakMap<Device, ReadonlyMap<string, Designation>>();

function byMark(device: Device): ReadonlyMap<string, Designation> {
  const before = known.get(device);
  if (before) return before;
  const kind = findKind(device.kind);
  const all = kind?.designations(fill(kind.params, device.params)) ?? [];
  const made = new Map(all.map((one) => [one.mark, one]));
  known.set(device, made);
  return made;
}

/** Designations of a device's terminals, in their order; of a device that the catalogue does not know, none. */
export const designationsOf = (device: Device): readonly Designation[] => [...byMark(device).values()];

/** Marks of a device's terminals, whether or not its params are complete. */
export const marksOf = (device: Device): string[] => [...byMark(device).keys()];

/** What a terminal of a circuit is; `undefined` where there is none of the name. */
export function designationAt({ devices }: Circuit, terminal: TerminalId): Designation | undefined {
  const { deviceId, mark } = splitTerminal(terminal);
  const device = devices.find(({ id }) => id === deviceId);
  return device && byMark(device).get(mark);
}

export function hasTerminal(circuit: Circuit, terminal: TerminalId): boolean {
  return designationAt(circuit, terminal) !== undefined;
}

/**
 * A terminal, or the one that stands there under another label: the numbers of a run are called one thing or another. `null`
 * where there is neither.
 */
export function underAnyLabel(circuit: Circuit, terminal: TerminalId): TerminalId | null {
  if (hasTerminal(circuit, terminal)) return terminal;
  const { deviceId, mark } = splitTerminal(terminal);
  const device = circuit.devices.find(({ id }) => id === deviceId);
  if (!device) return null;
  const now = designationsOf(device).find(({ run, aliases }) => run && aliases?.includes(mark));
  return now ? `${deviceId}.${now.mark}` : null;
}
