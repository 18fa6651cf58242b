/** What was found wrong in finished jobs moves the likelihoods: counts over a prior. */
import type { Circuit } from '../circuit';
import { findDevice } from '../circuit';
import type { Failure, Hypothesis } from './hypotheses';

/** How often each class of fault was confirmed, by class. */
export type Found = Readonly<Record<string, number>>;

/** The judgement the likelihoods begin with counts for so many confirmed faults; judgement itself. */
const PRIOR_COUNT = 40;

/** What failures have in common wherever they are met: "contactor coil-open", "broken". */
export function classOf(circuit: Circuit, failure: Failure): string {
  const kind = (device: string) => findDevice(circuit, device)?.kind ?? '';
  switch (failure.type) {
    case 'part':
      return `${kind(failure.device)} ${failure.mode}`;
    case 'setting':
      return `${kind(failure.device)} ${failure.name}`;
    case 'tripped':
    case 'off':
    case 'overloaded':
      return `${kind(failure.device)} ${failure.type}`;
    default:
      return failure.type;
  }
}

/**
 * Hypotheses with their weights moved by what was found before: a class that stood for a share of the prior's count
 * stands for that much and what was counted of it. Classes keep their proportions inside.
 */
export function withHistory(
  circuit: Circuit,
  hypotheses: readonly Hypothesis[],
  found: Found,
): readonly Hypothesis[] {
  if (Object.keys(found).length === 0) return hypotheses;
  const total = hypotheses.reduce((sum, { weight }) => sum + weight, 0);
  const classes = hypotheses.map(({ failure }) => classOf(circuit, failure));
  const weights = new Map<string, number>();
  classes.forEach((name, i) => weights.set(name, (weights.get(name) ?? 0) + hypotheses[i]!.weight));
  return hypotheses.map((one, i) => {
    const name = classes[i]!;
    const prior = (PRIOR_COUNT * weights.get(name)!) / total;
    return { ...one, weight: one.weight * ((prior + (found[name] ?? 0)) / prior) };
  });
}
