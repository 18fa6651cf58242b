/** Faults of another hand in a share of the systems, each looked for as advised and by half-splitting; prints JSON lines. */
import type { Dictionary, Remedy } from '@zygostat/core/diagnose';
import { hypothesesOf, isSettled, makeDictionary, seeded } from '@zygostat/core/diagnose';
import { TEMPLATES } from '@zygostat/core/systems';
import { drawn } from '../../../packages/core/src/testing/other';
import type { Truth } from '../../../packages/core/src/testing/other';
import { isMend, otherSite } from '../../../packages/core/src/testing/other-site';
import type { Outcome, Policy } from '../../../packages/core/src/testing/technician';
import { followAdvice } from '../../../packages/core/src/testing/technician';
import { halfSplitting } from './policies';
import type { OtherRow } from './rows';

const [shard, of, draws, seed] = process.argv.slice(2).map(Number) as [number, number, number, number];
const systems = process.argv[6]?.split(',');

const POLICIES: readonly [OtherRow['policy'], Policy | undefined][] = [
  ['advised', undefined],
  ['half-splitting', halfSplitting],
];

/** What would be done at the end, once it is sure enough. */
const doneAfter = ({ ranking }: Outcome): readonly Remedy[] => {
  if (!isSettled(ranking)) return [];
  const { remedy } = ranking.groups[0]!;
  return remedy.type === 'both' ? remedy.remedies : [remedy];
};

function rowOf(
  system: string,
  dictionary: Dictionary,
  truth: Truth,
  [policy, choose]: (typeof POLICIES)[number],
  noise: number,
): OtherRow | null {
  const site = otherSite(dictionary, truth, seeded(noise));
  if (!site.complaint) return null;
  const outcome = followAdvice(dictionary, site, site.complaint, choose);
  const done = doneAfter(outcome);
  const isRight = done.length > 0 && done.some((remedy) => isMend(truth, remedy));
  return {
    system,
    kind: truth.kind,
    fault: truth.text,
    policy,
    steps: outcome.steps.length,
    minutes: outcome.minutes,
    settled: done.length > 0,
    isolated: isRight && done.length === 1,
    share: outcome.ranking.groups[0]!.share,
    says: JSON.stringify(outcome.ranking.groups[0]!.remedy),
    condemned: done.some(
      (remedy) => remedy.type === 'part' && remedy.mend === 'replace' && !isMend(truth, remedy),
    ),
  };
}

TEMPLATES.forEach(({ id: system, build }, i) => {
  if (i % of !== shard || (systems && !systems.includes(system))) return;
  const circuit = build('Other');
  const dictionary = makeDictionary(circuit, hypothesesOf(circuit));
  const random = seeded(seed + i);
  for (let n = 0, tries = 0; n < draws && tries < 20 * draws; tries++) {
    const truth = drawn(circuit, random);
    if (!truth) continue;
    const rows = POLICIES.map((policy) => rowOf(system, dictionary, truth, policy, seed + 1000 * (n + 1)));
    if (rows[0] === null) continue;
    n++;
    for (const row of rows) if (row) console.log(JSON.stringify(row));
  }
});
