/** From switches, safeties and calls to a steady state, contact by contact. */
import type { Network, Solver } from '../network';
import { makeSolver } from '../network';
import { actorsOf } from './actors';
import type { Inputs } from './inputs';
import { Round } from './round';
import type { Settled, World } from './world';
import { NEW_WORLD } from './world';

/**
 * Settles a network at one instant: devices answer the voltages, the voltages answer
 * the devices, until nothing changes. All devices move together, as relays do; when that
 * repeats itself they are tried one after another before the circuit is called
 * chattering, so that a mere tie between two relays is not.
 */
export function settle(
  network: Network,
  inputs: Inputs,
  world: World = NEW_WORLD,
  solver: Solver = makeSolver(network),
): Settled {
  return new Round(network, actorsOf(network, inputs), world, solver).settle();
}
