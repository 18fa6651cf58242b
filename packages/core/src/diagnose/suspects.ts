/** What is suspected on the drawing, and what is proven good by now. */
import type { Dictionary } from './dictionary';
import type { Target } from './hypotheses';
import { targetsOf } from './hypotheses';
import type { Ranking } from './rank';

export interface Suspect extends Target {
  share: number;
}

/** Suspected from this share on; and proven good below the other, where it was more before. */
const SUSPECTED = 0.02;
const CLEARED = 1e-3;

/** Shares by device and conductor; one with two targets counts for both. */
function sharesBy({ circuit, hypotheses }: Dictionary, shares: Float64Array): Map<string, Suspect> {
  const by = new Map<string, Suspect>();
  hypotheses.forEach(({ failure }, i) => {
    for (const target of targetsOf(circuit, failure)) {
      const key = `${target.type} ${target.id}`;
      const before = by.get(key)?.share ?? 0;
      by.set(key, { ...target, share: before + shares[i]! });
    }
  });
  return by;
}

/**
 * @param prior - shares before anything was observed.
 * @returns what is suspected, the likeliest first; and devices that nothing is the matter with any more.
 */
export function suspectsOf(
  dictionary: Dictionary,
  { shares }: Pick<Ranking, 'shares'>,
  prior: Float64Array,
): { suspects: Suspect[]; cleared: string[] } {
  const now = [...sharesBy(dictionary, shares).values()];
  const before = sharesBy(dictionary, prior);
  return {
    suspects: now.filter(({ share }) => share >= SUSPECTED).sort((one, other) => other.share - one.share),
    cleared: now.flatMap(({ type, id, share }) =>
      type === 'device' && share < CLEARED && before.get(`device ${id}`)!.share > CLEARED ? [id] : [],
    ),
  };
}
