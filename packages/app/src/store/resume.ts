/** Going on where one was: a phone lets an app go whenever it likes, and its icon is to lead back to the job in hand. */
import type { Own } from './own';
import { readKept, writeKept } from './storage';

/** How the icon asks for the app (`public/manifest.webmanifest`). */
const BY_ICON = '?from=icon';
/** What was open longer ago than a working day is begun anew from the list, ms. */
const WORKING_DAY_MS = 12 * 3_600_000;
const KEY = 'open';

interface Page {
  own: Own;
}

/** Whether this page was resumed in a job, and whether nothing was shown since. */
const resuming = () => ({ resumed: false, isFresh: false });

/** Opened by its icon in the middle of a job: the list of jobs, and what it shows of all of them, was not seen. */
export const wasResumed = (page: Page): boolean => page.own(resuming).resumed;

/** Whether nothing was shown since: once, to the first who asks. */
export function takeResumed(page: Page): boolean {
  const now = page.own(resuming);
  const { isFresh } = now;
  now.isFresh = false;
  return isFresh;
}

/** @param path - of the place of a job that is open, with its view. */
export const keepOpen = (path: string): void => writeKept(KEY, { path, at: Date.now() });

/** The job was left for the list. */
export function forgetOpen(page: Page): void {
  writeKept(KEY, undefined);
  page.own(resuming).resumed = false;
}

/** Where one was, if that was in a job and not long ago; a clock that was set since makes no difference worth having. */
function openBefore(): string | null {
  const kept = readKept(KEY) as { path?: unknown; at?: unknown } | null | undefined;
  if (typeof kept?.path !== 'string' || typeof kept.at !== 'number') return null;
  const isOfJob = /^\/job\/[\w-]+(\/|\?|$)/.test(kept.path);
  return isOfJob && Math.abs(Date.now() - kept.at) < WORKING_DAY_MS ? kept.path : null;
}

/** To be called before anything reads the address of the page. */
export function resume(page: Page): void {
  const { location, history } = window;
  if (location.pathname !== '/' || location.search !== BY_ICON) return;
  const path = openBefore();
  history.replaceState(null, '', path ?? '/');
  const resumed = path !== null;
  Object.assign(page.own(resuming), { resumed, isFresh: resumed });
}
