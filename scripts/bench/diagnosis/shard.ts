/** Draws faults of a share of the systems, sends a person after each, and prints what came of it as JSON lines. */
import type { Dictionary } from '@zygostat/core/diagnose';
import { hypothesesOf, isSettled, makeDictionary } from '@zygostat/core/diagnose';
import { TEMPLATES } from '@zygostat/core/systems';
import type { Noise, Policy } from '../../../packages/core/src/testing/technician';
import { complaintOf, followAdvice } from '../../../packages/core/src/testing/technician';
import { halfSplitting, usualOrder } from './policies';
import type { Row } from './rows';

const [shard, of, draws, seed] = process.argv.slice(2).map(Number) as [number, number, number, number];
const systems = process.argv[6]?.split(',');

/** A meter and eyes as the bench has them: 3 % + 0.2 V, one reading in a hundred plainly wrong. */
const METER = { share: 0.03, volts: 0.2, misread: 0.01 } as const;

/** The mulberry32 generator: the same faults and the same noise for the same seed. */
function generator(state: number): () => number {
  let now = state;
  return () => {
    now = (now + 0x6d2b79f5) | 0;
    let mixed = Math.imul(now ^ (now >>> 15), 1 | now);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}

function drawn({ hypotheses }: Dictionary, random: () => number): number {
  let left = random() * hypotheses.reduce((sum, { weight }) => sum + weight, 0);
  const found = hypotheses.findIndex(({ weight }) => (left -= weight) < 0);
  return found < 0 ? 0 : found;
}

const POLICIES: readonly [Row['policy'], Policy | undefined][] = [
  ['advised', undefined],
  ['half-splitting', halfSplitting],
  ['usual order', usualOrder],
];

TEMPLATES.forEach(({ id, build }, i) => {
  if (i % of !== shard || (systems && !systems.includes(id))) return;
  const circuit = build('Diagnosis');
  const dictionary = makeDictionary(circuit, hypothesesOf(circuit));
  const random = generator(seed + i);
  for (let n = 0, tries = 0; n < draws && tries < 50 * draws; tries++) {
    const truth = drawn(dictionary, random);
    const complaint = complaintOf(dictionary, truth);
    if (!complaint) continue;
    n++;
    for (const [policy, choose] of POLICIES) {
      const noise: Noise = { random: generator(seed + 1000 * n), ...METER };
      const { isolated, ranking, steps, minutes } = followAdvice(dictionary, truth, complaint, noise, choose);
      const [best] = ranking.groups;
      const row: Row = {
        system: id,
        fault: dictionary.hypotheses[truth]!.id,
        policy,
        steps: steps.length,
        minutes,
        isolated: isolated && isSettled(ranking),
        condemned: !isolated && isSettled(ranking) && best!.remedy.type === 'part',
      };
      console.log(JSON.stringify(row));
    }
  }
});
