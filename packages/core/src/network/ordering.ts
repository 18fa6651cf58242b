/** Minimum-degree elimination order of an undirected graph given as adjacency sets. */
export function minimumDegreeOrder(adjacency: readonly ReadonlySet<number>[]): Int32Array {
  const neighbours = adjacency.map((set) => new Set(set));
  const alive = new Set(adjacency.keys());
  const order = new Int32Array(adjacency.length);
  for (let step = 0; step < order.length; step++) {
    let best = -1;
    for (const node of alive) if (best < 0 || neighbours[node]!.size < neighbours[best]!.size) best = node;
    const clique = [...neighbours[best]!];
    for (const one of clique) {
      neighbours[one]!.delete(best);
      for (const other of clique) if (other !== one) neighbours[one]!.add(other);
    }
    alive.delete(best);
    order[step] = best;
  }
  return order;
}
