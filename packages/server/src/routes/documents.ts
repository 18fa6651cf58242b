import { Router } from 'express';
import { writerOf } from '../crew/who';
import type { StoredDocument } from '../documents';
import { saveDocument, storedDocument } from '../db/documents';
import { changeJob } from '../db/jobs';
import type { Db } from '../db/open';
import { Problem, invalid } from '../problem';
import { documentSaveSchema } from '../schemas';
import { findJob, findSite } from './find';

/** `GET` and `PUT /api/jobs/:id/<name>`, or `/api/sites/…`, of one kind of document: `{ number, <name> }` out, `{ base, <name> }` in. */
export function documentRoutes<T>(db: Db, document: StoredDocument<T>): Router {
  const { of, name, problemsOf, about } = document;
  const ownerOf = (id: string) => (of === 'jobs' ? findJob(db, id) : findSite(db, id));
  const router = Router();

  router.get(`/${of}/:id/${name}`, (request, response) => {
    const { number, value } = storedDocument(db, document, ownerOf(request.params.id!).id);
    response.json({ number, [name]: value });
  });

  router.put(`/${of}/:id/${name}`, (request, response) => {
    const { id } = ownerOf(request.params.id!);
    const body = documentSaveSchema(name).validateSync(request.body, { abortEarly: false });
    const problems = problemsOf(body[name]);
    if (problems.length > 0)
      throw new Problem(invalid(problems.map(({ path, message }) => ({ path: `${name}.${path}`, message }))));
    const value = body[name] as T;
    const saved = saveDocument(db, document, id, body.base as number, value, writerOf(response));
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
