import type { Call, Load } from '../devices';
import { ratedAmps } from '../devices';
import type { Installed, Network, OperatingPoint } from '../network';
import { ampsThrough, voltsAcross, voltsOf } from '../network';
import type { World } from './world';

/** A load of the circuit as it stands. */
export interface LoadReading extends Omit<Load, 'serves' | 'title'> {
  device: string;
  /** Unique in the circuit. */
  title: string;
  /** What it does now: a heat pump's loads heat or cool as the reversing valve stands. */
  serves: Call | 'valve';
  /** It heats or cools as the reversing valve stands. */
  reversible: boolean;
  branch: number;
  volts: number;
  amps: number;
  /** It has enough across it to do something. */
  energised: boolean;
}

/** Volts across a load below which it does nothing a person would notice. */
const IDLE_VOLTS = 8;

/** Which way a heat pump's loads work; without a reversing valve they can only cool. */
function pumpServes(network: Network, world: World): 'cool' | 'heat' {
  const turned = ({ kind, device, context }: Installed) => kind.turns?.(world.states[device.id]!, context);
  const valve = network.devices.find(({ kind }) => kind.turns);
  return (valve && turned(valve)) ?? 'cool';
}

/** Titles of all loads by device and load, told apart by the device's label where two would be the same. */
function titlesOf({ devices }: Network): (device: string, load: Load) => string {
  const all = devices.flatMap(({ kind, context }) => kind.loads(context).map(({ title }) => title));
  const shared = new Set(all.filter((title, i) => all.indexOf(title) !== i));
  const labels = new Map(devices.map(({ device }) => [device.id, device.label]));
  const alone = new Set(
    devices.filter(({ kind, context }) => kind.loads(context).length === 1).map(({ device }) => device.id),
  );
  return (device, { title }) => {
    const label = labels.get(device)!;
    if (title === undefined || (shared.has(title) && alone.has(device))) return label;
    return shared.has(title) ? `${label}: ${title.charAt(0).toLowerCase()}${title.slice(1)}` : title;
  };
}

/** A load as it is built in. */
export interface BuiltIn {
  device: string;
  load: Load;
  /** Unique in the circuit. */
  title: string;
  branch: number;
}

const known = new WeakMap<Network['devices'], readonly BuiltIn[]>();

/** Every load of a network; the same list each time. */
export function loadsIn(network: Network): readonly BuiltIn[] {
  const before = known.get(network.devices);
  if (before) return before;
  const titleOf = titlesOf(network);
  const found = network.devices.flatMap(({ device, kind, context, branches }) =>
    kind.loads(context).map((load) => ({
      device: device.id,
      load,
      title: titleOf(device.id, load),
      branch: branches.get(load.element)!,
    })),
  );
  known.set(network.devices, found);
  return found;
}

const isEnergised = (volts: number, amps: number) => volts >= IDLE_VOLTS && amps > 0;

/** Devices that draw and do nothing for it. */
const stalledIn = ({ devices }: Network, { states }: World): ReadonlySet<string> =>
  new Set(
    devices.flatMap(({ kind, device: { id } }) => {
      const state = states[id];
      return state && kind.stalls(state) ? [id] : [];
    }),
  );

/** The loads that do something, with what each serves now. */
export function energisedLoads(
  network: Network,
  { point, world }: { point: OperatingPoint; world: World },
): (BuiltIn & { serves: LoadReading['serves'] })[] {
  const pump = pumpServes(network, world);
  const stalled = stalledIn(network, world);
  return loadsIn(network).flatMap((built) => {
    const { branch, load } = built;
    if (stalled.has(built.device) || !isEnergised(voltsAcross(point, branch), ampsThrough(point, branch)))
      return [];
    return [{ ...built, serves: load.serves === 'pump' ? pump : load.serves }];
  });
}

/** Every load with its volts and amperes. */
export function readLoads(
  network: Network,
  { point, world }: { point: OperatingPoint; world: World },
): LoadReading[] {
  const pump = pumpServes(network, world);
  const stalled = stalledIn(network, world);
  return loadsIn(network).map(({ device, load, title, branch }) => {
    const volts = voltsAcross(point, branch);
    const amps = ampsThrough(point, branch);
    return {
      ...load,
      title,
      serves: load.serves === 'pump' ? pump : load.serves,
      reversible: load.serves === 'pump',
      device,
      branch,
      volts,
      amps,
      energised: !stalled.has(device) && isEnergised(volts, amps),
    };
  });
}

/** How hard a transformer is working. */
export interface TransformerReading {
  device: string;
  volts: number;
  amps: number;
  /** Amperes drawn over rated amperes: what heats the winding, shorted or not. */
  share: number;
  burden: 'within' | 'overloaded' | 'shorted';
}

/** Shares of rated amperes above which a transformer is overloaded, and above which only a short draws as much. */
const OVERLOAD_SHARE = 1;
const SHORT_SHARE = 3;

const burdenAt = (share: number): TransformerReading['burden'] =>
  share > SHORT_SHARE ? 'shorted' : share > OVERLOAD_SHARE ? 'overloaded' : 'within';

/** Devices that opened on overload, with the branch that opened and its position while it held. */
export function openedProtections(
  network: Network,
  world: World,
): { installed: Installed; branch: number; position: number }[] {
  return network.devices.flatMap((installed) => {
    const { protects } = installed.kind;
    const branch = protects && installed.branches.get(protects.element);
    if (branch === undefined || world.states[installed.device.id]!.open !== true) return [];
    return [{ installed, branch, position: network.branches[branch]!.positions.indexOf(protects!.held) }];
  });
}

export function readTransformers(network: Network, point: OperatingPoint): TransformerReading[] {
  return network.secondaries.flatMap(({ device, branch, hot, common }) => {
    const { context } = network.devices.find((entry) => entry.device.id === device)!;
    if (typeof context.params.va !== 'number') return [];
    const volts = voltsOf(point, hot, common);
    const amps = ampsThrough(point, branch);
    const share = amps / ratedAmps(context.params);
    return [{ device, volts, amps, share, burden: burdenAt(share) }];
  });
}
