/** `npm run record`: records anew what the model says of the ready systems. Read the change's diff before it is committed. */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { TABLES, systemsOf } from '../packages/core/src/testing/tables';

const recorded = Object.fromEntries(
  Object.entries(TABLES).map(([table, linesOf]) => {
    const began = performance.now();
    const lines = Object.fromEntries(
      systemsOf(table).map(({ id, build }) => [id, linesOf(build('Recorded'))]),
    );
    console.log(`${table}: ${Math.round(performance.now() - began)} ms`);
    return [table, lines];
  }),
);
writeFileSync(
  join(__dirname, '../packages/core/src/testing/__recorded__/tables.json'),
  `${JSON.stringify(recorded, null, 1)}\n`,
);
