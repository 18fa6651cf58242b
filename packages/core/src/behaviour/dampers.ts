/** Dampers of a circuit by the zone whose duct they sit in. */
import type { Channel } from '../devices';
import type { Network } from '../network';
import type { Inputs } from './inputs';
import type { World } from './world';
import { actorsOf } from './actors';

export const ZONES = ['1', '2', '3', '4'] as const;

export interface DamperReading {
  device: string;
  /** Zone whose duct it sits in; `null` for a bypass. */
  zone: string | null;
  /** How far it is open, or on its way to be. */
  open: number;
  /** How far it is open at this moment. */
  now: number;
}

const CHANNELS: readonly (readonly [Channel, string | null])[] = [
  ...ZONES.map((zone) => [`damper-${zone}`, zone] as const),
  ['bypass', null],
];

/** How every damper stands, or where it is going. */
export const dampersIn = (network: Network, inputs: Inputs, { states, now }: World): DamperReading[] =>
  actorsOf(network, inputs).flatMap(({ installed: { kind }, id, moment }) => {
    const state = states[id];
    const given = state && kind.gives?.(state, Object.assign(moment, { now }));
    return given
      ? CHANNELS.flatMap(([channel, zone]) => {
          const signal = given[channel];
          return signal
            ? [{ device: id, zone, open: signal.amount, now: signal.stands ?? signal.amount }]
            : [];
        })
      : [];
  });
