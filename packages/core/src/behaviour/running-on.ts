import type { Network } from '../network';
import { loadPath, voltsBetween } from '../network';
import { waitsOf } from './advance';
import type { LoadReading } from './loads';
import { CALL_VOLTS } from './scene';
import type { Inputs } from './inputs';
import type { Settled } from './settle';

/**
 * Tells the loads that only run on after their call: a purge has nothing on the terminal that started
 * it, a sequencer or relay on the load's way is still counting. That is no fault.
 */
export function runningOn(
  network: Network,
  inputs: Inputs,
  settled: Settled,
): (load: LoadReading) => boolean {
  const counting = new Set(waitsOf(network, inputs, settled.world).map(({ device }) => device));
  return ({ device, startedBy, branch }) => {
    if (startedBy !== undefined)
      return voltsBetween(settled.point, `${device}.${startedBy}`, `${device}.C`) < CALL_VOLTS;
    const steps = loadPath(network, settled.point.choice, branch)?.steps ?? [];
    return steps.some(({ branch: step }) => {
      const { origin } = network.branches[step]!;
      return origin.type === 'device' && counting.has(origin.device);
    });
  };
}
