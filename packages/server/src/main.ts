import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { createApp } from './app';
import { certificateOf } from './crew/certificate';
import { SettingError, readReach } from './crew/reach';
import { bundlesAside, bundlesHere } from './bundle/aside';
import { openDatabase } from './db/open';
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
    return { reach, certificate: await certificateOf(reach, data) };
  } catch (error) {
    if (error instanceof SettingError) end(error.message);
    throw error;
  }
}

if (!Number.isInteger(port) || port < 0 || port > 65535)
  end(`ZYGOSTAT_PORT must be a port from 0 to 65535, not "${process.env.ZYGOSTAT_PORT}".`);

const { reach, certificate } = await settings();
const database = join(data, 'zygostat.sqlite');
const { db, close } = openDatabase(database, join(root, 'packages/server/drizzle'));
loadDemo(db);

// Beside the bundle this is in; there is none while files are translated as they are read (`npm run dev`).
const threadOf = (folder: string) => fileURLToPath(new URL(`./${folder}/thread.mjs`, import.meta.url));
const [papers, bundles] = [threadOf('papers'), threadOf('bundle')];

const requestsPerMinute = Number(process.env.ZYGOSTAT_REQUESTS_PER_MINUTE ?? 600);
const app = createApp({
  db,
  log,
  web: join(root, 'packages/app/dist'),
  requestsPerMinute,
  reach,
  authority: certificate?.authority ?? null,
  draw: existsSync(papers) ? drawAside(papers) : drawHere,
  bundles: existsSync(bundles) ? bundlesAside(bundles, database) : bundlesHere(db),
});
const { server, says } = await listen({ app, db, reach, port, certificate }).catch((error: Error) =>
  end(`Cannot listen on port ${port}: ${error.message}. Set ZYGOSTAT_PORT to a free one.`),
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
