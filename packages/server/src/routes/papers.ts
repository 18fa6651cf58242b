import { DOCUMENTS } from '@zygostat/core/documents';
import { paperSizeOf } from '@zygostat/core/formats';
import { landingsCsv } from '@zygostat/core/words';
import type { Request } from 'express';
import { Router } from 'express';
import { storedDocument } from '../db/documents';
import { pageAddress } from '../address';
import type { Db } from '../db/open';
import { latestRevision } from '../db/revisions';
import type { Draw } from '../papers';
import { paperQuerySchema } from '../schemas';
import { findJob } from './find';
import { leaving } from './leaving';

/** What is printed for a job: as planned where there is a plan, as it stands otherwise. */
export function paperRoutes(db: Db, draw: Draw): Router {
  const router = Router();

  const subject = (request: Request<{ id: string }>) => {
    const job = findJob(db, request.params.id);
    const { symbols, length, locale } = paperQuerySchema.validateSync(request.query, { abortEarly: false });
    const { value: plan } = storedDocument(db, DOCUMENTS.plan, job.id);
    const latest = latestRevision(db, job.id)!;
    const state = plan ? `As planned: ${plan.title}` : `As it stands, revision ${latest.number}`;
    const url = pageAddress(request, `/job/${job.id}`);
    return {
      circuit: plan?.after ?? latest.circuit,
      heading: { site: job.site, job: job.name, state },
      url,
      symbols,
      length,
      size: paperSizeOf(locale),
    };
  };

  router.get('/jobs/:id/papers/cards.pdf', async (request, response) => {
    const { circuit, heading, length, size } = subject(request);
    response
      .type('application/pdf')
      .send(await draw(leaving(response), 'cards', heading, circuit, length, size));
  });

  router.get('/jobs/:id/papers/tags.pdf', async (request, response) => {
    const { circuit, heading, size } = subject(request);
    response.type('application/pdf').send(await draw(leaving(response), 'tags', heading, circuit, size));
  });

  router.get('/jobs/:id/papers/landings.csv', (request, response) => {
    response
      .type('text/csv; charset=utf-8; header=present')
      .attachment('landings.csv')
      .send(landingsCsv(subject(request).circuit));
  });

  router.get('/jobs/:id/papers/diagram.svg', async (request, response) => {
    const { circuit, heading, url, symbols } = subject(request);
    response
      .type('image/svg+xml')
      .send(await draw(leaving(response), 'diagramSvg', heading, circuit, url, symbols));
  });

  router.get('/jobs/:id/papers/diagram.pdf', async (request, response) => {
    const { circuit, heading, url, symbols, size } = subject(request);
    response
      .type('application/pdf')
      .send(await draw(leaving(response), 'diagram', heading, circuit, url, symbols, size));
  });

  return router;
}
