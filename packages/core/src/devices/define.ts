import type { Channel, Signal } from './channels';
import type { Element, Position } from './element';
import type { FieldSet, Value, Values, ValuesOf } from './fields';
import { fill } from './fields';

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
  /** What every device gives on a channel (`channels.ts`). */
  hears(channel: Channel): readonly Signal[];
}

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

/** Something a device is waiting for, with the time it ends. */
export interface Wait {
  until: number;
  text: string;
  /** What is said when it is over; the text again when left out. */
  done?: string;
  /** It will happen, but nobody is kept waiting by it. */
  quiet?: boolean;
}

/** What a person sees on the device itself. */
export interface Face {
  /** One or two words: `dry`, `blown`, `on`. */
  text: string;
  tone: 'ok' | 'off' | 'tripped' | 'busy';
  /** A sentence of what it means, when it needs explaining. */
  detail?: string;
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
  | 'flame-outside';

const WATER: ReadonlySet<Notice> = new Set(['coil-water', 'pan-water', 'tank-water']);

/** What a device notices with its params as given; nothing where it is no safety. */
export const noticesOf = ({ safety, params }: Pick<DeviceKind, 'safety' | 'params'>, given: Values) =>
  safety?.notices(fill(params, given)) ?? [];

/** Whether it has to do with water at all. */
export const noticesWater = (kind: Pick<DeviceKind, 'safety' | 'params'>, given: Values): boolean =>
  noticesOf(kind, given).some((notice) => WATER.has(notice));

/** A control that trips the device when something is wrong, and what must not run while it is tripped. */
export interface Safety {
  control: string;
  /** What it notices: one that notices all that another does can stand in for it. */
  notices(params: Values): readonly Notice[];
  tripped: Value;
  /** `compressor` either way, or `chilled`: what makes condensate. A coil on the way may stay energised. */
  stops: readonly ('cool' | 'heat' | 'fan' | 'compressor' | 'chilled')[];
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
export type Appearance = 'boiler' | 'water' | 'hanging-heater' | 'outdoor-cabinet' | 'blower';

/** What mends a fault: a new part, or what is found otherwise put back; `defer` leaves it to who may work on it. */
export type Mend = 'replace' | 'reset' | 'refit' | 'clear' | 'defer';

/** A way a device fails. It applies where the device has any of its elements. */
export interface FaultMode {
  mode: string;
  title: string;
  /** How often it is met, against one conductor broken out of sight; judgement. */
  likelihood: number;
  /** Elements held at an impedance of the fault's own. */
  elements?: Readonly<Record<string, Position>>;
  /** Controls held, whatever is set: a limit that has opened, batteries that are flat. */
  controls?: Values;
  /** What its face says instead, where the fault shows by itself. */
  shows?: string;
  /** The part that is bad, where it is replaced without the whole device. */
  part?: string;
  /** A new part when left out. */
  mend?: Mend;
}

export interface DeviceSpec<P extends FieldSet, S extends FieldSet, C extends FieldSet, M extends State> {
  /** Name in the circuit document, kebab-case. */
  kind: string;
  title: string;
  /** A device with two terminals that sits in a conductor is drawn as a chip on the run. */
  inline?: boolean;
  designations(params: ValuesOf<P>): readonly Designation[];
  params: P;
  settings: S;
  /** What a person or the surroundings can set without tools. */
  controls: C;
  elements(context: Context<ValuesOf<P>, ValuesOf<S>>): readonly Element[];
  loads?(context: Context<ValuesOf<P>, ValuesOf<S>>): readonly Load[];
  initial: M;
  /** Position of every element that has more than one. */
  positions(state: M, moment: Moment<ValuesOf<P>, ValuesOf<S>, ValuesOf<C>>): Positions;
  /** The state this moment leads to at once; must return an equal state when nothing changes. */
  next(state: M, senses: Senses, moment: Moment<ValuesOf<P>, ValuesOf<S>, ValuesOf<C>>): M;
  /** What others notice of it without a wire, by channel. */
  gives?(
    state: M,
    moment: Moment<ValuesOf<P>, ValuesOf<S>, ValuesOf<C>>,
  ): Readonly<Partial<Record<Channel, Signal>>>;
  /** Times at which the state will change by itself. */
  waits?(state: M, moment: Moment<ValuesOf<P>, ValuesOf<S>, ValuesOf<C>>): readonly Wait[];
  face?(state: M, moment: Moment<ValuesOf<P>, ValuesOf<S>, ValuesOf<C>>): Face;
  /** For thermostats: what it is calling for. It has controls `mode`, `fan` and `setC`, and a flag `powered`. */
  asks?(state: M, moment: Moment<ValuesOf<P>, ValuesOf<S>, ValuesOf<C>>): readonly Call[];
  /** For whatever holds a reversing valve: the way the refrigerant is driven. Defrost is part of heating. */
  turns?(state: M, context: Context<ValuesOf<P>, ValuesOf<S>>): 'cool' | 'heat';
  drains?: Drain;
  condenses?: Condenses;
  /** Element of the contact that closes when it trips, for an alarm. */
  alarm?: string;
  /** Whether it tells whoever is near that something is wrong. */
  tells?(state: M): boolean;
  /** Water it has let out where it does harm, l. */
  spilt?(state: M, moment: Moment<ValuesOf<P>, ValuesOf<S>, ValuesOf<C>>): number;
  protects?: Protection;
  safety?: Safety;
  /** How it stands cannot be seen on it: it has to be measured. */
  sealed?: boolean;
  /** Contacts that are there to open: nothing may lie across them. Element ids. */
  interrupts?: readonly string[];
  /**
   * What moves its contacts: by element, groups of its own loads; it closes when every load of one group
   * carries its current.
   */
  actuatedBy?: Actuation;
  /** The control that takes power away, where a person can. */
  isolates?: Isolation;
  /** A joint: whatever is landed on it meets there, and it goes by the name of what it joins. */
  splices?: boolean;
  primary?: Primary;
  livesOn?: ThermostatSupply;
  seenAs?: readonly Appearance[];
  /** What its surroundings do to it now and then that a call alone does not bring about. */
  occasions?: readonly Occasion[];
  /** What is wrong between params that are each fine by themselves; `undefined` when nothing is. */
  conflict?(params: ValuesOf<P>): Conflict | undefined;
  faults: readonly FaultMode[];
}

/** By contact element, groups of load elements of the same device. */
export type Actuation = Readonly<Record<string, readonly (readonly string[])[]>>;

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

/** Params that do not go together: which one to change, and what would be valid. */
export interface Conflict {
  param: string;
  message: string;
}

/** A device kind with its own types erased, as the rest of the core uses it. */
export interface DeviceKind {
  kind: string;
  title: string;
  inline: boolean;
  designations(params: Values): readonly Designation[];
  params: FieldSet;
  settings: FieldSet;
  controls: FieldSet;
  elements(context: Context): readonly Element[];
  loads(context: Context): readonly Load[];
  initial: State;
  positions(state: State, moment: Moment): Positions;
  next(state: State, senses: Senses, moment: Moment): State;
  gives?(state: State, moment: Moment): Readonly<Partial<Record<Channel, Signal>>>;
  waits(state: State, moment: Moment): readonly Wait[];
  face(state: State, moment: Moment): Face | undefined;
  asks?(state: State, moment: Moment): readonly Call[];
  turns?(state: State, context: Context): 'cool' | 'heat';
  drains?: Drain;
  condenses?: Condenses;
  alarm?: string;
  tells?(state: State): boolean;
  spilt?(state: State, moment: Moment): number;
  protects?: Protection;
  safety?: Safety;
  sealed: boolean;
  interrupts: readonly string[];
  actuatedBy: Actuation;
  isolates?: Isolation;
  splices: boolean;
  primary?: Primary;
  livesOn?: ThermostatSupply;
  seenAs: readonly Appearance[];
  occasions: readonly Occasion[];
  conflict(params: Values): Conflict | undefined;
  faults: readonly FaultMode[];
}

/**
 * Describes a kind of device once, for every part of the product.
 *
 * @example
 * export const doorSwitch = defineDevice({
 *   kind: 'door-switch',
 *   title: 'Door switch',
 *   inline: true,
 *   designations: () => [lineIn, lineOut],
 *   params: {}, settings: {},
 *   controls: { door: choice('Door', { closed: 'Closed', open: 'Open' }, 'closed') },
 *   elements: () => [contact('switch', 'LINE', 'LOAD')],
 *   initial: {},
 *   positions: (_, { controls }) => ({ switch: controls.door === 'closed' ? 'closed' : 'open' }),
 *   next: (state) => state,
 *   faults: [],
 * });
 */
export function defineDevice<
  const P extends FieldSet,
  const S extends FieldSet,
  const C extends FieldSet,
  M extends State,
>(spec: DeviceSpec<P, S, C, M>): DeviceKind {
  const whole = {
    inline: false,
    loads: () => [],
    waits: () => [],
    face: () => undefined,
    sealed: false,
    interrupts: [],
    actuatedBy: {},
    splices: false,
    seenAs: [],
    occasions: [],
    conflict: () => undefined,
    ...spec,
  };
  // The compiled network fills every field before it calls back, so the erased types hold.
  return whole as unknown as DeviceKind;
}
