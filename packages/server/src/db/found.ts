/** Faults that were confirmed on jobs, by class: they move the likelihoods of later searches. */
import { count } from 'drizzle-orm';
import type { Db } from './open';
import { foundFaults } from './schema';

/** How often each class was confirmed. */
export const foundCounts = (db: Db): Record<string, number> =>
  Object.fromEntries(
    db
      .select({ name: foundFaults.name, found: count() })
      .from(foundFaults)
      .groupBy(foundFaults.name)
      .all()
      .map(({ name, found }) => [name, found]),
  );

/** Counts a confirmed fault once, under the id it was given where it was found. */
export function recordFound(db: Db, row: typeof foundFaults.$inferInsert): void {
  db.insert(foundFaults).values(row).onConflictDoNothing().run();
}

export function forgetFound(db: Db): void {
  db.delete(foundFaults).run();
}
