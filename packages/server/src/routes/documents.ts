import { Router } from 'express';
import type { JobDocument } from '../documents';
import { saveDocument, storedDocument } from '../db/documents';
import { changeJob } from '../db/jobs';
import type { Db } from '../db/open';
import { Problem, invalid } from '../problem';
import { documentSaveSchema } from '../schemas';
import { findJob } from './find';

/** `GET` and `PUT /api/jobs/:id/<name>` of one kind of document: `{ number, <name> }` out, `{ base, <name> }` in. */
export function documentRoutes<T>(db: Db, document: JobDocument<T>): Router {
  const { name, problemsOf, about } = document;
  const router = Router();

  router.get(`/jobs/:id/${name}`, (request, response) => {
    const { number, value } = storedDocument(db, document, findJob(db, request.params.id).id);
    response.json({ number, [name]: value });
  });

  router.put(`/jobs/:id/${name}`, (request, response) => {
    const { id } = findJob(db, request.params.id);
    const body = documentSaveSchema(name).validateSync(request.body, { abortEarly: false });
    const problems = problemsOf(body[name]);
    if (problems.length > 0)
      throw new Problem(invalid(problems.map(({ path, message }) => ({ path: `${name}.${path}`, message }))));
    const value = body[name] as T;
    const saved = saveDocument(db, document, id, body.base as number, value);
    if (!saved.done)
      throw new Problem({
        status: 409,
        title: 'Changed elsewhere',
        detail: `The ${name} was changed elsewhere: save ${saved.latest} is the newest, this one builds on ${body.base as number}.`,
        latest: saved.latest,
      });
    const change = about?.(value);
    if (change) changeJob(db, id, change);
    response.json({ number: saved.number, [name]: value });
  });

  return router;
}
