import type { TerminalId } from '../../circuit';
import { findDevice, splitTerminal } from '../../circuit';
import type { Names } from '../names';

/** Where a conductor's other end is, with its place: "Furnace board C, Utility room". */
export function otherEndText({ circuit, node }: Names, otherEnd: TerminalId | null): string {
  if (otherEnd === null) return 'free, insulated';
  const { station } = findDevice(circuit, splitTerminal(otherEnd).deviceId)!;
  return `${node(otherEnd)}, ${circuit.stations.find(({ id }) => id === station)!.name}`;
}
