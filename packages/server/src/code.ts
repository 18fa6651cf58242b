/** `npm run code -- NAME`: who has the machine has the crew, and whoever leads and lost every device comes back this way. */
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { CODE_MINUTES, makeCode } from './db/codes';
import { listPeople } from './db/crew';
import { openDatabase } from './db/open';

const root = fileURLToPath(new URL('../../..', import.meta.url));
const database = join(process.env.ZYGOSTAT_DATA ?? join(root, 'data'), 'zygostat.sqlite');
const name = process.argv.slice(2).join(' ').trim();

/** What to say, and whether there is a code in it. */
function answer(): { isCode: boolean; says: string } {
  if (!existsSync(database)) return { isCode: false, says: `There is no database at ${database}.` };
  const { db, close } = openDatabase(database, join(root, 'packages/server/drizzle'));
  try {
    const people = listPeople(db);
    const person = people.find((one) => one.name === name);
    if (!person) {
      const here = people.map((one) => one.name).join(', ') || 'nobody yet';
      return { isCode: false, says: `Say who it is for: npm run code -- NAME. Of the crew: ${here}.` };
    }
    const code = makeCode(db, { role: person.role, forId: person.id, madeBy: null });
    const says = `${code}\nFor ${name}: good once, for ${CODE_MINUTES} minutes, at the server's address with /join#${code} after it.`;
    return { isCode: true, says };
  } finally {
    close();
  }
}

const { isCode, says } = answer();
(isCode ? console.log : console.error)(says);
process.exitCode = isCode ? 0 : 1;
