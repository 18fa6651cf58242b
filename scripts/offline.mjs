/** The service worker that opens the app without signal: what it holds of the app, and what it keeps of the answers it saw. */
import { generateSW } from 'workbox-build';

/** A place without signal and one without an answer are the same to whoever stands there, s. */
const PATIENCE_S = 4;

/**
 * Writes `sw.js` into the exported app. Its caches go by these names; the app empties what is not its own when a device is signed
 * out (`store/offline.ts`).
 */
export async function buildOffline(dist) {
  const { warnings } = await generateSW({
    globDirectory: dist,
    globPatterns: ['**/*.{html,js,css,woff2,svg,png,webmanifest}'],
    swDest: `${dist}/sw.js`,
    inlineWorkboxRuntime: true,
    sourcemap: false,
    maximumFileSizeToCacheInBytes: 12 * 1024 * 1024,
    // What the bundler names by its content needs no other version.
    dontCacheBustURLsMatching: /\/_expo\/static\/|\/assets\//,
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//],
    clientsClaim: true,
    // A new version waits until the old one is closed: its pieces fit together, and nothing begun is cut off.
    skipWaiting: false,
    cleanupOutdatedCaches: true,
    runtimeCaching: [
      {
        urlPattern: ({ url }) => /^\/api\/jobs\/[^/]+\/photos\/[^/]+$/.test(url.pathname),
        handler: 'CacheFirst',
        options: {
          cacheName: 'zygostat-photographs',
          expiration: { maxEntries: 2000, purgeOnQuotaError: true },
        },
      },
      {
        urlPattern: ({ url, request }) =>
          url.pathname.startsWith('/api/') &&
          !/^\/api\/(crew|me|health)|\/stream$/.test(url.pathname) &&
          request.mode !== 'navigate',
        handler: 'NetworkFirst',
        options: {
          cacheName: 'zygostat-answers',
          networkTimeoutSeconds: PATIENCE_S,
          cacheableResponse: { statuses: [200] },
          // No age: a clock that is wrong must not throw them away.
          expiration: { maxEntries: 4000, purgeOnQuotaError: true },
        },
      },
    ],
  });
  if (warnings.length > 0) throw new Error(warnings.join('\n'));
}
