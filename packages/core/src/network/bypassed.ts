/** Guards with a jumper or a conductor across them. */
import type { Network } from './compile';

const known = new WeakMap<Network, { branch: number; to: number }[][]>();

/** Paths that leave each node, earth left out. */
export function adjacent(network: Network): { branch: number; to: number }[][] {
  const found = known.get(network);
  if (found) return found;
  const beside: { branch: number; to: number }[][] = network.nodes.map(() => []);
  network.branches.forEach(({ nature, nodes }, branch) => {
    const [a, z] = nodes as [number, number];
    if (nature !== 'path' || a < 0 || z < 0) return;
    beside[a]!.push({ branch, to: z });
    beside[z]!.push({ branch, to: a });
  });
  known.set(network, beside);
  return beside;
}

/** Nodes joined to one by conductors and links that are always there, one branch left out. */
function joinedWithout(network: Network, start: number, without: number): Set<number> {
  const beside = adjacent(network);
  const seen = new Set([start]);
  for (const node of seen)
    for (const { branch, to } of beside[node]!)
      if (branch !== without && network.branches[branch]!.positions.length === 1) seen.add(to);
  return seen;
}

/** A guard that something lies across, and the two points that are joined past it. */
export interface Bypassed {
  device: string;
  nodes: readonly [string, string];
}

/** Every contact that is there to open, and cannot any more. */
export const bypassesIn = (network: Network): Bypassed[] =>
  network.devices.flatMap(({ device, kind, branches }) =>
    kind.interrupts.flatMap((element): Bypassed[] => {
      const branch = branches.get(element);
      if (branch === undefined) return [];
      const [a, z] = network.branches[branch]!.nodes as [number, number];
      return joinedWithout(network, a, branch).has(z)
        ? [{ device: device.id, nodes: [network.nodes[a]!, network.nodes[z]!] }]
        : [];
    }),
  );
