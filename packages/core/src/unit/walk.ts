/** Walking an outdoor unit: one wire at a time, the next the one nearest to where the hand is. */
import type { TerminalId } from '../circuit';
import { splitTerminal } from '../circuit';
import type { DrawnWire, UnitDiagram } from './diagram';

/** How far a terminal is from the hand: on it, on the same part, elsewhere. */
function reach(hand: TerminalId, terminal: TerminalId): number {
  if (hand === terminal) return 0;
  return splitTerminal(hand).deviceId === splitTerminal(terminal).deviceId ? 1 : 2;
}

/** A wire with its ends in the order in which they are looked at. */
export interface WalkedWire {
  wire: DrawnWire;
  first: TerminalId;
  second: TerminalId;
}

function turnedTo(wire: DrawnWire, hand: TerminalId | null): WalkedWire {
  const back = hand !== null && reach(hand, wire.to) < reach(hand, wire.from);
  return back ? { wire, first: wire.to, second: wire.from } : { wire, first: wire.from, second: wire.to };
}

/** The wire that is nearest to the hand of those left; of two as near, the one first on the diagram. */
function nearest(left: readonly DrawnWire[], hand: TerminalId | null): WalkedWire {
  const far = ({ from, to }: DrawnWire) => (hand === null ? 0 : Math.min(reach(hand, from), reach(hand, to)));
  return turnedTo(
    left.reduce((best, wire) => (far(wire) < far(best) ? wire : best)),
    hand,
  );
}

/** What is left to walk, from where the last wire that was walked ends. */
export function walkOf({ wires, walked }: UnitDiagram): WalkedWire[] {
  const byId = new Map(wires.map((wire) => [wire.id, wire]));
  let hand: TerminalId | null = null;
  for (const id of walked) {
    const wire = byId.get(id);
    if (wire) hand = turnedTo(wire, hand).second;
  }
  const order: WalkedWire[] = [];
  for (let left = wires.filter(({ id }) => !walked.includes(id)); left.length > 0;) {
    const next = nearest(left, hand);
    order.push(next);
    hand = next.second;
    left = left.filter((wire) => wire !== next.wire);
  }
  return order;
}
