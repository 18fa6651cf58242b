/** Why the model gave no answer, in words for the person who asked. */
export const whyOf = (error: unknown): string =>
  error instanceof Error ? error.message : 'The model stopped.';
