import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { createApp } from './app';
import { certificateOf } from './crew/certificate';
import { SettingError, readReach, readRequests } from './crew/reach';
import { bundlesHere } from './bundle';
import { bundlesAside } from './bundle/aside';
import { lastGood } from './db/backup';
import { DamagedError, openDatabase } from './db/open';
import type { Db } from './db/open';
import { prune, pruneHalfTaken } from './db/prune';
import type { Trouble } from './db/trouble';
import { troubleIn } from './db/trouble';
import { loadDemo } from './demo';
import { listen } from './listen';
import { makeLog } from './log';
import { drawHere } from './papers';
import { drawAside } from './papers/aside';

const root = fileURLToPath(new URL('../../..', import.meta.url));
const port = Number(process.env.ZYGOSTAT_PORT ?? 4310);
const data = process.env.ZYGOSTAT_DATA ?? join(root, 'data');
const log = makeLog(process.env.ZYGOSTAT_LOG);

/** Says what is wrong with a setting and ends. */
function end(message: string): never {
  console.error(message);
  process.exit(1);
}

/** Where to listen, and with which certificate. */
async function settings() {
  try {
    const reach = readReach(process.argv.slice(2), process.env);
    const requestsPerMinute = readRequests(process.env.ZYGOSTAT_REQUESTS_PER_MINUTE);
    return { reach, requestsPerMinute, certificate: await certificateOf(reach, data) };
  } catch (error) {
    if (error instanceof SettingError) end(error.message);
    const trouble = troubleIn(error);
    if (trouble !== null) end(troubleText(trouble));
    throw error;
  }
}

if (!Number.isInteger(port) || port < 0 || port > 65535)
  end(`ZYGOSTAT_PORT must be a port from 0 to 65535, not "${process.env.ZYGOSTAT_PORT}".`);

/** The folder of data, as far as it cannot be used. */
const troubleText = (trouble: Trouble): string =>
  trouble === 'full'
    ? `There is no room left on the disk of ${data}. Free some, then start again.`
    : trouble === 'busy'
      ? `Another program has the database in ${data} open. Stop it, then start again.`
      : `${data} cannot be written to. Set ZYGOSTAT_DATA to a folder that this user may write in.`;

/** The database, or a line that says what is wrong with it and what to do. */
function opened() {
  try {
    return openDatabase(database, join(root, 'packages/server/drizzle'));
  } catch (error) {
    const good = lastGood(join(data, 'backups'));
    if (error instanceof DamagedError)
      end(
        `${database} is damaged (${error.message}). ${
          good === null
            ? 'There is no whole copy in the backups folder. Put one back with: npm run restore -- FILE'
            : `The last whole copy is ${good}. Put it back with: npm run restore -- ${good}`
        }`,
      );
    const trouble = troubleIn(error);
    if (trouble !== null) end(troubleText(trouble));
    throw error;
  }
}

// Nobody else on this machine reads what is written.
process.umask(0o077);
const database = join(data, 'zygostat.sqlite');
const { reach, requestsPerMinute, certificate } = await settings();
const { db, close } = opened();
loadDemo(db);
/** What nobody can use any more goes once a day. */
const DAY_MS = 24 * 3600 * 1000;
const tidy = (putAway: (of: Db) => void) => {
  try {
    putAway(db);
  } catch (error) {
    log.warn(error);
  }
};
tidy(pruneHalfTaken);
tidy(prune);
setInterval(() => tidy(prune), DAY_MS).unref();

// Beside the bundle this is in; there is none while files are translated as they are read (`npm run dev`).
const beside = (file: string) => fileURLToPath(new URL(file, import.meta.url));
const begin = beside('./give-way.mjs');
const isBundled = existsSync(begin);
const papers = { begin, work: beside('./papers/work.mjs') };
const bundles = { begin, work: beside('./bundle/work.mjs') };

const app = createApp({
  db,
  log,
  web: join(root, 'packages/app/dist'),
  requestsPerMinute,
  reach,
  authority: certificate?.authority ?? null,
  draw: isBundled ? drawAside(papers) : drawHere,
  bundles: isBundled ? bundlesAside(bundles, database) : bundlesHere(db),
});
const { server, says } = await listen({ app, db, reach, port, certificate }).catch(
  (error: NodeJS.ErrnoException) =>
    end(
      error.code === 'EADDRINUSE' || error.code === 'EACCES'
        ? `Cannot listen on port ${port}: ${error.message}. Set ZYGOSTAT_PORT to a free one.`
        : `Cannot serve: ${error.message}.`,
    ),
);
console.log(says);

/** How long a request in hand may still take, ms. */
const FINISHING_MS = 1500;

/** Lets requests in hand finish, then closes the database. */
function stop(): void {
  server.close(() => {
    close();
    process.exit(0);
  });
  server.closeIdleConnections();
  // Whoever listens is cut off: they ask again by themselves.
  setTimeout(() => server.closeAllConnections(), FINISHING_MS).unref();
  setTimeout(() => process.exit(1), 5000).unref();
}

process.on('SIGINT', stop);
process.on('SIGTERM', stop);
