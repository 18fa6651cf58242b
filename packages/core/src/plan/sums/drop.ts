/** What reaches each coil over its wires, at low mains and warm copper, and how long its run may be. */
import type { LoadReading } from '../../behaviour';
import { readLoads } from '../../behaviour';
import type { Cable, Circuit } from '../../circuit';
import { findCable, nodeName, setCable } from '../../circuit';
import type { Situation } from '../../prove';
import type { Choice, LoadPath, Network, OperatingPoint } from '../../network';
import {
  compile,
  loadPath,
  makeSolver,
  solve,
  solveKnown,
  voltsAcross,
  voltsBetween,
  voltsOf,
} from '../../network';
import { COIL_OPERATING_RANGE, GAUGES } from '../../standards';
import type { Working } from './states';
import { LOW_MAINS, workingStates } from './states';

/** Volts at one point of a load's way, with the metres of conductor to it and back. */
export interface WayPoint {
  name: string;
  /** Metres from the transformer, out on the hot side or still to go on the return. */
  metres: number;
  /** Against the transformer's common. */
  volts: number;
  side: 'out' | 'back';
}

export interface Drop {
  device: string;
  title: string;
  /** What it is called by. */
  situation: Situation;
  /** Volts at the transformer and at the load, pulled in and in the moment of pulling in. */
  source: number;
  sealed: number;
  inrush: number;
  /** Volts at which it is guaranteed to pull in, and from which it usually does. */
  needs: number;
  usual: number;
  pullsIn: 'guaranteed' | 'usually' | 'not';
  /** Volts lost on conductors and contacts, out and back, as it pulls in. */
  lost: number;
  points: readonly WayPoint[];
  /** The longest run on its way, and how it could be. */
  run: {
    cable: string;
    label: string;
    gauge: number;
    lengthM: number;
    /** By gauge, the longest this run may be, m; `null` when no length would do. */
    longest: readonly { gauge: number; lengthM: number | null }[];
    /** The thinnest that does for this length; `null` when none does. */
    thinnest: number | null;
  } | null;
}

/** Runs longer than this are not looked into, m. */
const FAR_M = 600;
/** A jacket couples only from 2 m; shorter and longer runs must keep the same branches. */
const SHORTEST_RUN_M = 2;
/** A longest run is found to within this, m. */
const NEAR_M = 0.5;
/** Gauges control cable is sold in. */
export const CONTROL_GAUGES = GAUGES.filter((gauge) => gauge >= 14);

interface Pull {
  load: LoadReading;
  situation: Situation;
  /** Positions in the best moment it has to pull in. */
  choice: Choice;
  /** And with it pulled in. */
  held: Choice;
  needs: number;
  usual: number;
}

/** Volts from which a coil is meant to pull in, from memory. */
const CALLED_VOLTS = 12;

/** The moments coils pull in, as the circuit passes through them; of each coil the one that leaves it least. */
function pullsOf({ network, states }: Working): Pull[] {
  const solver = makeSolver(network);
  const pulls = new Map<number, Pull & { volts: number }>();
  // Thermostats in opposite modes are a fault of their own, not a load to wire for.
  for (const { asked, settled, passed } of states.filter(({ asked: { calls } }) => calls.length < 2))
    for (const load of readLoads(network, settled)) {
      const { branch } = load;
      const inrush = network.branches[branch]!.positions.indexOf('inrush');
      const installed = network.devices.find(({ device }) => device.id === load.device)!;
      const rated = Number(installed.context.params.coilVolts);
      if (inrush < 0 || !(rated > 0) || !load.energised) continue;
      // Coils that start together help each other once the first is in: each call counts by its best moment.
      const moments = passed
        .filter((choice) => choice[branch] === inrush)
        .map((choice) => ({ choice, volts: voltsAcross(solveKnown(solver, choice), branch) }))
        .filter(({ volts }) => volts >= CALLED_VOLTS);
      if (moments.length === 0) continue;
      const { choice, volts } = moments.reduce((best, one) => (one.volts > best.volts ? one : best));
      if (volts >= (pulls.get(branch)?.volts ?? Infinity)) continue;
      const needs = COIL_OPERATING_RANGE.low * rated;
      const usual = Number(installed.context.params.pullInShare) * rated;
      const held = settled.point.choice.slice();
      held[branch] = network.branches[branch]!.positions.indexOf('sealed');
      pulls.set(branch, { load, situation: asked.situation, choice, held, needs, usual, volts });
    }
  return [...pulls.values()];
}

/** The cable a way's conductor belongs to, if that step is a conductor. */
function cableOf({ circuit, branches }: Network, branch: number): Cable | undefined {
  const { origin } = branches[branch]!;
  if (origin.type !== 'conductor') return undefined;
  return circuit.cables.find(({ conductors }) => conductors.some(({ id }) => id === origin.conductor));
}

/** Volts along a load's way, out to the load and back. */
function pointsOf(network: Network, point: OperatingPoint, way: LoadPath, branch: number): WayPoint[] {
  const common = way.steps[way.steps.length - 1]!.to;
  const volts = (node: number) => voltsOf(point, node, common);
  const name = (node: number) => (node < 0 ? 'earth' : nodeName(network.circuit, network.nodes[node]!));
  const points: WayPoint[] = [{ name: name(way.hot), metres: 0, volts: volts(way.hot), side: 'out' }];
  let metres = 0;
  let side: WayPoint['side'] = 'out';
  for (const step of way.steps) {
    metres += (side === 'out' ? 1 : -1) * (cableOf(network, step.branch)?.lengthM ?? 0);
    if (step.branch === branch) side = 'back';
    points.push({ name: name(step.to), metres: Math.max(metres, 0), volts: volts(step.to), side });
  }
  return points.filter(({ name: own }) => !own.includes('#'));
}

/** Volts at a coil pulling in, with one of its runs changed. */
function coilVolts(circuit: Circuit, pull: Pull, copperC: number): number {
  const network = compile(
    { ...circuit, mains: { ...circuit.mains, volts: circuit.mains.volts * LOW_MAINS } },
    [],
    [],
    copperC,
  );
  return voltsAcross(solve(makeSolver(network), pull.choice), pull.load.branch);
}

/** The longest a run may be for a coil to pull in, by halving. */
function longestRun(
  circuit: Circuit,
  cable: Cable,
  gauge: number,
  pull: Pull,
  copperC: number,
): number | null {
  const does = (lengthM: number) =>
    coilVolts(setCable(circuit, cable.id, { gauge, lengthM }), pull, copperC) >= pull.needs;
  let [good, bad] = [SHORTEST_RUN_M, FAR_M];
  if (!does(good)) return null;
  if (does(bad)) return FAR_M;
  while (bad - good > NEAR_M) {
    const middle = (good + bad) / 2;
    if (does(middle)) good = middle;
    else bad = middle;
  }
  return good;
}

function runOf(circuit: Circuit, network: Network, way: LoadPath, pull: Pull, copperC: number): Drop['run'] {
  const cables = way.steps.flatMap(({ branch }) => cableOf(network, branch) ?? []);
  const cable = cables.reduce<Cable | undefined>(
    (best, entry) => (entry.lengthM >= SHORTEST_RUN_M && entry.lengthM > (best?.lengthM ?? 0) ? entry : best),
    undefined,
  );
  if (!cable) return null;
  const longest = CONTROL_GAUGES.map((gauge) => ({
    gauge,
    lengthM: longestRun(circuit, cable, gauge, pull, copperC),
  }));
  const enough = longest.filter(({ lengthM }) => lengthM !== null && lengthM >= cable.lengthM);
  return {
    cable: cable.id,
    label: findCable(circuit, cable.id)!.label,
    gauge: cable.gauge,
    lengthM: cable.lengthM,
    longest,
    thinnest: enough.length > 0 ? Math.max(...enough.map(({ gauge }) => gauge)) : null,
  };
}

/**
 * What every coil gets over its wires.
 *
 * @param copperC - temperature of the conductors, °C.
 */
export function voltageDrops(circuit: Circuit, copperC: number): Drop[] {
  const working = workingStates(circuit, LOW_MAINS, copperC);
  const low = working.network;
  const solver = makeSolver(low);
  return pullsOf(working).flatMap((pull): Drop[] => {
    const { load, choice } = pull;
    const way = loadPath(low, choice, load.branch);
    if (!way) return [];
    const pulling = solve(solver, choice);
    const inrush = voltsAcross(pulling, load.branch);
    const end = way.steps[way.steps.length - 1]!.to;
    const source = voltsBetween(pulling, low.nodes[way.hot]!, end < 0 ? 'earth' : low.nodes[end]!);
    return [
      {
        device: load.device,
        title: load.title,
        situation: pull.situation,
        source,
        sealed: voltsAcross(solve(solver, pull.held), load.branch),
        inrush,
        needs: pull.needs,
        usual: pull.usual,
        pullsIn: inrush >= pull.needs ? 'guaranteed' : inrush >= pull.usual ? 'usually' : 'not',
        lost: source - inrush,
        points: pointsOf(low, pulling, way, load.branch),
        run: runOf(circuit, low, way, pull, copperC),
      },
    ];
  });
}
