import type { Network } from '../network';
import { loadPath, voltsBetween } from '../network';
import { waitsOf } from './advance';
import type { LoadReading } from './loads';
import { CALL_VOLTS } from './scene';
import type { Inputs } from './inputs';
import { momentOf } from './moment';
import type { Settled } from './world';

/** Whether a safety airs the house: it found something that burns, or clears what it had found. */
const isAired = (network: Network, inputs: Inputs, { world }: Settled): boolean =>
  network.devices.some((installed) => {
    const { kind, device } = installed;
    if (kind.safety?.runs !== 'fan') return false;
    const tone = kind.face(world.states[device.id]!, momentOf(installed, inputs, world.now))?.tone;
    return tone === 'tripped' || tone === 'busy';
  });

/**
 * Tells the loads that only run on after their call, and a fan that a safety runs: a purge has nothing on the terminal that started
 * it, a sequencer or relay on the load's way is still counting. That is no fault.
 */
export function runningOn(
  network: Network,
  inputs: Inputs,
  settled: Settled,
): (load: LoadReading) => boolean {
  const counting = new Set(waitsOf(network, inputs, settled.world).map(({ device }) => device));
  const aired = isAired(network, inputs, settled);
  return ({ device, startedBy, branch, serves }) => {
    if (aired && serves === 'fan') return true;
    if (startedBy !== undefined)
      return voltsBetween(settled.point, `${device}.${startedBy}`, `${device}.C`) < CALL_VOLTS;
    const steps = loadPath(network, settled.point.choice, branch)?.steps ?? [];
    return steps.some(({ branch: step }) => {
      const { origin } = network.branches[step]!;
      return origin.type === 'device' && counting.has(origin.device);
    });
  };
}
