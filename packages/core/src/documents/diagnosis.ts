import type { KeptDiagnosis } from '../diagnose';
import { diagnosisProblems, diagnosisReadIn } from '../diagnose';
import { fields, list, map, nullable, set, value } from '../merge';
import type { DocumentKind } from './declare';

/** What was observed of a fault, and where each person stands. `null` when nothing is looked for. */
export const diagnosisKind: DocumentKind<KeptDiagnosis | null> = {
  owner: 'jobs',
  name: 'diagnosis',
  empty: null,
  part: nullable(
    fields({
      observed: list(),
      before: list(),
      ignored: set(),
      pairs: value(),
      unsurveyed: value(),
      trying: value(),
      telephone: value(),
      whereabouts: map(),
    }),
  ),
  readIn: diagnosisReadIn,
  problems: (given) => (given === null ? [] : diagnosisProblems(given)),
};
