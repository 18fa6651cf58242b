/**
 * The cheapest assignment of rows to columns: shortest augmenting paths with potentials, after
 * R. Jonker and A. Volgenant, "A shortest augmenting path algorithm for dense and sparse linear
 * assignment problems", Computing 38 (1987).
 *
 * @param cost - rows × columns, no more rows than columns; `Infinity` where a pair is not allowed.
 * @returns the column of each row, or −1 for a row no allowed column is left for. Rows earlier in the
 *   list are served first.
 */
export function assign(cost: readonly (readonly number[])[]): number[] {
  const columns = cost[0]?.length ?? 0;
  const rowOf = new Array<number>(columns).fill(-1);
  const rowPotential = new Array<number>(cost.length).fill(0);
  const columnPotential = new Array<number>(columns).fill(0);
  cost.forEach((_, start) => {
    const distance = new Array<number>(columns).fill(Infinity);
    const cameFrom = new Array<number>(columns).fill(-1);
    const done = new Array<boolean>(columns).fill(false);
    let row = start;
    let reached = 0;
    let at = -1;
    for (;;) {
      let next = -1;
      for (let j = 0; j < columns; j++) {
        if (done[j]) continue;
        const through = reached + cost[row]![j]! - rowPotential[row]! - columnPotential[j]!;
        if (through < distance[j]!) {
          distance[j] = through;
          cameFrom[j] = at;
        }
        if (distance[j]! < Infinity && (next < 0 || distance[j]! < distance[next]!)) next = j;
      }
      // No allowed column is left for this row: it goes without, the others keep theirs.
      if (next < 0) return;
      reached = distance[next]!;
      done[next] = true;
      at = next;
      if (rowOf[at]! < 0) break;
      row = rowOf[at]!;
    }
    for (let j = 0; j < columns; j++)
      if (done[j]) {
        const shift = reached - distance[j]!;
        columnPotential[j]! -= shift;
        if (rowOf[j]! >= 0) rowPotential[rowOf[j]!]! += shift;
      }
    rowPotential[start]! += reached;
    for (; at >= 0; at = cameFrom[at]!) rowOf[at] = cameFrom[at]! >= 0 ? rowOf[cameFrom[at]!]! : start;
  });
  const columnOf = new Array<number>(cost.length).fill(-1);
  rowOf.forEach((row, column) => {
    if (row >= 0) columnOf[row] = column;
  });
  return columnOf;
}
