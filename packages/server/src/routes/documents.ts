import type { DocumentKind } from '@zygostat/core/documents';
import { documentKinds } from '@zygostat/core/documents';
import { Router } from 'express';
import { writerOf } from '../crew/who';
import { saveDocument, storedDocument } from '../db/documents';
import type { Db } from '../db/open';
import { Problem, invalid } from '../problem';
import { documentSaveSchema } from '../schemas';
import { findJob, findSite } from './find';

/** `GET` and `PUT /api/jobs/:id/<name>`, or `/api/sites/…`, of one kind of document: `{ number, <name> }` out, `{ base, save, <name> }` in. */
function routesOf(db: Db, kind: DocumentKind, router: Router): void {
  const { owner, name, readIn, problems: problemsOf } = kind;
  const ownerOf = (id: string) => (owner === 'jobs' ? findJob(db, id) : findSite(db, id));

  router.get(`/${owner}/:id/${name}`, (request, response) => {
    const { number, value } = storedDocument(db, kind, ownerOf(request.params.id!).id);
    response.json({ number, [name]: value });
  });

  router.put(`/${owner}/:id/${name}`, (request, response) => {
    const { id } = ownerOf(request.params.id!);
    const {
      base,
      save,
      [name]: given,
    } = documentSaveSchema(name).validateSync(request.body, {
      abortEarly: false,
    });
    const value = readIn(given);
    const problems = problemsOf(value);
    const under = problems.map(({ path, message }) => ({ path: `${name}.${path}`, message }));
    if (under.length > 0) throw new Problem(invalid(under));
    const saved = saveDocument(db, kind, id, {
      base: base as number,
      value,
      id: save as string | undefined,
      by: writerOf(response),
    });
    if (!saved.done) throw refusal(kind, base as number, saved);
    response.json({ number: saved.number, latest: saved.latest });
  });
}

function refusal(
  { name }: DocumentKind,
  base: number,
  not: { latest: number } | { lost: readonly string[] },
): Problem {
  if ('lost' in not)
    return new Problem(
      invalid(not.lost.map((path) => ({ path: `${name}.${path}`, message: 'must not be left out' }))),
    );
  return new Problem({
    status: 409,
    title: 'Changed elsewhere',
    detail: `The ${name} was changed elsewhere: save ${not.latest} is the newest, this one builds on ${base}.`,
    latest: not.latest,
  });
}

/** Every document there is. */
export function documentRoutes(db: Db): Router {
  const router = Router();
  for (const kind of documentKinds()) routesOf(db, kind, router);
  return router;
}
