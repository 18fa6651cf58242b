/** What is joined to what, and so what a person would call each point. */
import type { Network } from './compile';
import type { Admittance } from './draft';
import type { Choice, OperatingPoint } from './solve';
import { admittanceOf, voltsOf } from './solve';

/** How a point stands: `hot` reads against its common, `return` is its common, `floating` is tied to nothing. */
export type Standing = 'hot' | 'return' | 'floating' | 'dead';

/** Volts against the common below which a point is not called hot. */
const HOT_VOLTS = 5;

/** Disjoint sets over the nodes; index `size` stands for earth. */
class Nets {
  private readonly parent: Int32Array;
  constructor(private readonly size: number) {
    this.parent = Int32Array.from({ length: size + 1 }, (_, i) => i);
  }
  private slotOf(node: number): number {
    return node < 0 ? this.size : node;
  }
  root(node: number): number {
    let at = this.slotOf(node);
    while (this.parent[at] !== at) at = this.parent[at] = this.parent[this.parent[at]!]!;
    return at;
  }
  join(one: number, other: number): void {
    this.parent[this.root(one)] = this.root(other);
  }
}

/** Nets joined by every conducting branch that `takes` accepts. */
function netsOf(
  network: Network,
  choice: Choice,
  takes: (nature: string, touchesEarth: boolean) => boolean,
): Nets {
  const nets = new Nets(network.nodes.length);
  network.branches.forEach((branch, b) => {
    const [a, z] = branch.nodes as [number, number];
    if (passing(network, choice, b) && branch.nature !== 'capacitor' && takes(branch.nature, a < 0 || z < 0))
      nets.join(a, z);
  });
  return nets;
}

/** Tells whether two nodes are joined by closed contacts and conductors alone; bonds to earth count when asked. */
export function joinedBy(
  { network, choice }: OperatingPoint,
  throughEarth = false,
): (one: number, other: number) => boolean {
  const nets = netsOf(network, choice, (nature, earthed) => nature === 'path' && (throughEarth || !earthed));
  return (one, other) => nets.root(one) === nets.root(other);
}

/** Whether a branch passes current in its present position. */
export function passing(network: Network, choice: Choice, branch: number): boolean {
  const y = admittanceOf(network.branches[branch]!, choice[branch]!, 'dc');
  return y.re !== 0 || y.im !== 0;
}

/** The net of each node with every contact closed, earth and some branches left out. */
export function pathNets(
  network: Network,
  without: ReadonlySet<number> = new Set(),
): (node: number) => number {
  const nets = new Nets(network.nodes.length);
  network.branches.forEach(({ nature, nodes }, b) => {
    const [a, z] = nodes as [number, number];
    if (nature === 'path' && !without.has(b) && a >= 0 && z >= 0) nets.join(a, z);
  });
  return (node) => nets.root(node);
}

/** Nets joined by whatever conducts, over loads too but not through a transformer or earth. */
const galvanicNets = ({ network, choice }: OperatingPoint): Nets =>
  netsOf(network, choice, (nature, earthed) => (nature === 'path' || nature === 'load') && !earthed);

const isDriven = (one: Admittance | undefined) => one !== undefined && (one.re !== 0 || one.im !== 0);

/** Tells the nodes that conduct to a line source. */
export function galvanicLine(point: OperatingPoint): (node: number) => boolean {
  const nets = galvanicNets(point);
  const lines = new Set(
    point.network.branches.flatMap(({ emf, nodes }) =>
      isDriven(emf?.ac) ? nodes.filter((node) => node >= 0).map((node) => nets.root(node)) : [],
    ),
  );
  return (node) => lines.has(nets.root(node));
}

/** The negative side of the d.c. supply that a node conducts to; `undefined` where it conducts to none. */
export function directSupply(point: OperatingPoint): (node: number) => number | undefined {
  const sources = point.network.branches.filter(({ emf }) => isDriven(emf?.dc));
  if (sources.length === 0) return () => undefined;
  const nets = galvanicNets(point);
  const negatives = new Map(
    sources.flatMap(({ nodes }) => nodes.map((node) => [nets.root(node), nodes[1]!] as const)),
  );
  return (node) => negatives.get(nets.root(node));
}

export interface NodeClasses {
  /** Node whose potential each node is read against; −1 is earth. */
  reference: Int32Array;
  standing: Standing[];
  /** Volts of each node against its reference. */
  volts: Float64Array;
}

/** Reads every node of a solved network the way a person with a meter would name it. */
export function classifyNodes(point: OperatingPoint): NodeClasses {
  const { network, choice } = point;
  const { secondaries } = network;
  const circuits = galvanicNets(point);
  const wired = netsOf(network, choice, (nature, earthed) => nature === 'path' && !earthed);
  const tied = netsOf(network, choice, () => true);
  const domain = new Map<number, number>();
  for (const { hot, common } of [...secondaries].reverse())
    for (const node of [hot, common]) domain.set(circuits.root(node), common);
  const returns = new Set<number>();
  for (const { hot, common } of secondaries)
    if (voltsOf(point, hot, common) > HOT_VOLTS) returns.add(wired.root(common));
  const energised = new Set(secondaries.flatMap(({ hot, common }) => [tied.root(hot), tied.root(common)]));
  energised.add(tied.root(-1));
  network.branches.forEach(({ nature, nodes }, b) => {
    // A neutral bar: tied straight to earth by a path of its own device.
    const [a, z] = nodes as [number, number];
    if (
      nature === 'path' &&
      passing(network, choice, b) &&
      (a < 0 || z < 0) &&
      !secondaries.some(({ common }) => wired.root(common) === wired.root(a < 0 ? z : a))
    )
      returns.add(wired.root(a < 0 ? z : a));
  });
  const fallback = secondaries[0]?.common ?? -1;
  const reference = Int32Array.from(network.nodes, (_, node) => {
    const own = domain.get(circuits.root(node));
    return own ?? (tied.root(node) === tied.root(-1) ? -1 : fallback);
  });
  const volts = Float64Array.from(network.nodes, (_, node) => voltsOf(point, node, reference[node]!));
  const standing = network.nodes.map((_, node): Standing => {
    if (returns.has(wired.root(node))) return 'return';
    if (!energised.has(tied.root(node))) return 'floating';
    return volts[node]! >= HOT_VOLTS ? 'hot' : 'dead';
  });
  return { reference, standing, volts };
}
