/** What does not hold, as it is found: a property, what it is about, and what it rests on. Told in `words/`. */
import type { TerminalId } from '../circuit';
import type { Call } from '../devices';
import type { Situation } from './situation';

/** Loads by the names their devices give them. */
type Loads = readonly string[];

/** What each property rests on: ids, names of nodes, quantities in SI. `about` is a device where nothing else is said. */
interface Facts {
  short: { burning: { amps: number; share: number } | null };
  'line-on-control': { terminal: TerminalId; volts: number };
  /** With the tap that explains it, of the transformer that stands on it. */
  'over-voltage': { terminal: TerminalId; volts: number; tap: { device: string; volts: number } | null };
  protected: { terminal: TerminalId; amps: number };
  /** A short at a node: what its overcurrent device takes to open, and what the transformer stands, seconds. */
  rating: { node: string; amps: number; opensS: number; transformer: string; standsS: number };
  bypassed: { nodes: readonly [string, string] };
  tied: { other: string };
  together: { heating: Loads; cooling: Loads };
  disagree: { heating: Loads; cooling: Loads };
  uncalled: { loads: Loads; situation: Situation };
  'uncalled-fan': { loads: Loads; situation: Situation };
  /** About the call. */
  unanswered: { call: Call; situation: Situation };
  /** About what turned the unit over in heating: nothing warms the air meanwhile, though something could. */
  untempered: { loads: Loads };
  'no-air': { loads: Loads };
  'no-purge': object;
  safety: { loads: Loads };
  /** About a safety that must run the fan while it is tripped. */
  unfanned: object;
  blank: { onBatteries: boolean };
  'weak-coil': { load: string; volts: number };
  'coil-margin': { load: string; volts: number; needs: number };
  overload: { amps: number; share: number };
  'foreign-common': { hot: string; common: string };
  /** Two hots exchanged, or one that feeds what returns to another transformer. */
  'crossed-hots':
    | { exchanged: readonly [string, string] }
    | { exchanged: null; screw: string; from: string; returns: string };
  /** About a device; the transformer it is wired to the wrong way round. */
  reversed: { supply: string };
  /** About a conductor. */
  'live-end': { landed: TerminalId };
  /** About a damper: its zone calls and is answered, and it stands shut. */
  'zone-shut': { zone: string; call: Call; thermostat: string };
  /** About a damper: its zone asks nothing of what the others get, and it stands open. */
  'zone-open': { zone: string; call: Call; thermostats: readonly string[] };
  /** About whatever blows. */
  'no-way': { load: string };
  /** About a panel: with this off the unit's supply is dead and its own is not. */
  'stays-live': { switch: string };
  /** Mains goes through the signal of one half of a unit; whether its board burns. */
  'line-on-signal': { terminal: TerminalId; burns: boolean };
  /** A case that a hand may touch has so much on it. */
  'live-case': { volts: number };
  /** A case is not earthed. */
  unearthed: object;
  /** About a conductor: so much flows in the protective earth. */
  'earth-current': { amps: number };
  /** The supply stands on the data pair of a communicating device. */
  'power-on-data': object;
  /** Both halves have a supply of their own. */
  'fed-twice': { other: string };
  /** Its supply comes in at the half whose label sends it to the other. */
  'fed-elsewhere': { other: string };
  /** A joint in the run between two halves. */
  'run-spliced': { joint: string };
  /** About a cable: the run is in it with what does not belong to it. */
  'run-shared': { others: readonly string[] };
  restless: { devices: readonly string[] };
  /** About a load; the way it never runs, where it runs the other. */
  never: { load: string; way: 'heat' | 'cool' | null };
}

export type PropertyId = keyof Facts;

/** A violation of any property, or of those named. */
export type Violation<Id extends PropertyId = PropertyId> = {
  [P in Id]: { property: P; about: string } & Facts[P];
}[Id];

/** One property about one thing: what a finding is known by. */
export const keyOf = ({ property, about }: Pick<Violation, 'property' | 'about'>) => `${property} ${about}`;
