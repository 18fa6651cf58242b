/**
 * Has the worker hold what a job needs without signal (`scripts/offline.mjs`): everything is asked for once, under the addresses
 * it is asked for later.
 */
import type { Photo } from '../photos/api';
import type { PhotoUrls } from '../photos/photo-url';
import { OF_THE_FIRST_PAGE } from '../../store/offline';

const of = (kind: 'jobs' | 'sites', id: string) => `/api/${kind}/${encodeURIComponent(id)}`;

const OF_A_JOB = ['', '/record', '/readings', '/photos', '/survey', '/plan', '/diagnosis', '/revisions/1'];
const OF_A_SITE = ['', '/building'];

/** Whether there is a worker to hold anything. */
export const canHold = (): boolean =>
  'serviceWorker' in navigator && navigator.serviceWorker.controller !== null;

/** Resolves once there is one: on a very first visit a moment after the page is. Where the browser allows none, never. */
export const untilItCan = (): Promise<void> =>
  new Promise((resolve) => {
    if (canHold()) resolve();
    else navigator.serviceWorker?.addEventListener('controllerchange', () => resolve(), { once: true });
  });

async function read(path: string, signal: AbortSignal): Promise<unknown> {
  const answer = await fetch(path, { signal });
  if (!answer.ok) throw new Error(`${path} was not answered: ${answer.status}`);
  return answer.json();
}

/** Photographs of a job, bytes and all. */
async function holdPhotos(
  urls: PhotoUrls,
  jobId: string,
  photos: readonly Photo[],
  signal: AbortSignal,
): Promise<void> {
  for (const { id } of photos) {
    const url = urls.of(jobId, id);
    // Those taken here are here.
    if (url.startsWith('/')) await fetch(url, { signal });
  }
}

/** @throws when something is not answered, or `signal` ends it. */
export async function holdJob(urls: PhotoUrls, jobId: string, signal: AbortSignal): Promise<void> {
  for (const rest of OF_A_JOB) {
    const found = await read(`${of('jobs', jobId)}${rest}`, signal);
    if (rest === '/photos') await holdPhotos(urls, jobId, found as Photo[], signal);
  }
}

/**
 * The site itself, and the way to it.
 * @throws when something is not answered, or `signal` ends it.
 */
export async function holdSite(siteId: string, signal: AbortSignal): Promise<void> {
  for (const rest of OF_A_SITE) await read(`${of('sites', siteId)}${rest}`, signal);
  for (const path of [...OF_THE_FIRST_PAGE, '/api/sites']) await read(path, signal);
}
