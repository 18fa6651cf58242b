/** What was read on a job. */
import { desc, eq, sql } from 'drizzle-orm';
import type { Db } from './open';
import { writing } from './open';
import { jobs, readings } from './schema';

export const listReadings = (db: Db, jobId: string) =>
  db
    .select()
    .from(readings)
    .where(eq(readings.jobId, jobId))
    // Of two in one millisecond the later row is the newer.
    .orderBy(desc(readings.createdAt), sql`rowid desc`)
    .limit(1000)
    .all();

/** Logs a reading once: one that is sent again under its id stays as it is. Answers what is logged under the id. */
export const logReading = (db: Db, row: typeof readings.$inferInsert): typeof readings.$inferSelect =>
  writing(db, (tx) => {
    const { changes } = tx.insert(readings).values(row).onConflictDoNothing().run();
    if (changes > 0) tx.update(jobs).set({ updatedAt: row.createdAt }).where(eq(jobs.id, row.jobId)).run();
    return tx.select().from(readings).where(eq(readings.id, row.id)).get()!;
  });
