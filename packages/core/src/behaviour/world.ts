/** How all devices of a circuit stand at one time. */
import type { State } from '../devices';
import type { Network, OperatingPoint } from '../network';

/** The memory of every device at one time, plain data. */
export interface World {
  /** Seconds since the bench was opened. */
  now: number;
  states: Readonly<Record<string, State>>;
}

/** Devices that never come to rest, and the states they swing between. */
export interface Chattering {
  devices: readonly string[];
  between: readonly Readonly<Record<string, State>>[];
}

export interface Settled {
  world: World;
  point: OperatingPoint;
  chattering: Chattering | null;
}

export const NEW_WORLD: World = { now: 0, states: {} };

/** Whether a device stands as before. */
export function isSameState(one: State, other: State): boolean {
  if (one === other) return true;
  for (const key in one) if (one[key] !== other[key]) return false;
  return true;
}

/**
 * A world kept from another time, reduced to what this network's devices understand: states
 * of devices that are gone, and fields of another type or name, are dropped.
 */
export function restoreWorld(network: Network, kept: World): World {
  const states: Record<string, State> = {};
  for (const { device, kind } of network.devices) {
    const old = kept.states[device.id] ?? {};
    states[device.id] = Object.fromEntries(
      Object.entries(kind.initial).map(([name, fresh]) => [
        name,
        fits(old[name], fresh) ? old[name]! : fresh,
      ]),
    );
  }
  return { now: kept.now, states };
}

const fits = (value: State[string] | undefined, fresh: State[string]) =>
  fresh === null
    ? value === null || typeof value === 'number'
    : value === null || typeof value === typeof fresh;
