/** A crew's own part of the API. */
import { Router } from 'express';
import type { Db } from '../db/open';
import { entryRoutes } from './entry';
import { signedIn } from './guard';
import { ownRoutes } from './own';
import { makePasskeys } from './passkeys';
import { peopleRoutes } from './people';

export function crewRoutes(db: Db): Router {
  const router = Router();
  const keys = makePasskeys(db);
  router.use(entryRoutes(db, keys));
  // From here on for whoever is signed in.
  router.use(signedIn);
  router.use(ownRoutes(db, keys), peopleRoutes(db));
  return router;
}
