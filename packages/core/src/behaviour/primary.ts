/** How a transformer's primary is fed: the tap in use, what it is meant for, and what it has. */
import { landedOn } from '../circuit';
import type { Network, OperatingPoint } from '../network';
import { voltsBetween } from '../network';

export interface PrimaryTap {
  mark: string;
  /** Volts the tap is meant for, and volts applied to it. */
  nominal: number;
  volts: number;
}

/** Taps a transformer has, by mark and nominal volts. */
export const tapsOf = (network: Network, device: string): { mark: string; nominal: number }[] =>
  (network.devices.find((entry) => entry.device.id === device)!.kind.primary?.taps ?? []).map(
    ({ mark, volts }) => ({ mark, nominal: volts }),
  );

/** The tap a transformer is fed on; `null` when none is wired, or it has none. */
export function primaryTap(network: Network, point: OperatingPoint, device: string): PrimaryTap | null {
  const { circuit } = network;
  const wired = tapsOf(network, device).find(
    ({ mark }) =>
      landedOn(circuit, `${device}.${mark}`).length > 0 ||
      circuit.links.some(({ joins }) => joins.includes(`${device}.${mark}`)),
  );
  if (!wired) return null;
  const { common } = network.devices.find((entry) => entry.device.id === device)!.kind.primary!;
  return { ...wired, volts: voltsBetween(point, `${device}.${wired.mark}`, `${device}.${common}`) };
}

/** Shares of its nominal volts between which a tap is the right one: half way to the next, from memory. */
const FITS = { low: 0.88, high: 1.13 } as const;

/** Whether a supply that is there does not fit the tap it is on. */
export function isOffTap({ volts, nominal }: Pick<PrimaryTap, 'volts' | 'nominal'>): boolean {
  const share = volts / nominal;
  return share > 0.2 && (share < FITS.low || share > FITS.high);
}

/** Nominal volts of the tap a supply fits, where it is on one that it does not; `null` otherwise. */
export function betterTap(network: Network, device: string, tap: PrimaryTap): number | null {
  if (!isOffTap(tap)) return null;
  const away = (nominal: number) => Math.abs(Math.log(tap.volts / nominal));
  const fitting = tapsOf(network, device).flatMap(({ nominal }) =>
    isOffTap({ ...tap, nominal }) ? [] : [nominal],
  );
  return fitting.sort((one, other) => away(one) - away(other))[0] ?? null;
}
