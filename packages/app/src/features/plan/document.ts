/** The plan of a job: what the circuit was, what it shall be, and which of the steps between are done. */
import { parseCircuit } from '@zygostat/core/circuit';
import type { Plan } from '@zygostat/core/wire';
import { planProblems } from '@zygostat/core/wire';
import { jobDocument } from '../../documents/jobDocument';

/** `null` when there is none, or it was put away. */
function readPlan(given: unknown): Plan | null | undefined {
  if (given === null) return null;
  // A list of another version is another list; its ticks would mean nothing here.
  if (planProblems(given).length > 0) return undefined;
  const plan = given as Plan;
  return { ...plan, before: parseCircuit(plan.before), after: parseCircuit(plan.after) };
}

export const planDocument = jobDocument<Plan | null>({
  name: 'plan',
  empty: null,
  read: readPlan,
  merge: (mine, theirs) =>
    // Steps ticked here are ticked there too, when it is the same plan; otherwise theirs stands.
    mine && theirs && JSON.stringify(mine.after) === JSON.stringify(theirs.after)
      ? {
          value: { ...theirs, done: { ...theirs.done, ...mine.done } },
          words: 'The plan was worked on in another tab; what you ticked is added to it.',
        }
      : { value: null, words: 'Another plan was taken in another tab; it stands.' },
});
