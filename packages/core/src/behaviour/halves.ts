/** The two halves of a unit as they stand in a network. */
import type { Interconnect } from '../devices';
import type { Installed, Network, OperatingPoint } from '../network';
import { voltsOf } from '../network';

export interface Half {
  installed: Installed;
  at: Interconnect;
}

export const halvesIn = ({ devices }: Pick<Network, 'devices'>): Half[] =>
  devices.flatMap((installed) => {
    const at = installed.kind.interconnect?.(installed.context.params);
    return at ? [{ installed, at }] : [];
  });

/** The point of a half's case. */
export const caseOf = (network: Network, { installed: { device }, at }: Half): number =>
  network.indexOf(`${device.id}${at.case}`);

/** What a hand finds on the case of a half, against earth, V. */
export const caseVolts = (point: OperatingPoint, half: Half): number =>
  voltsOf(point, caseOf(point.network, half), -1);
