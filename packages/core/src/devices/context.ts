/** What a device is told, and what it feels. */
import type { Channel, Signal } from './channels';
import type { Values } from './fields';

/** What a terminal is for; the drawings and the wording follow it. */
export type TerminalRole =
  'hot' | 'common' | 'call' | 'contact' | 'coil' | 'line' | 'neutral' | 'earth' | 'winding' | 'splice';

export interface Designation {
  mark: string;
  role: TerminalRole;
  /** One plain sentence for the terminal's sheet. */
  purpose: string;
  /** Other marks the same terminal carries on some equipment. */
  aliases?: readonly string[];
  /** How many conductors it takes, where that is not the two of most screws. */
  takes?: number;
  /** What it is there for, where neither role nor mark says it: both ends of a conductor serve the same. */
  serves?: string;
  /**
   * Terminals that stand together for one purpose, where a device has several such rows: both ends of a conductor belong to
   * strips of one name, where both belong to any.
   */
  strip?: string;
  /** Hot or common that it passes on to others: nothing need be landed there. */
  onward?: true;
  /** A run between two halves is landed on it by hand, though it is at line voltage. */
  run?: true;
  /** It goes to the terminal of the same mark on another device, and nowhere else. */
  pairs?: true;
}

/** Mains as the document gives it. Volts from line to neutral, hertz. */
export interface Mains {
  volts: number;
  hertz: number;
}

/** Air around the job that devices respond to, °C. */
export interface Conditions {
  indoorC: number;
  outdoorC: number;
}

/** A device's memory between instants: flat, plain, comparable. Times are absolute seconds. */
export type State = Readonly<Record<string, number | string | boolean | null>>;

/** Chosen position by element id. */
export type Positions = Readonly<Record<string, string | undefined>>;

export interface Context<P = Values, S = Values> {
  params: P;
  settings: S;
  mains: Mains;
}

export interface Moment<P = Values, S = Values, C = Values> extends Context<P, S> {
  /** How the people and the surroundings hold the device now. */
  controls: C;
  conditions: Conditions;
  /** Seconds since the bench was opened. */
  now: number;
}

/** What a device feels of the network (magnitudes, volts and amperes), and what reaches it without a wire. */
export interface Senses {
  volts(a: string, b: string): number;
  amps(element: string): number;
  /** Direct current through an element, A: what a supervised loop is judged by. */
  directAmps(element: string): number;
  /** Direct volts from one terminal to another, V, with their sign. */
  directVolts(a: string, b: string): number;
  /** What every device gives on a channel (`channels.ts`). */
  hears(channel: Channel): readonly Signal[];
}
