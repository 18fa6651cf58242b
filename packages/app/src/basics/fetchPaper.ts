/** A paper that the server makes, handed to the browser as a file. */
import { saveAs } from './download';

/** Longer than this a paper does not take, ms. */
const PATIENCE_MS = 60_000;

const NO_ANSWER = 'The server makes this file, and there is no answer from it. Try again with signal.';

/** @returns what went wrong, in words; `null` when it was handed over. */
export async function fetchPaper(url: string, name: string): Promise<string | null> {
  // Without a network nothing is waited for.
  if (!navigator.onLine) return NO_ANSWER;
  try {
    const answer = await fetch(url, { signal: AbortSignal.timeout(PATIENCE_MS), cache: 'no-store' });
    if (answer.ok) {
      saveAs(name, await answer.blob());
      return null;
    }
    const problem = (await answer.json().catch(() => null)) as { detail?: string } | null;
    return problem?.detail ?? NO_ANSWER;
  } catch {
    return NO_ANSWER;
  }
}
