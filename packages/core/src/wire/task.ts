/** What a step asks for, as codes with ids and quantities in SI. Told in `words/`. */
import type { TerminalId } from '../circuit';

export type Task =
  /** Handles by device; none where no handle is known. */
  | { type: 'open' | 'close'; devices: readonly string[] }
  | { type: 'prove-dead'; supply: string; probes: readonly [TerminalId, TerminalId] }
  /** What of a device holds a charge: each pair of marks. */
  | { type: 'discharge'; device: string; pairs: readonly (readonly [TerminalId, TerminalId])[] }
  | { type: 'take-off'; device: string; conductors: number }
  | { type: 'mount'; device: string }
  /** From the place it was at to the one it is done at. */
  | { type: 'carry'; device: string; from: string }
  | { type: 'retire'; cable: string }
  | { type: 'pull'; cable: string; conductors: number; gauge: number; lengthM: number }
  | { type: 'cut'; cable: string; leads: number; gauge: number }
  /** Its end came off with its device and goes nowhere any more. */
  | { type: 'insulate'; conductor: string }
  | { type: 'lift'; conductor: string; from: TerminalId }
  | { type: 'land'; conductor: string; on: TerminalId }
  | { type: 'move'; conductor: string; from: TerminalId; to: TerminalId }
  | { type: 'link' | 'unlink'; joins: readonly TerminalId[] }
  | { type: 'set'; device: string; group: 'params' | 'settings'; name: string; value: number | string }
  | { type: 'insulate-spares'; conductors: readonly string[] }
  | { type: 'tug'; landings: number; nuts: number };
