/** What a kind says of itself for everything else to ask: other folders go by these, never by its name. */
import type { House, ZonedAir } from '../air';
import type { Channel } from './channels';
import type { State } from './context';
import type { Value, Values } from './fields';

/** What a person calls for. */
export type Call = 'cool' | 'heat' | 'fan';

/**
 * What a load is by nature: what it does to the house and to whoever relies on it follows from this,
 * never from the name of its kind.
 */
export type LoadNature =
  'flame' | 'strip' | 'inducer' | 'igniter' | 'compressor' | 'motor' | 'coil' | 'valve';

/** A load a person would name. */
export interface Load {
  id: string;
  /** Name of the load; left out where the device's own label says it. */
  title?: string;
  /** Element that carries its current. */
  element: string;
  nature: LoadNature;
  /**
   * What it is there for: `pump` heats or cools as the reversing valve stands, `valve`
   * only changes over.
   */
  serves: Call | 'pump' | 'valve';
  /** Call terminal that starts it, where it may run on after the call is over. */
  startedBy?: string;
}

/** A device that opens on overload; its state has a flag `open`. */
export interface Protection {
  /** Element that opens, and its position while it holds. */
  element: string;
  held: string;
  /** Param that is its rating, A, where another of another rating can be fitted in its place. */
  fitted?: string;
  /** What is said when it has opened; its label and "tripped" when left out. */
  event?: string;
  /** Seconds it carries so many amperes; Infinity when it carries them for good. */
  opensIn(amps: number, params: Values): number;
}

/** What a safety is there for. Water in the coil's pan, in whatever lies under the unit, and in a pump's tank are three things. */
export type Notice =
  | 'coil-water'
  | 'pan-water'
  | 'tank-water'
  | 'smoke'
  | 'frost'
  | 'low-pressure'
  | 'high-pressure'
  | 'heat'
  | 'flame-outside'
  | 'refrigerant';

/** A control that trips the device when something is wrong, and what must not run while it is tripped. */
export interface Safety {
  control: string;
  /** What it notices: one that notices all that another does can stand in for it. */
  notices(params: Values): readonly Notice[];
  tripped: Value;
  /** `compressor` either way, or `chilled`: what makes condensate. A coil on the way may stay energised. */
  stops: readonly ('cool' | 'heat' | 'fan' | 'compressor' | 'chilled')[];
  /** What must run while it is tripped, whoever calls for what. */
  runs?: 'fan';
  /** How a person trips it by its own means and puts it back, where that is not by lifting, a button or a magnet. */
  test?: string;
  /** It is often added to a system that has none. */
  retrofit?: boolean;
}

/** What a thermostat lives on: the element its wires feed, and those it draws through idle loads. */
export interface ThermostatSupply {
  wire: string;
  loads: readonly string[];
}

/** The primary of a transformer that is wired by hand: its taps, and where the supply's other side lands. */
export interface Primary {
  taps: readonly { mark: string; volts: number }[];
  common: string;
  /** Element that takes its no-load current. */
  core: string;
}

/** What a person sees at once that tells one system from another. */
export type Appearance = 'boiler' | 'water' | 'hanging-heater' | 'outdoor-cabinet' | 'blower' | 'link';

/** By contact element, groups of load elements of the same device. */
export type Actuation = Readonly<Record<string, readonly (readonly string[])[]>>;

/** A device that another of its pair hears over the air. */
export interface Radio {
  /** The number its pair goes by. */
  pair(params: Values): number;
  /** By channel, the load whose current makes it say so. */
  speaks: Readonly<Partial<Record<Channel, string>>>;
  /** By contact, the channel that closes it. */
  heeds: Readonly<Partial<Record<string, Channel>>>;
  /** Whether it has its power, and hears nothing. */
  stands(state: State): { powered: boolean; silent: boolean };
}

/** How a device stands on a data pair. */
export interface DataPair {
  awake: boolean;
  linked: boolean;
  reads: 'nothing' | 'data' | 'reversed' | 'mains';
}

/** Elements of a device on a data pair: what it lives on, what listens, and the contact its bias comes through. */
export interface DataPairElements {
  lives: string;
  listens: string;
  drives?: string;
}

/** One half of a unit whose halves are joined by a run of line, neutral, signal and earth. */
export interface Interconnect {
  line: string;
  neutral: string;
  signal: string;
  earth: string;
  /** Where a supply comes in, line and neutral, and whether its label lets it. */
  supply: readonly [string, string];
  supplied: 'here' | 'other' | 'either';
  /** Its case, as a point inside it. */
  case: string;
  /** What the signal's current goes through, the contact of its signal side, its board and the fuse before it: elements. */
  signalPath: string;
  signalContact: string;
  board: string;
  fuse: string;
  /** How its board stands. */
  stands(state: State): { awake: boolean; hears: boolean; burnt: boolean };
}

/** A motor that is fed and does not turn, as it stood when it was last seen trying. */
export interface Stall {
  /** The mark its start winding is fed at, and the element it is. */
  at: string;
  element: string;
  /** What its start current tells of its run capacitor, over the one of its label; and the volts across that capacitor. */
  share: number;
  volts: number;
  /** Whether its start winding takes current at all. */
  draws: boolean;
}

/** A capacitance a person may measure and must discharge: its two marks, farads by its label, and the share it may be off. */
export interface Capacitance {
  between: readonly [string, string];
  farads: number;
  tolerance: number;
}

/** A control that takes power away, and the values that do and undo it. */
export interface Isolation {
  control: string;
  off: Value;
  on: Value;
}

/** Something that comes during a call, of itself, and goes again: a defrost. */
export interface Occasion {
  title: string;
  /** How whoever tests it brings it about. */
  forced: string;
  /** The control the surroundings hold meanwhile. */
  control: string;
  value: Value;
  during: 'heat' | 'cool';
  /** Whether it is under way. */
  active(state: State): boolean;
}

/** A drain that can be held: what stops it, and what nearly does. */
export interface Drain {
  control: string;
  blocked: Value;
  slow?: Value;
}

/** Whether it makes water while it heats, where that is read off it. */
export interface Condenses {
  param: string;
  yes: Value;
  no: Value;
}

/** A panel with 24 V of its own beside what comes from the unit: hot and common of each. */
export interface OwnSupply {
  own: readonly [hot: string, common: string];
  unit: readonly [hot: string, common: string];
}

/** Rooms of a house, one for every zone, named as it is; what is wanted in them, and the climate they stand in. */
export interface Housing {
  house: House;
  wantedC: { heat: number; cool: number };
  climate: { meanC: number; swingK: number };
}

/** The ducts of a house with the unit's fan, and what the unit must have of the air. */
export interface Conveyance {
  air: ZonedAir;
  /** What the fan runs at of its table. */
  speed: number;
  /** Sensible and latent cooling together, and heat, W. */
  coolW: number;
  heatW: number;
  /** What it may warm the air by, K; what may lie between supply and return, Pa; how fast air may go in a zone's duct, m/s. */
  mostRiseK: number;
  mostPa: number;
  mostMs: number;
}

/** What a supervised loop comes to, as its panel reads it. */
export type LoopReading = 'normal' | 'alarm' | 'trouble';

/** A loop that a fire panel watches by the direct current it gives. */
export interface Supervision {
  /** Element whose direct current is judged. */
  feed: string;
  /** Marks of the loop's two ends at the panel, positive first. */
  ends: readonly [string, string];
  /** The control that lifts the loop off the panel. */
  isolation: Isolation;
  reads(state: State): LoopReading;
}

/** Contacts for a supervised loop, by element: one that closes across it, one that opens it. */
export interface LoopContacts {
  alarm: string;
  trouble: string;
}

/** A control that tests another device from where it is. */
export interface RemoteTest {
  control: string;
  value: Value;
}
