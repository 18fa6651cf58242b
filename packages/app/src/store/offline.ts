/** What lets the app open without signal: a worker that holds its files, and the answers it saw (`scripts/offline.mjs`). */

/** Answers and photographs that the worker keeps. */
const KEPT = ['zygostat-answers', 'zygostat-photographs'];

/** What the first page asks for. */
export const OF_THE_FIRST_PAGE = ['/api/jobs', '/api/bypasses', '/api/fire-panels'];

/** A worker that has just come saw none of the answers the open page was made of: they are asked for again, for it to keep. */
const holdFirstPage = (): void =>
  void Promise.all(OF_THE_FIRST_PAGE.map((path) => fetch(path))).catch(() => undefined);

/**
 * Has the worker installed, where the browser allows it: over HTTPS that it trusts, or on this machine. Asks that what is kept here is
 * not thrown away when space is short.
 */
export async function readyOffline(): Promise<void> {
  if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return;
  try {
    const { serviceWorker } = navigator;
    if (!serviceWorker.controller)
      serviceWorker.addEventListener('controllerchange', holdFirstPage, { once: true });
    await serviceWorker.register('/sw.js');
    await navigator.storage?.persist();
  } catch {
    // Without it the app is as it was: it opens with signal.
  }
}

/** Forgets every answer: whoever is signed out here sees nothing any more, with signal or without. */
export async function forgetAnswers(): Promise<void> {
  if (!('caches' in window)) return;
  await Promise.all(KEPT.map((name) => caches.delete(name)));
}
