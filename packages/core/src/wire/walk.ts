/** The order to work in: as few trips as the steps allow, and of those the least walking. */
import type { Circuit } from '../circuit';
import type { Step } from './step';

/** The stretch of work at one place before walking on. */
export interface Stop {
  station: string;
  steps: readonly Step[];
}

/** Paths looked at before the best so far is taken; real jobs need a few hundred. */
const MOST_PATHS = 20_000;

interface Path {
  stops: readonly Stop[];
  done: ReadonlySet<string>;
  walked: number;
}

/** Everything that can be done at a place, in its own order, given what is done already. */
function workAt(steps: readonly Step[], station: string, done: ReadonlySet<string>): Step[] {
  const now = new Set(done);
  const work: Step[] = [];
  for (let found = true; found;) {
    const next = steps.find(
      (step) => step.station === station && !now.has(step.id) && step.after.every((id) => now.has(id)),
    );
    found = next !== undefined;
    if (next) {
      now.add(next.id);
      work.push(next);
    }
  }
  return work;
}

/**
 * Orders steps into stops: fewest stops, then fewest minutes of access, by looking at paths in the order of
 * their cost and never twice at the same amount of work done.
 *
 * @throws RangeError when steps wait for each other in a circle.
 */
export function walk(circuit: Circuit, steps: readonly Step[]): Stop[] {
  const known = new Set(steps.map(({ id }) => id));
  const open = steps.map((step) => ({ ...step, after: step.after.filter((id) => known.has(id)) }));
  const access = new Map(circuit.stations.map(({ id, access: minutes }) => [id, minutes]));
  const stations = [...new Set(steps.map(({ station }) => station))];
  let front: Path[] = [{ stops: [], done: new Set(), walked: 0 }];
  const seen = new Map<string, number>();
  for (let looked = 0; front.length > 0 && looked < MOST_PATHS;) {
    const best = front.find(({ done }) => done.size === steps.length);
    if (best) return [...best.stops];
    const next: Path[] = [];
    for (const path of front)
      for (const station of stations) {
        if (path.stops.at(-1)?.station === station) continue;
        const work = workAt(open, station, path.done);
        if (work.length === 0) continue;
        looked++;
        const done = new Set([...path.done, ...work.map(({ id }) => id)]);
        const walked = path.walked + (access.get(station) ?? 1);
        const key = `${station} ${[...done].sort().join()}`;
        if ((seen.get(key) ?? Infinity) <= walked) continue;
        seen.set(key, walked);
        next.push({ stops: [...path.stops, { station, steps: work }], done, walked });
      }
    front = next.sort((one, other) => one.walked - other.walked);
  }
  throw new RangeError('The steps wait for each other in a circle.');
}
