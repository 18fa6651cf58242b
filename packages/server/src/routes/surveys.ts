import type { Survey } from '@zygostat/core/survey';
import { EMPTY_SURVEY, surveyProblems } from '@zygostat/core/survey';
import { findTemplate } from '@zygostat/core/systems';
import { eq } from 'drizzle-orm';
import { Router } from 'express';
import type { Db } from '../db/open';
import { jobs, surveys } from '../db/schema';
import { Problem, invalid } from '../problem';
import { surveySaveSchema } from '../schemas';
import { findJob } from './jobs';

export function surveyRoutes(db: Db): Router {
  const router = Router();
  const stored = (jobId: string) =>
    db
      .select({ number: surveys.number, survey: surveys.survey })
      .from(surveys)
      .where(eq(surveys.jobId, jobId))
      .get() ?? { number: 0, survey: EMPTY_SURVEY };

  router.get('/jobs/:id/survey', (request, response) => {
    response.json(stored(findJob(db, request.params.id).id));
  });

  router.put('/jobs/:id/survey', (request, response) => {
    const { id } = findJob(db, request.params.id);
    const { base, survey } = surveySaveSchema.validateSync(request.body, { abortEarly: false });
    const problems = surveyProblems(survey);
    if (problems.length > 0)
      throw new Problem(invalid(problems.map(({ path, message }) => ({ path: `survey.${path}`, message }))));
    const given = survey as Survey;
    const template = given.system === null ? undefined : findTemplate(given.system);
    if (given.system !== null && !template)
      throw new Problem(
        invalid([{ path: 'survey.system', message: 'must be one of the ready systems, or null' }]),
      );
    const number = db.transaction((tx) => {
      const latest = stored(id).number;
      if (base !== latest)
        throw new Problem({
          status: 409,
          title: 'Changed elsewhere',
          detail: `The survey was changed elsewhere: save ${latest} is the newest, this one builds on ${base}.`,
          latest,
        });
      const row = { number: latest + 1, survey: given, updatedAt: new Date() };
      tx.insert(surveys)
        .values({ jobId: id, ...row })
        .onConflictDoUpdate({ target: surveys.jobId, set: row })
        .run();
      tx.update(jobs)
        .set({ updatedAt: row.updatedAt, ...(template && { system: template.title }) })
        .where(eq(jobs.id, id))
        .run();
      return row.number;
    });
    response.json({ number, survey: given });
  });

  return router;
}
