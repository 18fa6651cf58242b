/** Whoever does the work, as it stands on a report: one row. */
import type { Firm } from '@zygostat/core/record';
import { NO_FIRM } from '@zygostat/core/record';
import { eq } from 'drizzle-orm';
import type { Db } from './open';
import { firm } from './schema';

const ROW = 1;

export const storedFirm = (db: Db): Firm =>
  db.select({ name: firm.name, contact: firm.contact }).from(firm).where(eq(firm.id, ROW)).get() ?? NO_FIRM;

export const setFirm = (db: Db, { name, contact }: Firm): void =>
  void db
    .insert(firm)
    .values({ id: ROW, name, contact })
    .onConflictDoUpdate({ target: firm.id, set: { name, contact } })
    .run();
