/** The air in a zoned circuit as it stands: what flows, at which pressures, with dampers and bypass on their way. */
import type { ZonedFlow } from '../air';
import { flowAt, supplyDifference } from '../air';
import type { Signal } from '../devices';
import type { Installed, Network } from '../network';
import { dampersIn } from './dampers';
import type { Inputs } from './inputs';
import { momentOf } from './moment';
import type { World } from './world';

export interface ZoneAir {
  zone: string;
  /** Damper in its duct, `null` for a duct without; and how far it is open now. */
  damper: string | null;
  open: number;
  /** How far the damper that is set by hand stands open; 1 where there is none. */
  hand: number;
  /** m³/s */
  flow: number;
  /** Thermostats that hang in it, and whether any of them calls. */
  thermostats: readonly string[];
  calls: boolean;
}

export interface AirView {
  /** Device that stands for the ducts. */
  ducts: string;
  zones: readonly ZoneAir[];
  /** What the fan runs at of its table. */
  speed: number;
  /** Through the unit, m³/s; 0 where nothing blows. */
  total: number;
  bypass: { damper: string | null; open: number; flow: number } | null;
  supplyPa: number;
  returnPa: number;
  /** Air that comes out of the unit, °C, and what it is going to be at this flow against the room, K; `null` with no air. */
  supplyC: number;
  risesK: number | null;
}

const given = (installed: Installed, inputs: Inputs, { states, now }: World) => {
  const state = states[installed.device.id];
  return state ? (installed.kind.gives?.(state, momentOf(installed, inputs, now)) ?? {}) : {};
};

const amountOf = (signals: readonly (Signal | undefined)[]) =>
  signals.reduce((sum, signal) => sum + (signal?.amount ?? 0), 0);

/** What is to be seen of the air; `null` where nothing stands for the ducts. */
export function airOf(network: Network, inputs: Inputs, world: World): AirView | null {
  const ducts = network.devices.find(({ kind }) => kind.conveys);
  const conveyed = ducts?.kind.conveys!(ducts.context.params);
  if (!ducts || !conveyed) return null;
  const dampers = dampersIn(network, inputs, world);
  const all = network.devices.map((installed) => given(installed, inputs, world));
  const blows = Math.min(1, amountOf(all.map(({ blows: signal }) => signal)));
  const openOf = (zone: string | null, without: number) => {
    const own = dampers.filter((one) => one.zone === zone);
    return {
      damper: own[0]?.device ?? null,
      open: own.length === 0 ? without : Math.min(...own.map(({ now }) => now)),
    };
  };
  const bypass = conveyed.air.bypass ? openOf(null, 0) : null;
  const zones = conveyed.air.zones.map(({ id, hand = 1 }) => ({
    zone: id,
    hand,
    ...openOf(id, 1),
  }));
  const flow: ZonedFlow = flowAt(conveyed.air, {
    zones: Object.fromEntries(zones.map(({ zone, open }) => [zone, open])),
    bypass: bypass?.open ?? 0,
    speed: blows * conveyed.speed,
  });
  const stats = network.devices.flatMap((installed) => {
    const { kind, device, context } = installed;
    if (!kind.asks) return [];
    const state = world.states[device.id];
    const asks = state ? kind.asks(state, momentOf(installed, inputs, world.now)) : [];
    return [{ id: device.id, zone: String(context.params.zone ?? ''), calls: asks.length > 0 }];
  });
  const air = all.find((one) => one['supply-air'])?.['supply-air'];
  const supplyC = air?.amount ?? inputs.conditions.indoorC;
  const watts = amountOf(all.map(({ 'supply-heat': signal }) => signal));
  return {
    ducts: ducts.device.id,
    speed: blows * conveyed.speed,
    zones: zones.map((zone) => {
      const own = stats.filter((stat) => stat.zone === zone.zone);
      return {
        ...zone,
        flow: flow.zones[zone.zone]!,
        thermostats: own.map(({ id }) => id),
        calls: own.some(({ calls }) => calls),
      };
    }),
    total: flow.total,
    bypass: bypass && { ...bypass, flow: flow.bypass },
    supplyPa: flow.supplyPa,
    returnPa: flow.returnPa,
    supplyC,
    risesK: flow.total - flow.bypass > 0 ? supplyDifference(flow, watts) : null,
  };
}
