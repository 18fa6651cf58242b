/** Two devices that hear one another over the air: one without its power, or both with theirs and silent. */
import { LOGIC } from '../../devices';
import { causeOfMissing, partnersOf } from '../trace';
import type { Status, StatusContext } from './status';
import { faultBy } from './status';

export function noLink({ scene: { network, settled }, trace }: StatusContext): Status | null {
  const stands = network.devices
    .filter(({ kind }) => kind.radio)
    .map((installed) => ({
      installed,
      id: installed.device.id,
      ...installed.kind.radio!.stands(settled.world.states[installed.device.id]!),
    }));
  const lit = stands.find(({ powered }) => powered);
  if (!lit) return null;
  const dark = stands.find(({ powered }) => !powered);
  if (dark)
    return faultBy(
      { type: 'half-dark', device: dark.id, other: lit.id },
      causeOfMissing(trace, dark.installed.branches.get(LOGIC)!),
    );
  const silent = stands.find((one) => one.silent);
  if (!silent) return null;
  const devices = [silent.id, ...partnersOf(network, silent.installed).map(({ device }) => device.id)];
  return faultBy({ type: 'no-link', devices }, { type: 'silent', devices });
}
