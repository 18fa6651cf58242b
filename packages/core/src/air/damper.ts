/** What a damper takes, by how far it is shut. */

/** Degrees shut and the loss coefficient of a single blade in a round duct: Idelchik's butterfly valve, from memory. */
const BLADE: readonly (readonly [degrees: number, coefficient: number])[] = [
  [0, 0.2],
  [5, 0.24],
  [10, 0.52],
  [20, 1.54],
  [30, 3.91],
  [40, 10.8],
  [50, 32.6],
  [60, 118],
  [70, 751],
];

/** A shut damper leaks through so much of its area, from memory; a sharp gap loses 2.8 of its own velocity. */
const LEAK_SHARE = 0.02;
const GAP = 2.8;

/**
 * Loss coefficient of the velocity in the open duct.
 *
 * @param open - 1 open, 0 shut, of its travel.
 * @throws RangeError when it is neither, nor between.
 */
export function damperCoefficient(open: number): number {
  if (!(open >= 0 && open <= 1)) throw new RangeError('a damper is open between 0 and 1');
  const shut = GAP / LEAK_SHARE ** 2;
  const degrees = (1 - open) * 90;
  const last = BLADE[BLADE.length - 1]!;
  const steps = [...BLADE, [90, Math.max(shut, last[1])] as const];
  const i = Math.max(
    1,
    steps.findIndex(([at]) => at >= degrees),
  );
  const [[a, from], [b, to]] = [steps[i - 1]!, steps[i]!];
  // Straight in the logarithm: a coefficient grows by shares.
  return from * (to / from) ** ((degrees - a) / (b - a));
}
