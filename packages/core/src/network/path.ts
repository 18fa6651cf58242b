/** The way current takes from a transformer's hot, through a load, back to its common. */
import type { Network } from './compile';
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
/** What it costs to return to another transformer than the one it comes from. */
const FOREIGN_COST = 50_000;

interface Edge {
  branch: number;
  to: number;
}

/** Wires, contacts and loads that leave each node; worked out once for a network. */
const known = new WeakMap<Network, readonly (readonly Edge[])[]>();

function edgesOf(network: Network): readonly (readonly Edge[])[] {
  const found = known.get(network);
  if (found) return found;
  const edges: Edge[][] = network.nodes.map(() => []);
  network.branches.forEach(({ nature, nodes }, branch) => {
    if (nature !== 'path' && nature !== 'load') return;
    const [a, z] = nodes as [number, number];
    if (a < 0 || z < 0) return;
    edges[a]!.push({ branch, to: z });
    edges[z]!.push({ branch, to: a });
  });
  known.set(network, edges);
  return edges;
}

/** A binary heap of nodes by cost. */
class Heap {
  private readonly items: { node: number; cost: number }[] = [];
  get isEmpty(): boolean {
    return this.items.length === 0;
  }
  push(node: number, cost: number): void {
    const { items } = this;
    let at = items.push({ node, cost }) - 1;
    for (let up = (at - 1) >> 1; at > 0 && items[up]!.cost > items[at]!.cost; up = (at - 1) >> 1) {
      [items[up], items[at]] = [items[at]!, items[up]!];
      at = up;
    }
  }
  pop(): { node: number; cost: number } {
    const { items } = this;
    const top = items[0]!;
    const last = items.pop()!;
    if (items.length === 0) return top;
    items[0] = last;
    for (let at = 0; ;) {
      const [left, right] = [2 * at + 1, 2 * at + 2];
      let least = at;
      if (left < items.length && items[left]!.cost < items[least]!.cost) least = left;
      if (right < items.length && items[right]!.cost < items[least]!.cost) least = right;
      if (least === at) return top;
      [items[least], items[at]] = [items[at]!, items[least]!];
      at = least;
    }
  }
}

/** The cheapest ways from one node to all others over wires and contacts, open ones included. */
interface Ways {
  cost: Float64Array;
  came: (Step | undefined)[];
}

function waysFrom(network: Network, choice: Choice, start: number, avoid: ReadonlySet<number>): Ways {
  const edges = edgesOf(network);
  const cost = new Float64Array(network.nodes.length).fill(Infinity);
  const came: (Step | undefined)[] = [];
  const heap = new Heap();
  cost[start] = 0;
  heap.push(start, 0);
  while (!heap.isEmpty) {
    const { node, cost: reached } = heap.pop();
    if (reached > cost[node]!) continue;
    for (const { branch: b, to } of edges[node]!) {
      if (avoid.has(b)) continue;
      const branch = network.branches[b]!;
      const closed = admittanceOf(branch, choice[b]!, 'dc').re > 0;
      const total = reached + (branch.nature === 'load' ? LOAD_COST : closed ? 1 : OPEN_COST);
      if (total >= cost[to]!) continue;
      cost[to] = total;
      came[to] = { branch: b, from: node, to, closed };
      heap.push(to, total);
    }
  }
  return { cost, came };
}

/** Steps from where the ways begin to a node. */
function stepsTo({ came }: Ways, goal: number): Step[] {
  const steps: Step[] = [];
  for (let step = came[goal]; step; step = came[step.from]) steps.unshift(step);
  return steps;
}

const backwards = (steps: readonly Step[]): Step[] =>
  [...steps].reverse().map(({ from, to, ...step }) => ({ ...step, from: to, to: from }));

/**
 * Pairs of nodes a load may be fed from: each transformer's hot and common, each
 * breaker's line and neutral, or its two lines.
 */
export function polesOf(network: Network): [number, number][] {
  const poles: [number, number][] = network.secondaries.map(({ hot, common }) => [hot, common]);
  for (const { branches } of network.devices) {
    const ends = ['leg1', 'leg2', 'neutral'].flatMap((id) => {
      const index = branches.get(id);
      return index === undefined ? [] : [network.branches[index]!.nodes[0]!];
    });
    if (ends.length === 2) poles.push([ends[0]!, ends[1]!]);
  }
  return poles;
}

const NOTHING: ReadonlySet<number> = new Set();

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
 *
 * @param avoid - branches it must not take.
 */
export function loadPath(
  network: Network,
  choice: Choice,
  load: number,
  avoid: ReadonlySet<number> = NOTHING,
): LoadPath | null {
  const ends = network.branches[load]!.nodes as [number, number];
  if (ends.some((node) => node < 0)) return null;
  const best = bestSupply(
    network,
    choice,
    ends,
    avoid === NOTHING ? new Set([load]) : new Set([...avoid, load]),
  );
  if (best === null) return null;
  const closed = admittanceOf(network.branches[load]!, choice[load]!, 'dc').re > 0;
  return {
    steps: [
      ...backwards(stepsTo(best.feed, best.hot)),
      { branch: load, from: best.enter, to: best.leave, closed },
      ...stepsTo(best.back, best.common),
    ],
    load,
    hot: best.hot,
    common: best.common,
  };
}

/**
 * The way from one pole of a supply to the other over two terminals and whatever lies between them: steps to the
 * first terminal, and from the second. `null` when no wiring leads there.
 */
export function supplyPath(network: Network, choice: Choice, ends: readonly [number, number]): Step[] | null {
  const best = bestSupply(network, choice, ends, NOTHING);
  return best && [...backwards(stepsTo(best.feed, best.hot)), ...stepsTo(best.back, best.common)];
}

/** The hot of one transformer with the common of another, where nothing better leads back. */
const foreignPoles = ({ secondaries }: Network): (readonly [number, number, number])[] =>
  secondaries.flatMap(({ hot, device }) =>
    secondaries.flatMap((other) =>
      other.device === device ? [] : [[hot, other.common, FOREIGN_COST] as const],
    ),
  );

/** The cheapest pair of poles for two ends, and the ways to them. */
function bestSupply(
  network: Network,
  choice: Choice,
  ends: readonly [number, number],
  avoid: ReadonlySet<number>,
) {
  const [fromA, fromZ] = ends.map((node) => waysFrom(network, choice, node, avoid)) as [Ways, Ways];
  const candidates = [
    ...polesOf(network).map((pair) => [...pair, 0] as const),
    ...foreignPoles(network),
  ].flatMap(([hot, common, extra]) =>
    (
      [
        [fromA, fromZ, ends[0], ends[1]],
        [fromZ, fromA, ends[1], ends[0]],
      ] as const
    ).map(([feed, back, enter, leave]) => ({
      hot,
      common,
      feed,
      back,
      enter,
      leave,
      cost: extra + feed.cost[hot]! + back.cost[common]!,
    })),
  );
  const best = candidates.reduce<(typeof candidates)[number] | null>(
    (least, next) => (least === null || next.cost < least.cost ? next : least),
    null,
  );
  // A way through another load is no way.
  return best === null || best.cost >= LOAD_COST ? null : best;
}
