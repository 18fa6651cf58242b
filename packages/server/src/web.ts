/** Serves the exported app: hashed files for ever, the page itself fresh, deep links to the page; compressed as the build left it. */
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { Router } from 'express';
import expressStaticGzip from 'express-static-gzip';

const YEAR_MS = 365 * 24 * 3600 * 1000;

interface Held {
  maxAge: number;
  immutable?: boolean;
  /** Whether somebody else may answer where there is no such file. */
  fallthrough?: boolean;
}

/** Files of a folder: in brotli or gzip where the build left them so and the browser takes it. */
const filesOf = (folder: string, how: Held) =>
  expressStaticGzip(folder, {
    enableBrotli: true,
    orderPreference: ['br'],
    index: false,
    serveStatic: { ...how, index: false },
  });

export function webRoutes(folder: string): Router {
  const router = Router();
  const page = join(folder, 'index.html');
  // Everything the bundler names by content lives under these two folders.
  for (const hashed of ['_expo', 'assets'])
    router.use(
      `/${hashed}`,
      filesOf(join(folder, hashed), { immutable: true, maxAge: YEAR_MS, fallthrough: false }),
    );
  router.use(filesOf(folder, { maxAge: 0 }));
  router.get('/{*path}', (request, response, next) => {
    if (!request.accepts('html') || !existsSync(page)) return next();
    response.set('Cache-Control', 'no-cache').sendFile(page);
  });
  return router;
}
