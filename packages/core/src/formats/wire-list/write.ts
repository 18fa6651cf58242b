/** A unit's diagram as the list it could be typed as, and as CSV (RFC 4180). */
import type { Circuit, TerminalId } from '../../circuit';
import { findDevice, isSplice, splitTerminal } from '../../circuit';
import type { DrawnWire } from '../../unit';
import { writeCsv } from '../csv';

const endText = (circuit: Circuit, terminal: TerminalId): string => {
  const { deviceId, mark } = splitTerminal(terminal);
  const { label } = findDevice(circuit, deviceId)!;
  return isSplice(circuit, terminal) ? label : `${label} ${mark}`;
};

/** One line a wire. */
export const writeWireList = (circuit: Circuit, wires: readonly DrawnWire[]): string =>
  wires
    .map(
      ({ colour, number, from, to }) =>
        `${[colour, number].filter(Boolean).join(' ')}: ${endText(circuit, from)} – ${endText(circuit, to)}`,
    )
    .join('\n');

export function writeWireCsv(circuit: Circuit, wires: readonly DrawnWire[]): string {
  const data = wires.map(({ colour, number, from, to }) => ({
    colour,
    number: number ?? '',
    from: endText(circuit, from),
    to: endText(circuit, to),
  }));
  return writeCsv(['colour', 'number', 'from', 'to'], data);
}
