import type { Bypass } from '../air';
import type { Channel, Signal } from './channels';
import type { Context, Designation, Moment, Positions, Senses, State } from './context';
import type { Element, Position } from './element';
import type { FieldSet, Values, ValuesOf } from './fields';
import { fill } from './fields';
import type {
  Actuation,
  Appearance,
  Call,
  Capacitance,
  Condenses,
  Conveyance,
  Drain,
  Housing,
  DataPair,
  DataPairElements,
  Interconnect,
  Isolation,
  Load,
  OwnSupply,
  LoopContacts,
  Notice,
  Occasion,
  Primary,
  Protection,
  Radio,
  RemoteTest,
  Safety,
  Stall,
  Supervision,
  ThermostatSupply,
} from './traits';

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

const WATER: ReadonlySet<Notice> = new Set(['coil-water', 'pan-water', 'tank-water']);

/** What a device notices with its params as given; nothing where it is no safety. */
export const noticesOf = ({ safety, params }: Pick<DeviceKind, 'safety' | 'params'>, given: Values) =>
  safety?.notices(fill(params, given)) ?? [];

/** Whether it has to do with water at all. */
export const noticesWater = (kind: Pick<DeviceKind, 'safety' | 'params'>, given: Values): boolean =>
  noticesOf(kind, given).some((notice) => WATER.has(notice));

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
  /** What diagrams and people call it besides its title, in lower case, and what its params are by that name. */
  known?: Readonly<Record<string, Values>>;
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
  /** Of a motor: that it does nothing for all it draws. */
  stalls?(state: M): Stall | null;
  /** Where line voltage comes into a cabinet: the two marks it is proven dead at. */
  cabinetFeed?: readonly [string, string];
  /** What of it holds a charge. */
  capacitances?(context: Context<ValuesOf<P>, ValuesOf<S>>): readonly Capacitance[];
  /** Times at which the state will change by itself. */
  waits?(state: M, moment: Moment<ValuesOf<P>, ValuesOf<S>, ValuesOf<C>>): readonly Wait[];
  face?(state: M, moment: Moment<ValuesOf<P>, ValuesOf<S>, ValuesOf<C>>): Face;
  /** For thermostats: what it is calling for. It has controls `mode`, `fan` and `setC`, and a flag `powered`. */
  asks?(state: M, moment: Moment<ValuesOf<P>, ValuesOf<S>, ValuesOf<C>>): readonly Call[];
  /** For whatever holds a reversing valve: the way the refrigerant is driven. Defrost is part of heating. */
  turns?(state: M, context: Context<ValuesOf<P>, ValuesOf<S>>): 'cool' | 'heat';
  drains?: Drain;
  condenses?: Condenses;
  /** For what relieves a duct of its pressure: how it moves and what it holds. */
  relieves?(params: ValuesOf<P>, settings: ValuesOf<S>): Pick<Bypass, 'kind' | 'setPa'>;
  /** A damper in a zone's duct. */
  conducts?: 'zone';
  /** Marks of a supply of its own beside the unit's. */
  ownSupply?: OwnSupply;
  /** The ducts of a house, of whichever device stands for them. */
  conveys?(params: ValuesOf<P>): Conveyance;
  /** The rooms of a house, of whichever device stands for them. */
  houses?(params: ValuesOf<P>): Housing;
  /** Of one half of a unit in two halves: the run between them. */
  interconnect?(params: ValuesOf<P>): Interconnect;
  radio?: Radio;
  dataPair?: DataPairElements;
  /** Of a device on a data pair: whether it is awake, on the pair with the others, and what it reads there. */
  pairs?(state: M): DataPair;
  /** Element of the contact that closes when it trips, for an alarm. */
  alarm?: string;
  supervises?: Supervision;
  loopContacts?: LoopContacts;
  /** Element of the resistor a supervised loop ends in. */
  terminates?: string;
  /** What tests and resets a detector from here. */
  tests?: RemoteTest;
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
  actuatedBy?: Actuation | ((context: Context<ValuesOf<P>, ValuesOf<S>>) => Actuation);
  /** Of several that call it serves some and holds others by rules of its own: an output that stays open is no fault. */
  decides?: boolean;
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

/** Params that do not go together: which one to change, and what would be valid. */
export interface Conflict {
  param: string;
  message: string;
}

/** A device kind with its own types erased, as the rest of the core uses it. */
export interface DeviceKind {
  kind: string;
  title: string;
  known: Readonly<Record<string, Values>>;
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
  stalls(state: State): Stall | null;
  cabinetFeed?: readonly [string, string];
  capacitances(context: Context): readonly Capacitance[];
  waits(state: State, moment: Moment): readonly Wait[];
  face(state: State, moment: Moment): Face | undefined;
  asks?(state: State, moment: Moment): readonly Call[];
  turns?(state: State, context: Context): 'cool' | 'heat';
  drains?: Drain;
  condenses?: Condenses;
  relieves?(params: Values, settings: Values): Pick<Bypass, 'kind' | 'setPa'>;
  conducts?: 'zone';
  ownSupply?: OwnSupply;
  conveys?(params: Values): Conveyance;
  houses?(params: Values): Housing;
  interconnect?(params: Values): Interconnect;
  radio?: Radio;
  dataPair?: DataPairElements;
  pairs?(state: State): DataPair;
  alarm?: string;
  supervises?: Supervision;
  loopContacts?: LoopContacts;
  terminates?: string;
  tests?: RemoteTest;
  tells?(state: State): boolean;
  spilt?(state: State, moment: Moment): number;
  protects?: Protection;
  safety?: Safety;
  sealed: boolean;
  interrupts: readonly string[];
  actuatedBy(context: Context): Actuation;
  decides: boolean;
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
    known: {},
    inline: false,
    loads: () => [],
    stalls: () => null,
    capacitances: () => [],
    waits: () => [],
    face: () => undefined,
    sealed: false,
    interrupts: [],
    decides: false,
    splices: false,
    seenAs: [],
    occasions: [],
    conflict: () => undefined,
    ...spec,
    actuatedBy: typeof spec.actuatedBy === 'function' ? spec.actuatedBy : () => spec.actuatedBy ?? {},
  };
  // The compiled network fills every field before it calls back, so the erased types hold.
  return whole as unknown as DeviceKind;
}
