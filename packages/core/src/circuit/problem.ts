import type { ValidationError } from 'yup';

/** One thing wrong with what came in: where, and what would be valid. */
export interface Problem {
  /** Path in the document, such as `cables[0].conductors[2].from`. */
  path: string;
  message: string;
}

/** Reported at once; a file worse than this is the wrong file. */
const MOST_PROBLEMS = 50;

/** The problems a Yup validation found. `whole` names the input itself. */
export function problemsOf(error: ValidationError, whole: string): Problem[] {
  const found = error.inner.length > 0 ? error.inner : [error];
  return found.slice(0, MOST_PROBLEMS).map(({ path, message }) => {
    // Yup begins some of its own sentences with the path, which the problem already carries.
    const lead = path || 'this';
    return {
      path: path || whole,
      message: message.startsWith(`${lead} `) ? message.slice(lead.length + 1) : message,
    };
  });
}
