import type { Circuit } from '../circuit';
import { mergeCircuits } from '../circuit';
import { events, fields, map, nullable, own, value } from '../merge';
import type { Plan } from '../wire';
import { planProblems, planReadIn } from '../wire';
import type { DocumentKind } from './declare';

/** Both changes of a circuit, unless they clash: then the person takes one circuit or the other. */
const circuit = () =>
  own((base, mine, theirs) => {
    const merged = mergeCircuits(base as Circuit, mine as Circuit, theirs as Circuit);
    return merged.clashes.length > 0 ? undefined : merged.circuit;
  });

/** What is planned, and what happened to its landing list. `null` when there is none, or it was put away. */
export const planKind: DocumentKind<Plan | null> = {
  owner: 'jobs',
  name: 'plan',
  empty: null,
  part: nullable(
    fields({
      title: value(),
      before: circuit(),
      after: circuit(),
      swap: value(),
      reasons: map(),
      events: events(),
      earlier: events(),
    }),
    'id',
  ),
  readIn: planReadIn,
  problems: (given) => (given === null ? [] : planProblems(given)),
};
