/** What is seen in passing, and what leaves such marks. */
import type { Circuit } from '../circuit';
import { findCable } from '../circuit';
import type { Failure, Hypothesis } from './hypotheses';
import { targetsOf } from './hypotheses';
import type { Observation, Sight } from './observation';

/** Failures that leave such marks where they are. */
const LEAVES: Readonly<Record<Sight, ReadonlySet<Failure['type']>>> = {
  burnt: new Set(['part', 'element', 'poor-joint', 'overloaded', 'touching', 'grounded']),
  wet: new Set(['part', 'tripped', 'grounded', 'touching', 'strand']),
  chewed: new Set(['broken', 'touching', 'grounded', 'cut-through']),
};

/** How often such a failure shows like that, and how often it is seen where nothing came of it; judgement. */
const SHOWS = 0.3;
const HARMLESS = 0.02;

/** How likely it is to be seen there, where a hypothesis holds. */
export function chanceOfSight(
  { sight, target }: Extract<Observation, { type: 'sight' }>,
  { failure }: Hypothesis,
  circuit: Circuit,
): number {
  if (!LEAVES[sight].has(failure.type)) return HARMLESS;
  const there = new Set(
    target.type === 'device' ? [target.id] : findCable(circuit, target.id)!.conductors.map(({ id }) => id),
  );
  const isThere = targetsOf(circuit, failure).some(({ id }) => there.has(id));
  return isThere ? SHOWS : HARMLESS;
}
