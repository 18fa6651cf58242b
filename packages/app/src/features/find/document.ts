/** The diagnosis of a job: what was observed, and where the person stands. */
import type { Diagnosis } from '@zygostat/core/diagnose';
import { diagnosisProblems } from '@zygostat/core/diagnose';
import { jobDocument } from '../../documents/jobDocument';

/** `null` when nothing is looked for. */
function readDiagnosis(given: unknown): Diagnosis | null | undefined {
  if (given === null) return null;
  return diagnosisProblems(given).length > 0 ? undefined : (given as Diagnosis);
}

export const diagnosisDocument = jobDocument<Diagnosis | null>({
  name: 'diagnosis',
  empty: null,
  read: readDiagnosis,
  merge: (mine, theirs) => {
    if (!mine || !theirs)
      return { value: mine ?? theirs, words: 'The search for the fault was begun in another tab too.' };
    const known = new Set(theirs.observed.map(({ id }) => id));
    const observed = [...theirs.observed, ...mine.observed.filter(({ id }) => !known.has(id))];
    return {
      value: { ...mine, observed },
      words: 'The fault was looked for in another tab too; all that was seen counts.',
    };
  },
});
