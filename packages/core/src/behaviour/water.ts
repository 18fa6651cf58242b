import type { Network } from '../network';
import type { Inputs } from './inputs';
import type { World } from './world';
import { actorsOf } from './actors';

/** Water let out where it does harm, in the whole circuit, l. */
export const spiltIn = (network: Network, inputs: Inputs, world: World): number =>
  actorsOf(network, inputs).reduce(
    (sum, { installed: { kind }, id, moment }) =>
      sum + (kind.spilt?.(world.states[id]!, Object.assign(moment, { now: world.now })) ?? 0),
    0,
  );
