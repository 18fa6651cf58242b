/**
 * From two rooms' complaint to the choice: a panel with dampers, or further thermostats in parallel; parts, minutes and what
 * is lost side by side, each proven.
 */
import type { AirPlan } from '../air/states';
import { planAir } from '../air/states';
import type { Circuit } from '../../circuit';
import { findDevice, setValue } from '../../circuit';
import { kindOf } from '../../devices';
import type { Finding, Proof } from '../../prove';
import { prove } from '../../prove';
import { LANDING_MINUTES, pullMinutes } from '../field/cable';
import type { Part } from '../field/part';
import { cablePart } from '../field/part';
import { landedEnds, pigtailed } from '../field/pigtail';
import { harmOf } from '../harm';
import { addParallelThermostat } from '../insert/parallel';
import { planRooms } from '../air/rooms';
import type { Season } from '../air/seasons';
import type { ZoneObstacle, ZoneWish } from './panel';
import { OWN_VA, zonedCircuit } from './panel';
import { withRooms } from './rooms';

/** What a way does not give, or gives up. */
export type ZoneLoss = 'same-air' | 'one-mode' | 'rooms-by-themselves' | 'air-not-sized';

export interface ZoneOption {
  way: 'panel' | 'parallel';
  circuit: Circuit;
  parts: readonly Part[];
  minutes: number;
  losses: readonly ZoneLoss[];
  /** What the air comes to; only where dampers part it. */
  air: AirPlan | null;
  /** Who leads in which months; only where thermostats stand in parallel. */
  seasons: readonly Season[];
  proof: Proof;
  harm: readonly Finding[];
}

export type ZonePlan = { obstacle: ZoneObstacle } | { options: readonly ZoneOption[] };

/** Minutes to mount a panel, a thermostat, a transformer, and to cut a damper or a bypass into a duct; from memory. */
const MOUNT_MINUTES = { panel: 25, thermostat: 10, transformer: 15, damper: 45, bypass: 60 } as const;

const devicesAdded = (before: Circuit, after: Circuit) =>
  after.devices.filter(({ id }) => !before.devices.some((one) => one.id === id));
const cablesAdded = (before: Circuit, after: Circuit) =>
  after.cables.filter(
    ({ id, conductors }) => conductors.length > 1 && !before.cables.some((one) => one.id === id),
  );

/** Parts and minutes of a change, from what is in it and was not. */
function costsOf(before: Circuit, after: Circuit): { parts: Part[]; minutes: number } {
  const devices = devicesAdded(before, after);
  const count = (is: (kind: ReturnType<typeof kindOf>) => boolean) =>
    devices.filter(({ kind }) => is(kindOf(kind))).length;
  const [panels, stats, transformers, relief] = [
    count(({ ownSupply }) => ownSupply !== undefined),
    count(({ asks }) => asks !== undefined),
    count(({ primary }) => primary !== undefined),
    count(({ relieves }) => relieves !== undefined),
  ];
  const dampers = count(({ conducts }) => conducts === 'zone');
  const cables = cablesAdded(before, after);
  const was = landedEnds(before);
  const landings = [...landedEnds(after)].filter((one) => !was.has(one)).length;
  const va = devices.find(({ kind }) => kindOf(kind).primary)?.params.va;
  return {
    parts: [
      ...(panels > 0 ? [{ type: 'panel-of-zones', zones: stats + 1 } as const] : []),
      ...(stats > 0 ? [{ type: 'new-thermostat', count: stats } as const] : []),
      ...(dampers > 0 ? [{ type: 'zone-damper', count: dampers } as const] : []),
      ...(relief > 0 ? [{ type: 'relief' } as const] : []),
      ...(transformers > 0 ? [{ type: 'transformer', va: Number(va ?? OWN_VA[0]) } as const] : []),
      ...cables.filter(({ lengthM }) => lengthM > 3).map(cablePart),
    ],
    minutes: Math.round(
      landings * LANDING_MINUTES +
        cables.filter(({ lengthM }) => lengthM > 3).reduce((sum, cable) => sum + pullMinutes(cable), 0) +
        panels * MOUNT_MINUTES.panel +
        stats * MOUNT_MINUTES.thermostat +
        transformers * MOUNT_MINUTES.transformer +
        dampers * MOUNT_MINUTES.damper +
        relief * MOUNT_MINUTES.bypass,
    ),
  };
}

/** The ducts with the bypass, or the opening of shut dampers, that is right for them as they are given. */
function sizedDucts(circuit: Circuit, { bypass }: ZoneWish): Circuit {
  const air = planAir(circuit);
  const ducts = circuit.devices.find(({ kind }) => kindOf(kind).conveys);
  if (!air || !ducts) return circuit;
  const right = bypass === 'motor' ? air.powered : bypass === 'weight' ? air.barometric : null;
  const damper = circuit.devices.find(({ kind }) => kindOf(kind).relieves);
  if (right && damper)
    return setValue(
      setValue(circuit, ducts.id, 'params', 'bypassMm', Math.round(right.diameterM * 1000)),
      damper.id,
      'settings',
      'setPa',
      Math.round(right.setPa),
    );
  return air.otherwise.leastOpen === null
    ? circuit
    : setValue(circuit, ducts.id, 'params', 'leastOpen', Math.round(air.otherwise.leastOpen * 100));
}

function optionOf(
  before: Circuit,
  standing: Proof,
  way: ZoneOption['way'],
  made: Circuit,
  losses: readonly ZoneLoss[],
): ZoneOption {
  const { circuit, parts } = pigtailed(before, made);
  const proof = prove(circuit)!;
  const costs = costsOf(before, circuit);
  const air = way === 'panel' ? planAir(circuit) : null;
  const unsized = air?.asBuilt.some(({ troubles }) => troubles.length > 0) ?? false;
  return {
    way,
    circuit,
    parts: [...costs.parts, ...parts],
    minutes: costs.minutes,
    losses: [...losses, ...(unsized ? (['air-not-sized'] as const) : [])],
    air,
    seasons: [],
    proof,
    harm: harmOf(standing, proof),
  };
}

/** The panel with the smallest transformer the proof is content with. */
function panelOption(circuit: Circuit, standing: Proof, wish: ZoneWish): ZoneOption {
  let last: ZoneOption | null = null;
  for (const va of OWN_VA) {
    const made = zonedCircuit(circuit, wish, va) as Circuit;
    last = optionOf(circuit, standing, 'panel', sizedDucts(made, wish), []);
    if (last.harm.length === 0) break;
  }
  return last!;
}

/** Thermostats beside the first, terminal to terminal at the unit: no damper, one mode for all. */
function parallelOption(circuit: Circuit, standing: Proof, { thermostat, zones }: ZoneWish): ZoneOption {
  const hung = (now: Circuit, device: string, zone: number) =>
    setValue(now, device, 'params', 'zone', `${zone}`);
  const first = withRooms(
    hung(circuit, thermostat, 1),
    zones.length,
    findDevice(circuit, thermostat)!.station,
  );
  const made = zones.slice(1).reduce((now, { name, lengthM }, i) => {
    const station = { id: `room-parallel-${i + 2}`, kind: 'room' as const, name, access: 2 };
    const added = addParallelThermostat({ ...now, stations: [...now.stations, station] }, thermostat, {
      station: station.id,
      lengthM,
    });
    return hung(added.circuit, added.device, i + 2);
  }, first);
  return {
    ...optionOf(circuit, standing, 'parallel', made, ['same-air', 'one-mode', 'rooms-by-themselves']),
    seasons: planRooms(made, { day: 'winter' })?.seasons ?? [],
  };
}

/** Ways to give rooms their own say, the panel first. */
export function planZones(circuit: Circuit, wish: ZoneWish): ZonePlan {
  // What stands in the way is known at once.
  const first = zonedCircuit(circuit, wish, OWN_VA[0]);
  if (typeof first === 'string') return { obstacle: first };
  const standing = prove(circuit)!;
  const panel = panelOption(circuit, standing, wish);
  return { options: [panel, parallelOption(circuit, standing, wish)] };
}
