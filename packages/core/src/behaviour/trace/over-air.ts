/** What a contact does that another device closes over the air: followed to whoever says it. */
import { LOGIC } from '../../devices';
import type { Installed, Network } from '../../network';
import type { Cause } from './cause';
import type { Trace } from './trace';
import { installedOf } from './trace';

/** Devices that hear one another: of one pair, one saying what the other heeds. */
export const partnersOf = ({ devices }: Pick<Network, 'devices'>, one: Installed): Installed[] => {
  const { radio } = one.kind;
  return radio
    ? devices.filter(
        (other) =>
          other !== one &&
          other.kind.radio !== undefined &&
          other.kind.kind !== one.kind.kind &&
          other.kind.radio.pair(other.context.params) === radio.pair(one.context.params),
      )
    : [];
};

/** The load of a partner whose current makes it say what closes a contact. */
export function spokenBy(
  { network }: Pick<Trace, 'network'>,
  device: string,
  element: string,
): { partner: Installed; branch: number } | null {
  const own = installedOf({ network }, device);
  const channel = own.kind.radio?.heeds[element];
  if (channel === undefined) return null;
  for (const partner of partnersOf(network, own)) {
    const input = partner.kind.radio!.speaks[channel];
    const branch = input === undefined ? undefined : partner.branches.get(input);
    if (branch !== undefined) return { partner, branch };
  }
  return null;
}

/**
 * Why a contact that is closed over the air is open; `null` where it is none.
 *
 * @param missing - why a branch has nothing.
 */
export function causeOverAir(
  trace: Trace,
  device: string,
  element: string,
  missing: (branch: number) => Cause,
): Cause | null {
  const own = installedOf(trace, device);
  if (own.kind.radio?.heeds[element] === undefined) return null;
  const { states } = trace.settled.world;
  const spoken = spokenBy(trace, device, element);
  if (!spoken) return { type: 'silent', devices: [device] };
  const both = [own, spoken.partner].map((one) => ({
    one,
    ...one.kind.radio!.stands(states[one.device.id]!),
  }));
  const dark = both.find(({ powered }) => !powered);
  if (dark) return missing(dark.one.branches.get(LOGIC)!);
  if (both[0]!.silent) return { type: 'silent', devices: [spoken.partner.device.id, device] };
  return missing(spoken.branch);
}
