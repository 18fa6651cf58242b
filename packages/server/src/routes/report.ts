import { DOCUMENTS } from '@zygostat/core/documents';
import { paperMarkdown } from '@zygostat/core/formats';
import type { Report } from '@zygostat/core/record';
import { reportOf } from '@zygostat/core/record';
import { reportPaper } from '@zygostat/core/words';
import type { Request } from 'express';
import { Router } from 'express';
import { storedDocument } from '../db/documents';
import { pageAddress } from '../address';
import type { Db } from '../db/open';
import { listPhotos, photoBytes } from '../db/photos';
import { listReadings } from '../db/readings';
import { entriesOf } from '../db/record';
import { latestRevision, storedRevision } from '../db/revisions';
import { followUpCalendar } from '../papers/follow-up';
import type { Draw } from '../papers';
import { reportQuerySchema } from '../schemas';
import { findJob } from './find';

/** Everything of a job that a report is made from. */
function gather(db: Db, jobId: string): Report {
  const { id, name, site, siteId, notes, state } = findJob(db, jobId);
  const left = latestRevision(db, id)!;
  return reportOf({
    job: { id, name, site, notes, state },
    found: storedRevision(db, id, 1)?.circuit ?? left.circuit,
    left: left.circuit,
    entries: entriesOf(db, id),
    readings: listReadings(db, id)
      .reverse()
      .map(({ createdAt, red, black, unit, expected, actual, verdict, situation }) => ({
        at: createdAt.toISOString(),
        red,
        black,
        unit,
        expected,
        actual,
        verdict,
        situation,
      })),
    photographs: listPhotos(db, id).map((photo) => ({
      id: photo.id,
      station: photo.station,
      at: photo.createdAt.toISOString(),
    })),
    building: storedDocument(db, DOCUMENTS.building, siteId).value,
    written: new Date().toISOString(),
  });
}

/** The report of a job, for people and for programs, and the dates that follow from it. */
export function reportRoutes(db: Db, draw: Draw): Router {
  const router = Router();
  type JobRequest = Request<{ id: string }>;

  const paperOf = (request: JobRequest) => {
    const { zone, ...units } = reportQuerySchema.validateSync(request.query, { abortEarly: false });
    const report = gather(db, request.params.id);
    return { report, paper: reportPaper(report, { zone, units }) };
  };

  router.get('/jobs/:id/report.pdf', async (request, response) => {
    const { report, paper } = paperOf(request);
    const pictures = new Map(
      report.photographs.flatMap(({ id }) => {
        const bytes = photoBytes(db, report.job.id, id);
        return bytes ? [[id, bytes] as const] : [];
      }),
    );
    response.type('application/pdf').send(await draw('report', paper, report.left, pictures));
  });

  router.get('/jobs/:id/report.md', (request, response) => {
    response
      .type('text/markdown; charset=utf-8')
      .attachment('report.md')
      .send(paperMarkdown(paperOf(request).paper));
  });

  router.get('/jobs/:id/report.json', (request, response) => {
    response.attachment('report.json').json(gather(db, request.params.id));
  });

  router.get('/jobs/:id/follow-up.ics', (request, response) => {
    const url = pageAddress(request, `/job/${request.params.id}`);
    response
      .type('text/calendar; charset=utf-8')
      .attachment('follow-up.ics')
      .send(followUpCalendar(gather(db, request.params.id), url));
  });

  return router;
}
