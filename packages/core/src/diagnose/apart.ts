/** What would still tell the likeliest apart once nothing is worth its minutes any more. */
import type { Whereabouts } from './costs';
import type { Dictionary } from './dictionary';
import { stepKey } from './next/answers';
import { candidatesOf } from './next/candidates';
import type { Advice } from './next/next';
import { adviser } from './next/next';
import type { Group, Ranking } from './rank';

/** Bits below which a step does not even tell two things apart. */
const LEAST_APART = 0.01;

/** The step that would best tell two groups apart, whatever its minutes. */
function tellingTwoApart(
  dictionary: Dictionary,
  { shares, groups }: Ranking,
  both: readonly Group[],
  at: Whereabouts,
  done: ReadonlySet<string>,
): Advice | null {
  const two = new Float64Array(shares.length);
  for (const { members } of both) for (const member of members) two[member] = shares[member]!;
  const { weigh, advise } = adviser(dictionary, { shares: two, groups }, at);
  const calls = dictionary.states.map(({ id }) => id);
  const [best] = candidatesOf(dictionary, calls)
    .filter((step) => !done.has(stepKey(step)))
    .map((step) => ({ step, ...weigh(step) }))
    .sort((one, other) => other.gain - one.gain);
  return best && best.gain >= LEAST_APART ? advise(best.step) : null;
}

/** So many of the likeliest are told apart, two by two. */
const LIKELIEST = 3;

/** Steps that tell the likeliest apart, those of the likeliest two first; each once. */
export function tellingApart(
  dictionary: Dictionary,
  ranking: Ranking,
  at: Whereabouts,
  done: ReadonlySet<string>,
): Advice[] {
  const likeliest = ranking.groups.slice(0, LIKELIEST);
  const found = new Map<string, Advice>();
  likeliest.forEach((other, i) => {
    for (const one of likeliest.slice(0, i)) {
      const advice = tellingTwoApart(dictionary, ranking, [one, other], at, done);
      if (advice && !found.has(stepKey(advice.step))) found.set(stepKey(advice.step), advice);
    }
  });
  return [...found.values()];
}
