/** A question to the model that was not answered, and why. */
export class Unanswered extends Error {}

/** Why the model gave no answer, in words for the person who asked. */
export const whyOf = (error: unknown): string =>
  error instanceof Error ? error.message : 'The model stopped.';

/** Says why a question was not answered, where whoever asked it does not. */
export function sayUnanswered(say: (words: string) => void): void {
  window.addEventListener('unhandledrejection', (event) => {
    if (!(event.reason instanceof Unanswered)) return;
    event.preventDefault();
    say(`${event.reason.message} Try it once more.`);
  });
}
