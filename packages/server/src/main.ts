import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { createApp } from './app';
import { openDatabase } from './db/open';
import { loadDemo } from './demo';
import { makeLog } from './log';

const root = fileURLToPath(new URL('../../..', import.meta.url));
const port = Number(process.env.ZYGOSTAT_PORT ?? 4310);
const data = process.env.ZYGOSTAT_DATA ?? join(root, 'data');
const log = makeLog(process.env.ZYGOSTAT_LOG);

if (!Number.isInteger(port) || port < 0 || port > 65535) {
  console.error(`ZYGOSTAT_PORT must be a port from 0 to 65535, not "${process.env.ZYGOSTAT_PORT}".`);
  process.exit(1);
}

const { db, close } = openDatabase(join(data, 'zygostat.sqlite'), join(root, 'packages/server/drizzle'));
loadDemo(db);

const requestsPerMinute = Number(process.env.ZYGOSTAT_REQUESTS_PER_MINUTE ?? 600);
const app = createApp({ db, log, web: join(root, 'packages/app/dist'), requestsPerMinute });
const server = app.listen(port, '127.0.0.1', (error?: Error) => {
  if (error) {
    console.error(`Cannot listen on port ${port}: ${error.message}. Set ZYGOSTAT_PORT to a free one.`);
    process.exit(1);
  }
  const address = server.address();
  console.log(
    `Zygostat is ready on http://127.0.0.1:${typeof address === 'object' && address ? address.port : port}`,
  );
});

/** Lets requests in hand finish, then closes the database. */
function stop(): void {
  server.close(() => {
    close();
    process.exit(0);
  });
  server.closeIdleConnections();
  setTimeout(() => process.exit(1), 5000).unref();
}

process.on('SIGINT', stop);
process.on('SIGTERM', stop);
