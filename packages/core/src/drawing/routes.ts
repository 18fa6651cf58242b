/** How each run gets from row to row: straight across a gap, or down a lane beside the rows it passes. */
import type { Row } from './rows';
import type { Run } from './runs';

export interface Route {
  run: Run;
  /** Terminal and row of the upper end, and of the lower one if the run has one. */
  start: { terminal: string; row: number };
  end: { terminal: string; row: number } | null;
  /** Lane for runs that pass other rows, counted from the right edge. */
  lane: number | null;
  /** Order in which it turns out of the gap below its start, and into the gap above its end. */
  turnOut: number;
  turnIn: number;
}

/** Turns of the lanes in each gap; gap g lies below row g. */
export interface Gaps {
  out: number[];
  in: number[];
  crossed: boolean[];
}

export function routesOf(rows: readonly Row[], runs: readonly Run[]): { routes: Route[]; gaps: Gaps } {
  const place = new Map(
    rows.flatMap(({ slots }, row) =>
      slots.map(({ terminal }, i) => [terminal, { terminal, row, i }] as const),
    ),
  );
  const gaps: Gaps = { out: rows.map(() => 0), in: rows.map(() => 0), crossed: rows.map(() => false) };
  const taken: { from: number; to: number }[][] = [];
  const routes = runs.flatMap((run): Route[] => {
    const ends = [run.from, run.to].flatMap((terminal) => (terminal === null ? [] : [place.get(terminal)!]));
    const [start, end = null] = ends.sort((one, other) => one.row - other.row || one.i - other.i);
    if (!start) return [];
    gaps.crossed[start.row] = true;
    const route: Route = { run, start, end, lane: null, turnOut: 0, turnIn: 0 };
    if (!end || end.row - start.row < 2) return [route];
    const span = { from: start.row, to: end.row };
    const free = taken.findIndex((spans) =>
      spans.every(({ from, to }) => to <= span.from || from >= span.to),
    );
    const lane = free >= 0 ? free : taken.push([]) - 1;
    taken[lane]!.push(span);
    gaps.crossed[end.row - 1] = true;
    return [{ ...route, lane, turnOut: gaps.out[start.row]!++, turnIn: gaps.in[end.row - 1]!++ }];
  });
  return { routes, gaps };
}

/** How many lanes run past a row. */
export function lanesBeside(row: number, routes: readonly Route[]): number {
  return (
    1 +
    Math.max(
      -1,
      ...routes
        .filter(({ lane, start, end }) => lane !== null && start.row < row && end!.row > row)
        .map(({ lane }) => lane!),
    )
  );
}
