/** What was found wrong in finished jobs moves the likelihoods: counts over a prior. */
import type { Circuit } from '../circuit';
import { findDevice } from '../circuit';
import type { Failure, Hypothesis } from './hypotheses';

/** How often each class of fault was confirmed, by class. */
export type Found = Readonly<Record<string, number>>;

/** How much likelier than judged a person says a class is, by class. */
export type Factors = Readonly<Record<string, number>>;

/** What moves the likelihoods of judgement. */
export interface Experience {
  counts?: Found;
  factors?: Factors;
}

/** The judgement the likelihoods begin with counts for so many confirmed faults; judgement itself. */
const PRIOR_COUNT = 40;

/** What failures have in common wherever they are met: "contactor coil-open", "broken". */
export function classOf(circuit: Circuit, failure: Failure): string {
  const kind = (device: string) => findDevice(circuit, device)?.kind ?? '';
  switch (failure.type) {
    case 'part':
      return `${kind(failure.device)} ${failure.mode}`;
    case 'element':
      return `${kind(failure.device)} ${failure.element} ${failure.fault}`;
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
 * stands for that much and what was counted of it; what a person says of a class moves its judgement first. Classes keep their proportions inside.
 */
export function withHistory(
  circuit: Circuit,
  hypotheses: readonly Hypothesis[],
  { counts = {}, factors = {} }: Experience,
): readonly Hypothesis[] {
  if (Object.keys(counts).length === 0 && Object.keys(factors).length === 0) return hypotheses;
  const classes = hypotheses.map(({ failure }) => classOf(circuit, failure));
  const judged = hypotheses.map(({ weight }, i) => weight * (factors[classes[i]!] ?? 1));
  const total = judged.reduce((sum, weight) => sum + weight, 0);
  const weights = new Map<string, number>();
  classes.forEach((name, i) => weights.set(name, (weights.get(name) ?? 0) + judged[i]!));
  return hypotheses.map((one, i) => {
    const name = classes[i]!;
    const prior = (PRIOR_COUNT * weights.get(name)!) / total;
    return { ...one, weight: judged[i]! * ((prior + (counts[name] ?? 0)) / prior) };
  });
}

/** A class of faults of a circuit, with its share of the likelihoods as judged. */
export interface FaultClass {
  name: string;
  share: number;
  /** One of its failures, to be named by. */
  failure: Failure;
}

/** The classes of faults a circuit can have, the likeliest first. */
export function classesOf(circuit: Circuit, hypotheses: readonly Hypothesis[]): FaultClass[] {
  const total = hypotheses.reduce((sum, { weight }) => sum + weight, 0);
  const classes = new Map<string, FaultClass>();
  for (const { failure, weight } of hypotheses) {
    const name = classOf(circuit, failure);
    const before = classes.get(name);
    classes.set(name, {
      name,
      share: (before?.share ?? 0) + weight / total,
      failure: before?.failure ?? failure,
    });
  }
  return [...classes.values()].sort((one, other) => other.share - one.share);
}
