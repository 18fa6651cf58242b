/** A database as a large firm has it after years, written straight into its tables. */
import { createHash } from 'node:crypto';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import type { Entry } from '../../../packages/core/src/record';
import { CHAIN_START, linkText } from '../../../packages/core/src/record';
import { furnaceAirConditioner, heatPumpWithStrips } from '../../../packages/core/src/systems';
import { openDatabase } from '../../../packages/server/src/db/open';
import { jobs, readings, recordEntries, revisions, sites } from '../../../packages/server/src/db/schema';

export const JOBS = 10_000;
export const ENTRIES = 200_000;
const SITES = 2_500;
/** Of every job. */
const REVISIONS = 3;
const READINGS = 4;
/** Jobs written in one transaction. */
const AT_ONCE = 250;

const WORDS = [
  'Orchard',
  'Foundry',
  'Harbour',
  'Quarry',
  'Chapel',
  'Bakery',
  'Mill',
  'Ward',
  'Loft',
  'Depot',
];
const nameOf = (n: number) => `${WORDS[n % 10]} ${WORDS[Math.floor(n / 10) % 10]} ${n}`;

export const jobId = (n: number) => `load-job-${String(n).padStart(5, '0')}`;

/** Entries of a job, chained as the server chains them. */
function entriesOf(n: number) {
  const id = jobId(n);
  let link = CHAIN_START;
  return Array.from({ length: ENTRIES / JOBS }, (_, i) => {
    const entry: Entry = {
      id: `${id}-${i}`,
      at: '2027-05-04T09:00:00.000Z',
      by: 'Sol',
      body: { type: 'note', text: `Line ${i} of ${nameOf(n)}` },
    };
    link = createHash('sha256').update(linkText(link, entry)).digest('hex');
    return { ...entry, jobId: id, number: i + 1, link, createdAt: new Date(0) };
  });
}

/** @returns bytes a stored circuit takes, on average. */
export function fill(folder: string): number {
  const { db, close } = openDatabase(
    join(folder, 'zygostat.sqlite'),
    join(__dirname, '../../../packages/server/drizzle'),
  );
  const circuits = [furnaceAirConditioner('Load'), heatPumpWithStrips('Load', { stages: 'two' })] as const;
  const at = new Date(0);
  db.transaction((tx) => {
    for (let n = 0; n < SITES; n++)
      tx.insert(sites)
        .values({ id: `load-site-${n}`, name: nameOf(n), createdAt: at })
        .run();
  });
  for (let first = 0; first < JOBS; first += AT_ONCE)
    db.transaction((tx) => {
      for (let n = first; n < first + AT_ONCE; n++) {
        const id = jobId(n);
        const circuit = circuits[n % 2]!;
        const named = { name: `Unit ${n}`, system: circuit.name, notes: `Key at the ${WORDS[n % 7]!}` };
        const updatedAt = new Date(n * 1000);
        tx.insert(jobs)
          .values({ id, siteId: `load-site-${n % SITES}`, ...named, createdAt: at, updatedAt })
          .run();
        for (let number = 1; number <= REVISIONS; number++)
          tx.insert(revisions).values({ jobId: id, number, circuit, createdAt: at }).run();
        for (let i = 0; i < READINGS; i++)
          tx.insert(readings)
            .values({
              ...{ id: `${id}-r${i}`, jobId: id, revision: 1, mode: 'ac-volts', meter: 'high-z' },
              ...{ red: 'board.R', black: 'board.C', expected: 26, actual: 26.1 },
              ...{ unit: 'V', verdict: 'agrees', createdAt: at },
            } as const)
            .run();
        tx.insert(recordEntries).values(entriesOf(n)).run();
      }
    });
  const { bytes } = db.get<{ bytes: number }>(sql`select avg(length(circuit)) as bytes from revisions`);
  close();
  return bytes;
}
