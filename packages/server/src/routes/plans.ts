import type { Plan } from '@zygostat/core/wire';
import { planProblems } from '@zygostat/core/wire';
import { eq } from 'drizzle-orm';
import { Router } from 'express';
import type { Db } from '../db/open';
import { jobs, plans } from '../db/schema';
import { Problem, invalid } from '../problem';
import { planSaveSchema } from '../schemas';
import { findJob } from './jobs';

/** The plan of a job and how often it was saved; 0 and none before the first. */
export const storedPlan = (db: Db, jobId: string) =>
  db.select({ number: plans.number, plan: plans.plan }).from(plans).where(eq(plans.jobId, jobId)).get() ?? {
    number: 0,
    plan: null,
  };

export function planRoutes(db: Db): Router {
  const router = Router();

  router.get('/jobs/:id/plan', (request, response) => {
    response.json(storedPlan(db, findJob(db, request.params.id).id));
  });

  router.put('/jobs/:id/plan', (request, response) => {
    const { id } = findJob(db, request.params.id);
    const { base, plan } = planSaveSchema.validateSync(request.body, { abortEarly: false });
    const problems = plan === null ? [] : planProblems(plan);
    if (problems.length > 0)
      throw new Problem(invalid(problems.map(({ path, message }) => ({ path: `plan.${path}`, message }))));
    const given = plan as Plan | null;
    const number = db.transaction((tx) => {
      const latest = storedPlan(tx as unknown as Db, id).number;
      if (base !== latest)
        throw new Problem({
          status: 409,
          title: 'Changed elsewhere',
          detail: `The plan was changed elsewhere: save ${latest} is the newest, this one builds on ${base}.`,
          latest,
        });
      const row = { number: latest + 1, plan: given, updatedAt: new Date() };
      tx.insert(plans)
        .values({ jobId: id, ...row })
        .onConflictDoUpdate({ target: plans.jobId, set: row })
        .run();
      tx.update(jobs).set({ updatedAt: row.updatedAt }).where(eq(jobs.id, id)).run();
      return row.number;
    });
    response.json({ number, plan: given });
  });

  return router;
}
