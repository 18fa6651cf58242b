/**
 * A brute-force walk over the states of a circuit, for harm a proof must not miss. It shares no code with
 * core/prove: its own calls, its own ways from one to the next, its own idea of harm.
 */
import type { Inputs, World } from '@zygostat/core/behaviour';
import { NEW_WORLD, advance } from '@zygostat/core/behaviour';
import type { Circuit } from '@zygostat/core/circuit';
import { kindOf } from '@zygostat/core/devices';
import type { Network, OperatingPoint } from '@zygostat/core/network';
import { ampsThrough, compile, makeSolver, voltsBetween } from '@zygostat/core/network';

const SET = 21;
const MODES = ['off', 'heat', 'cool', 'emergency'];
const LONG = 1500;

/** Every way a person may hold all thermostats alike, in a room near and far from the set point and satisfied. */
function holdings(ids: readonly string[]): Inputs[] {
  const list: Inputs[] = [];
  for (const mode of MODES)
    for (const fan of ['auto', 'on'])
      for (const apart of mode === 'off' ? [0] : [1, 1.8, 5, -1]) {
        const indoorC = mode === 'cool' ? SET + apart : SET - apart;
        list.push({
          controls: Object.fromEntries(ids.map((id) => [id, { mode, fan, setC: SET }])),
          conditions: { indoorC, outdoorC: mode === 'cool' ? 32 : 3 },
        });
      }
  return list;
}

const loadsOn = (network: Network, point: OperatingPoint) =>
  network.devices.flatMap(({ device, kind, context, branches }) =>
    kind.loads(context).flatMap((load) => {
      const branch = branches.get(load.element)!;
      const ends = network.branches[branch]!.nodes.map((node) => network.nodes[node] ?? 'earth');
      const on = voltsBetween(point, ends[0]!, ends[1]!) > 8 && ampsThrough(point, branch) > 0;
      return on ? [{ ...load, device: device.id }] : [];
    }),
  );

/** What is harmful in a state: `null` when nothing is. */
function harmIn(network: Network, point: OperatingPoint, world: World): string | null {
  for (const { device, kind, branches, context } of network.devices) {
    if (kind.protects && branches.has(kind.protects.element) && world.states[device.id]!.open === true)
      return `${device.label} opened`;
    const secondary = branches.get('secondary');
    if (secondary === undefined || typeof context.params.va !== 'number') continue;
    const share =
      (ampsThrough(point, secondary) * Number(context.params.ratedVolts ?? 24)) / context.params.va;
    if (share > 1.2) return `${device.label} carries ${share.toFixed(2)} times its rating`;
  }
  const on = loadsOn(network, point);
  const hot = on.filter(({ nature }) => nature === 'flame' || nature === 'strip');
  const valve = network.devices.find(({ kind }) => kind.turns);
  const way = valve?.kind.turns!(world.states[valve.device.id]!, valve.context) ?? 'cool';
  const cold = on.filter(
    ({ nature, serves }) => nature === 'compressor' && (serves === 'cool' || way === 'cool'),
  );
  return hot.length > 0 && cold.length > 0 ? 'heats with cooling' : null;
}

/**
 * The first harm met on the way through every holding, and from every holding into every other, at normal and
 * high mains.
 */
export function walk(circuit: Circuit): string | null {
  const ids = circuit.devices.filter(({ kind }) => kindOf(kind).asks).map(({ id }) => id);
  for (const share of [1, 1.1]) {
    const network = compile({ ...circuit, mains: { ...circuit.mains, volts: circuit.mains.volts * share } });
    const solver = makeSolver(network);
    const all = holdings(ids);
    const start = advance(network, all[0]!, NEW_WORLD, 500, solver);
    for (const first of all) {
      const held = advance(network, first, start.world, LONG, solver);
      const harm = harmIn(network, held.point, held.world);
      if (harm) return harm;
      for (const then of all) {
        let { world } = held;
        for (const seconds of [1, 70, LONG]) {
          const next = advance(network, then, world, seconds, solver);
          world = next.world;
          const found = harmIn(network, next.point, next.world);
          if (found) return found;
        }
      }
    }
  }
  return null;
}
