import type { Circuit } from '@zygostat/core/circuit';
import { findDevice, pointName, splitTerminal } from '@zygostat/core/circuit';

/** A terminal by name; a splice says that it is one. */
export function nameAt(circuit: Circuit, terminal: string): string {
  const device = findDevice(circuit, splitTerminal(terminal).deviceId);
  return device?.kind === 'wire-nut' ? `wire nut ${device.label}` : pointName(circuit, terminal);
}
