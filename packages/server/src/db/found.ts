/** What moves the likelihoods of searches: faults confirmed on jobs, by class, and what is said of a class by hand. */
import { count, eq } from 'drizzle-orm';
import type { Db } from './open';
import { faultFactors, foundFaults } from './schema';

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

/** Everything is as judged again. */
export function forgetFound(db: Db): void {
  db.delete(foundFaults).run();
  db.delete(faultFactors).run();
}

/** How much likelier than judged each class is said to be. */
export const factorsOf = (db: Db): Record<string, number> =>
  Object.fromEntries(
    db
      .select()
      .from(faultFactors)
      .all()
      .map(({ name, factor }) => [name, factor]),
  );

/** Says how likely a class is against what is judged; 1 takes it back. */
export function setFactor(db: Db, name: string, factor: number): void {
  if (factor === 1) db.delete(faultFactors).where(eq(faultFactors.name, name)).run();
  else
    db.insert(faultFactors)
      .values({ name, factor })
      .onConflictDoUpdate({ target: faultFactors.name, set: { factor } })
      .run();
}
