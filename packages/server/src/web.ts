/** Serves the exported app: hashed files for ever, the page itself fresh, deep links to the page. */
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import express, { Router } from 'express';

const YEAR_MS = 365 * 24 * 3600 * 1000;

export function webRoutes(folder: string): Router {
  const router = Router();
  const page = join(folder, 'index.html');
  // Everything the bundler names by content lives under these two folders.
  for (const hashed of ['_expo', 'assets'])
    router.use(
      `/${hashed}`,
      express.static(join(folder, hashed), { immutable: true, maxAge: YEAR_MS, fallthrough: false }),
    );
  router.use(express.static(folder, { index: false, maxAge: 0 }));
  router.get('/{*path}', (request, response, next) => {
    if (!request.accepts('html') || !existsSync(page)) return next();
    response.set('Cache-Control', 'no-cache').sendFile(page);
  });
  return router;
}
