import type { TerminalId } from '../../circuit';
import type { Call } from '../../devices';
import type { Cause, Stretch, Trace } from '../trace';
import { partsOf, wholeRow } from '../trace';
import type { Scene } from '../scene';

/** What the circuit is doing, as a code with ids, the names loads have on the job, and quantities in SI. */
export type News =
  /** Devices that cannot settle. */
  | { type: 'chattering'; devices: readonly string[] }
  /** An overcurrent device that opened. */
  | { type: 'opened'; device: string }
  /** A transformer that is shorted while nothing opens. */
  | { type: 'burning'; transformer: string; amps: number; share: number }
  /** A supply that does not fit the tap it is on, and the tap made for it, if there is one. */
  | {
      type: 'off-tap';
      transformer: string;
      volts: number;
      nominal: number;
      gives: number;
      better: number | null;
    }
  | { type: 'over-voltage'; transformer: string; volts: number }
  | { type: 'overloaded'; transformer: string; share: number }
  /** A case with so much on it. */
  | { type: 'live-case'; device: string; volts: number }
  /** Halves whose signal side mains went through. */
  | { type: 'burnt'; devices: readonly string[] }
  /** A half that has nothing of the supply its other half has. */
  | { type: 'half-dark'; device: string; other: string }
  /** Halves that are awake and hear nothing of the other. */
  | { type: 'no-signal'; devices: readonly string[] }
  /** Devices that have their power and do not hear one another over the air. */
  | { type: 'no-link'; devices: readonly string[] }
  /** Devices of a communicating system that have their power and no data, and what stands on the pair instead. */
  | { type: 'no-data'; devices: readonly string[]; reads: 'nothing' | 'reversed' | 'mains' }
  /** A unit in two halves, nothing called: with its supply, or without. */
  | { type: 'halves-ready' }
  | { type: 'halves-dead' }
  /** A thermostat with nothing on its screen. */
  | { type: 'blank'; thermostat: string }
  /** Heating and cooling at once. */
  | { type: 'together' }
  /** One is called and the other runs. */
  | { type: 'crossed'; asked: Call; runs: Call; loads: readonly string[] }
  | { type: 'uncalled'; loads: readonly string[] }
  /** Nothing answers a call, or one load of it stays off. */
  | { type: 'missing'; call: Call; load: string | null }
  /** A load that runs by a way that should not feed it. */
  | { type: 'astray'; load: string }
  /** Thermostats that call, and close nothing that brings it here. */
  | { type: 'closes-nothing'; call: Call; thermostats: readonly string[] }
  /** There is nothing here that the call could bring. */
  | { type: 'cannot'; call: Call }
  /** A conductor that is live and loose at one end, with how much, and where the other is landed. */
  | { type: 'live-end'; conductor: string; landed: TerminalId; volts: number }
  /** A safety that is open while nothing asks for it. */
  | { type: 'tripped'; device: string }
  /** A device that is counting, in its own words; while something is called. */
  | { type: 'waiting'; device: string; wait: string; call: Call | null }
  /** Cooling in the cold. */
  | { type: 'cold'; outdoorC: number }
  /** What runs; and which calls wait until those that are served are satisfied. */
  | { type: 'running'; calls: readonly Call[]; loads: readonly string[]; held: readonly Call[] }
  /** No device yet. */
  | { type: 'empty' }
  | { type: 'satisfied'; mode: 'heat' | 'cool'; indoorC: number; setC: number }
  | { type: 'no-supply' }
  /** Transformers that give nothing and handles that are open, while the others are live. */
  | { type: 'ready'; dead: readonly string[]; off: readonly string[] };

export interface Status {
  tone: 'idle' | 'running' | 'waiting' | 'caution' | 'fault';
  news: News;
  /** What is behind it, where something is. */
  cause?: Cause | Stretch;
  /** When the wait ends, absolute seconds on the bench's clock. */
  until?: number;
  /** Devices, conductors and links it names as the cause, by id. */
  parts?: readonly string[];
}

/** What every part of the status line is worked out from. */
export interface StatusContext {
  scene: Scene;
  trace: Trace;
  /** What is called for now. */
  active: ReadonlySet<Call>;
}

const partsOfAny = (cause: Cause | Stretch): readonly string[] =>
  cause.type === 'between' ? cause.parts : partsOf(cause);

/** A fault with the cause behind it. */
export const faultBy = (news: News, cause: Cause | Stretch): Status => ({
  tone: 'fault',
  news,
  cause,
  parts: partsOfAny(cause),
});

/** A status with its cause as far as it is known, and no part blamed before another that may as well be at fault. */
export function asFarAsKnown(trace: Trace, status: Status): Status {
  const { cause } = status;
  if (!cause || cause.type === 'between') return status;
  const known = wholeRow(trace, cause);
  return known === cause ? status : { ...status, cause: known, parts: partsOf(known) };
}
