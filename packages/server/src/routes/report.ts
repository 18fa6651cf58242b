import { DOCUMENTS } from '@zygostat/core/documents';
import type { ReportGiven } from '@zygostat/core/record';
import type { ReportStyle } from '@zygostat/core/words';
import type { Request } from 'express';
import { Router } from 'express';
import { pageAddress } from '../address';
import { storedDocument } from '../db/documents';
import { storedFirm } from '../db/firm';
import type { Db } from '../db/open';
import { fileOf } from '../db/open';
import { listPhotos } from '../db/photos';
import { listReadings } from '../db/readings';
import { entriesOf } from '../db/record';
import { latestRevision, storedRevision } from '../db/revisions';
import type { Draw } from '../papers';
import { reportQuerySchema } from '../schemas';
import { findJob } from './find';
import { leaving, sendBytes } from './leaving';

/** Everything of a job that a report is made from. */
function gather(db: Db, jobId: string): ReportGiven {
  const { id, name, site, address, siteId, notes, state, broughtBy } = findJob(db, jobId);
  const left = latestRevision(db, id)!;
  return {
    job: { id, name, site, address, notes, state, broughtBy },
    firm: storedFirm(db),
    found: storedRevision(db, id, 1)?.circuit ?? left.circuit,
    left: left.circuit,
    entries: entriesOf(db, id),
    readings: listReadings(db, id)
      .reverse()
      .map(({ createdAt, red, black, unit, expected, actual, verdict, situation }) => ({
        at: createdAt.toISOString(),
        ...{ red, black, unit, expected, actual, verdict, situation },
      })),
    photographs: listPhotos(db, id).map((photo) => ({
      id: photo.id,
      station: photo.station,
      at: photo.createdAt.toISOString(),
    })),
    building: storedDocument(db, DOCUMENTS.building, siteId).value,
    written: new Date().toISOString(),
  };
}

/** The report of a job, for people and for programs, and the dates that follow from it. */
export function reportRoutes(db: Db, draw: Draw): Router {
  const router = Router();
  type JobRequest = Request<{ id: string }>;

  const asked = (request: JobRequest): { given: ReportGiven; style: ReportStyle } => {
    const { zone, locale, ...units } = reportQuerySchema.validateSync(request.query, { abortEarly: false });
    return { given: gather(db, request.params.id), style: { zone, locale, units } };
  };

  router.get('/jobs/:id/report.pdf', async (request, response) => {
    const { given, style } = asked(request);
    const pdf = await draw(leaving(response), 'report', given, style, fileOf(db));
    response.type('application/pdf');
    await sendBytes(response, pdf);
  });

  router.get('/jobs/:id/report.md', async (request, response) => {
    const { given, style } = asked(request);
    response
      .type('text/markdown; charset=utf-8')
      .attachment('report.md')
      .send(await draw(leaving(response), 'reportText', given, style));
  });

  router.get('/jobs/:id/report.json', async (request, response) => {
    const given = gather(db, request.params.id);
    response
      .type('application/json')
      .attachment('report.json')
      .send(await draw(leaving(response), 'reportJson', given));
  });

  router.get('/jobs/:id/follow-up.ics', async (request, response) => {
    const url = pageAddress(request, `/job/${request.params.id}`);
    const given = gather(db, request.params.id);
    response
      .type('text/calendar; charset=utf-8')
      .attachment('follow-up.ics')
      .send(await draw(leaving(response), 'followUp', given, url));
  });

  return router;
}
