/** Starts serving: plain on loopback or behind a proxy, over HTTPS for a crew. */
import { createServer as createHttp } from 'node:http';
import { createServer as createHttps } from 'node:https';
import type { Server } from 'node:http';
import type { createApp } from './app';
import { announcement } from './crew/announce';
import type { Certificate } from './crew/certificate';
import type { Reach } from './crew/reach';
import { invite } from './db/codes';
import { isEmpty } from './db/crew';
import type { Db } from './db/open';

interface Listen {
  app: ReturnType<typeof createApp>;
  db: Db;
  reach: Reach;
  port: number;
  certificate: Certificate | null;
}

/** For whoever will lead, told in the terminal. */
const FIRST_CODE_MINUTES = 30;

/**
 * How long a connection that is not used is kept, ms. Longer than proxies and browsers do, as is common practice: the five
 * seconds that Node keeps one end just as somebody reads a page and sends the next, and what is sent into that is lost.
 */
const KEEP_ALIVE_MS = 65_000;

const listening = (server: Server, port: number, host: string): Promise<number> =>
  new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, host, () => {
      const address = server.address();
      resolve(typeof address === 'object' && address ? address.port : port);
    });
  });

/** The name that is told first: one of the network rather than one of this machine to itself. */
const firstName = ({ names, host }: Reach): string =>
  host === '0.0.0.0'
    ? ([...names].find((name) => /^\d/.test(name) && name !== '127.0.0.1') ?? '127.0.0.1')
    : host;

/**
 * @returns the server and what the terminal should say.
 * @throws Error when the port is taken.
 */
export async function listen({
  app,
  db,
  reach,
  port,
  certificate,
}: Listen): Promise<{ server: Server; says: string }> {
  const server = certificate ? createHttps(certificate, app) : createHttp(app);
  server.keepAliveTimeout = KEEP_ALIVE_MS;
  const taken = await listening(server, port, reach.host);
  if (!reach.crew) return { server, says: `Zygostat is ready on http://127.0.0.1:${taken}` };
  const url = reach.publicUrl?.origin ?? `https://${firstName(reach)}:${taken}`;
  const says = await announcement({
    url,
    fingerprint: certificate?.authority ? certificate.fingerprint : null,
    firstCode: isEmpty(db) ? invite(db, 'lead', null, FIRST_CODE_MINUTES) : null,
  });
  return { server, says };
}
