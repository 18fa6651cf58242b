import { isDeepStrictEqual } from 'node:util';
import { Router } from 'express';
import { setFirm, storedFirm } from '../db/firm';
import type { Db } from '../db/open';
import { overtaken } from '../problem';
import { firmSchema } from '../schemas';

/** Whoever does the work, as it stands on reports. */
export function firmRoutes(db: Db): Router {
  const router = Router();

  router.get('/firm', (_request, response) => {
    response.json(storedFirm(db));
  });

  router.put('/firm', (request, response) => {
    const { was, ...firm } = firmSchema.validateSync(request.body, { abortEarly: false });
    const now = storedFirm(db);
    if (!isDeepStrictEqual(now, was) && !isDeepStrictEqual(now, firm))
      throw overtaken('company', [now.name, now.contact].join(', '));
    setFirm(db, firm);
    response.json(storedFirm(db));
  });

  return router;
}
