/** What a repair has done, as it is found. Told in `words/`. */
import type { TerminalId } from '../../circuit';

export type Change =
  | { type: 'set'; device: string; setting: string; value: number | string }
  | { type: 'jumper-off'; joins: readonly TerminalId[] }
  | { type: 'jumper-on'; joins: readonly [TerminalId, TerminalId] }
  | { type: 'tap'; transformer: string; volts: number }
  | { type: 'fuse'; device: string; amps: number }
  | { type: 'move'; conductor: string; from: TerminalId; to: TerminalId }
  | { type: 'exchange'; conductors: readonly [string, string]; between: readonly [TerminalId, TerminalId] }
  /** Two cables on each other's strip of a device, terminal for terminal. */
  | { type: 'exchange-cables'; cables: readonly [string, string]; device: string }
  | { type: 'land'; conductor: string; on: TerminalId }
  | { type: 'take-off'; conductor: string; from: TerminalId }
  | { type: 'transformer'; device: string; va: number }
  /** Pulled anew in another gauge, AWG number. */
  | { type: 'cable'; cable: string; gauge: number };
