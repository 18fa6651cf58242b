/** What was read on a job. */
import { desc, eq, sql } from 'drizzle-orm';
import type { Db } from './open';
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

/** Logs a reading once: one that is sent again under its id stays as it is. */
export function logReading(db: Db, row: typeof readings.$inferInsert): void {
  db.transaction((tx) => {
    const { changes } = tx.insert(readings).values(row).onConflictDoNothing().run();
    if (changes > 0) tx.update(jobs).set({ updatedAt: row.createdAt }).where(eq(jobs.id, row.jobId)).run();
  });
}
