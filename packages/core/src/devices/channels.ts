/**
 * How devices notice one another without a wire: refrigerant, flue gas, water. What is given on a channel is heard in the
 * whole circuit.
 */

/** What a channel carries, and in which unit. */
export type Channel =
  /** Heat an indoor coil takes from the air, W. */
  | 'chills'
  /** Heat a heat pump moves, whichever way, W. */
  | 'pumps'
  /** Which way the reversing valve stands: 1 heats, −1 cools. */
  | 'turned'
  /** Whether the coil of a reversing valve on leads of its own holds it over: 1 when it does. */
  | 'valve'
  /** Heat that a condensing appliance is fired with, W. */
  | 'condenses'
  /** Depth in the pan of the coil, and in the pan under the unit at its lowest and its highest corner, mm. */
  | 'coil-pan'
  | 'lower-pan'
  | 'lower-pan-high'
  /** What runs down the drain, l/s. */
  | 'drains'
  /** Heat given to the air of the house by burner or strips, W. */
  | 'warms'
  /** What the fan runs at, a share of full speed. */
  | 'blows'
  /** How far the damper in a zone's duct is open, or on its way to be; and the bypass. */
  | 'damper-1'
  | 'damper-2'
  | 'damper-3'
  | 'damper-4'
  | 'bypass'
  /** Pressure in supply and return against the room, Pa, with everything where it is on its way to. */
  | 'supply-static'
  | 'return-static'
  /** Air that comes out of the unit, °C. */
  | 'supply-air'
  /** What the unit gives that air, W; cooling takes it away. */
  | 'supply-heat'
  /** What a remote asks of the unit that hears it. */
  | 'asks-heat'
  | 'asks-cool'
  | 'asks-fan'
  /** What the modules of a wireless link say, each as the number of its pair: that they are there, and what is called. */
  | 'link-indoors'
  | 'link-outdoors'
  | 'link-Y'
  | 'link-O'
  | 'link-D';

/** What a device gives off on a channel: how much now and, of a level, when it will be at another. */
export interface Signal {
  amount: number;
  /** Absolute seconds at which it is so much if nothing else changes; Infinity for never. */
  reaches?(amount: number): number;
  /** Of something on its way: where it stands now. */
  stands?: number;
  /** Of a pressure: what it would be with the bypass open so far. */
  withBypass?(open: number): number;
}

/** All of a channel together. */
export const heard = (senses: { hears(channel: Channel): readonly Signal[] }, channel: Channel): number =>
  senses.hears(channel).reduce((sum, { amount }) => sum + amount, 0);

/** Something that flows: it has no level to reach. */
export const flow = (amount: number): Signal => ({ amount });
