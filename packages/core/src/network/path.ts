/** The way current takes from a transformer's hot, through a load, back to its common. */
import type { Network } from './compile';
import { secondariesOf } from './nets';
import type { Choice } from './solve';
import { admittanceOf } from './solve';

/** One branch on the way, from one node to the next. */
export interface Step {
  branch: number;
  from: number;
  to: number;
  /** It passes current in its present position. */
  closed: boolean;
}

/** What an open contact costs against a closed one, so that a closed way is always preferred. */
const OPEN_COST = 1000;
const LOAD_COST = 100_000;

/** Cheapest way between two nodes over wires and contacts, open ones included. */
function route(network: Network, choice: Choice, start: number, goal: number, avoid: number): Step[] | null {
  const cost = new Map<number, number>([[start, 0]]);
  const came = new Map<number, Step>();
  const open = new Set([start]);
  const edges = new Map<number, number[]>();
  network.branches.forEach(({ nature, nodes }, b) => {
    if (b === avoid || (nature !== 'path' && nature !== 'load')) return;
    const [a, z] = nodes as [number, number];
    if (a < 0 || z < 0) return;
    for (const node of [a, z]) edges.set(node, [...(edges.get(node) ?? []), b]);
  });
  while (open.size > 0) {
    const node = [...open].reduce((best, next) => (cost.get(next)! < cost.get(best)! ? next : best));
    if (node === goal) break;
    open.delete(node);
    for (const b of edges.get(node) ?? []) {
      const branch = network.branches[b]!;
      const to = branch.nodes[0] === node ? branch.nodes[1]! : branch.nodes[0]!;
      const closed = admittanceOf(branch, choice[b]!, 'dc').re > 0;
      const step = branch.nature === 'load' ? LOAD_COST : closed ? 1 : OPEN_COST;
      const total = cost.get(node)! + step;
      if (total >= (cost.get(to) ?? Infinity)) continue;
      cost.set(to, total);
      came.set(to, { branch: b, from: node, to, closed });
      open.add(to);
    }
  }
  if (!came.has(goal) && start !== goal) return null;
  const steps: Step[] = [];
  for (let node = goal; node !== start; node = steps[0]!.from) steps.unshift(came.get(node)!);
  return steps.some(({ branch }) => network.branches[branch]!.nature === 'load') ? null : steps;
}

/**
 * Pairs of nodes a load may be fed from: each transformer's hot and common, each
 * breaker's line and neutral, or its two lines.
 */
function polesOf(network: Network): [number, number][] {
  const poles: [number, number][] = secondariesOf(network).map(({ hot, common }) => [hot, common]);
  for (const { branches } of network.devices) {
    const ends = ['leg1', 'leg2', 'neutral'].flatMap((id) => {
      const index = branches.get(id);
      return index === undefined ? [] : [network.branches[index]!.nodes[0]!];
    });
    if (ends.length === 2) poles.push([ends[0]!, ends[1]!]);
  }
  return poles;
}

export interface LoadPath {
  /** Steps in order from hot to common; the load's own branch is among them. */
  steps: Step[];
  load: number;
  hot: number;
  common: number;
}

/**
 * The whole way of a load's current from one pole of its supply to the other. Open contacts are part of it, so
 * that a person sees where the way stops. `null` when no wiring leads there.
 */
export function loadPath(network: Network, choice: Choice, load: number): LoadPath | null {
  const [a, z] = network.branches[load]!.nodes as [number, number];
  let best: LoadPath | null = null;
  const weigh = ({ steps }: LoadPath) =>
    steps.length + OPEN_COST * steps.filter(({ closed }) => !closed).length;
  for (const [hot, common] of polesOf(network))
    for (const [enter, leave] of [
      [a, z],
      [z, a],
    ] as const) {
      const there = route(network, choice, hot, enter, load);
      const back = route(network, choice, leave, common, load);
      if (!there || !back) continue;
      const closed = admittanceOf(network.branches[load]!, choice[load]!, 'dc').re > 0;
      const whole = {
        steps: [...there, { branch: load, from: enter, to: leave, closed }, ...back],
        load,
        hot,
        common,
      };
      if (!best || weigh(whole) < weigh(best)) best = whole;
    }
  return best;
}
