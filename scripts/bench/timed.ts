import { median } from './report';

export const RUNS = 7;
export const WARM_RUNS = 3;

/** Median milliseconds, once it has run a few times: a worker is warmed before it is asked. */
export function timed(work: () => void): number {
  for (let run = 0; run < WARM_RUNS; run++) work();
  const times = Array.from({ length: RUNS }, () => {
    const started = performance.now();
    work();
    return performance.now() - started;
  });
  return median(times);
}
