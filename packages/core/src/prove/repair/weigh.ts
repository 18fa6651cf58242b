/** What a change leaves to be found, and which of two leaves less. */
import type { Circuit } from '../../circuit';
import { disagreementsOf } from '../../circuit';
import { keyOf } from '../violation';
import type { Severity } from '../properties';
import type { Finding } from '../prove';

/**
 * States that show a danger and a fault; places left that disagree with their marks; the work; states that show a caution;
 * loads put behind a guard that were not.
 */
export type Weight = readonly [number, number, number, number, number, number];

export function weightOf(
  findings: readonly Finding[],
  circuit: Circuit,
  work: number,
  behind: number,
): Weight {
  const states = (severity: Severity) =>
    findings.reduce((sum, finding) => sum + (finding.severity === severity ? finding.states : 0), 0);
  return [
    states('danger'),
    states('fault'),
    disagreementsOf(circuit).length,
    work,
    states('caution'),
    behind,
  ];
}

/** Whether more states show a danger, or as many a danger and more a fault. */
export const heavier = (one: Weight, other: Weight) =>
  one[0] > other[0] || (one[0] === other[0] && one[1] > other[1]);

/** What is left after a candidate. */
export interface Left {
  keys: ReadonlySet<string>;
  weight: Weight;
}

const within = (one: ReadonlySet<string>, other: ReadonlySet<string>) =>
  one.size < other.size && [...one].every((key) => other.has(key));

/** Whether less is left; what leaves a part of what the other does is less, however many states show it. */
export function lighter(one: Left, other: Left): boolean {
  if (within(one.keys, other.keys)) return true;
  if (within(other.keys, one.keys)) return false;
  const at = one.weight.findIndex((value, i) => value !== other.weight[i]);
  return at >= 0 && one.weight[at]! < other.weight[at]!;
}

export const leftOf = (
  findings: readonly Finding[],
  circuit: Circuit,
  work: number,
  behind: number,
): Left => ({
  keys: new Set(findings.filter(({ severity }) => severity !== 'caution').map(keyOf)),
  weight: weightOf(findings, circuit, work, behind),
});
