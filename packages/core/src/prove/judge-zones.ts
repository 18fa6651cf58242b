/** Judges what a zoned system does with its air. */
import { dampersIn, momentOf } from '../behaviour';
import type { LoadReading } from '../behaviour';
import type { Call } from '../devices';
import { inputsOf } from './cases';
import type { JudgedState } from './judged-state';
import type { Violation } from './violation';

/** What of a zone's calls decides for it, the foremost first. */
const WAYS = ['heat', 'cool', 'fan'] as const;

const runs = (loads: readonly LoadReading[], call: Call) =>
  loads.some(({ serves, energised }) => energised && serves === call);

/** Every thermostat, the zone it hangs in, if any, and what it asks. */
function zoneAsks({ network, subject, settled: { world } }: JudgedState) {
  return network.devices.flatMap((installed) => {
    const { kind, device, context } = installed;
    if (!kind.asks) return [];
    const zone = String(context.params.zone ?? '');
    const asks = kind.asks(world.states[device.id]!, momentOf(installed, inputsOf(subject), world.now));
    return [{ zone, device: device.id, asks }];
  });
}

/** The dampers of a zone that calls and is answered stand open, those of one that asks nothing or the other way shut. */
export function wrongDampers(look: JudgedState): Violation[] {
  const { network, subject, settled, loads } = look;
  if (subject.trip) return [];
  const stats = zoneAsks(look);
  const way = WAYS.find((call) => runs(loads, call) && stats.some(({ asks }) => asks.includes(call)));
  if (way === undefined) return [];
  const dampers = dampersIn(network, inputsOf(subject), settled.world);
  return dampers.flatMap(({ device, zone, open }): Violation[] => {
    const own = stats.filter((stat) => stat.zone === zone);
    if (own.length === 0) return [];
    const calls = own.some(({ asks }) => asks.includes(way));
    if (calls && open === 0)
      return [{ property: 'zone-shut', about: device, zone: zone!, call: way, thermostat: own[0]!.device }];
    const idle = own.every(({ asks }) => !asks.some((call) => call === way || call === 'fan'));
    const others = stats.filter(({ asks }) => asks.includes(way)).map((stat) => stat.device);
    return idle && open === 1
      ? [{ property: 'zone-open', about: device, zone: zone!, call: way, thermostats: others }]
      : [];
  });
}

/** The fan never blows against dampers that are all shut. */
export function noWay({ network, subject, settled, loads }: JudgedState): Violation[] {
  const blows = loads.find(
    ({ serves, nature, energised }) => serves === 'fan' && nature === 'motor' && energised,
  );
  const dampers = dampersIn(network, inputsOf(subject), settled.world);
  const ducts = network.devices.find(({ kind }) => kind.conveys);
  const conveyed = ducts?.kind.conveys!(ducts.context.params);
  if (!blows || dampers.length === 0 || (conveyed && conveyed.air.leastOpen > 0)) return [];
  const zones = conveyed?.air.zones.map(({ id }) => id) ?? dampers.flatMap(({ zone }) => zone ?? []);
  // A duct without a damper is open; a bypass is a way only where there is a duct for it.
  const ways = [...zones, ...(conveyed?.air.bypass ? [null] : [])];
  const isOpen = (way: string | null) => {
    const own = dampers.filter(({ zone }) => zone === way);
    return own.length === 0 ? way !== null : own.every(({ open }) => open > 0);
  };
  return ways.some(isOpen) ? [] : [{ property: 'no-way', about: blows.device, load: blows.title }];
}
