/** A crew's server for tests, and people who come to it. */
import request from 'supertest';
import { readReach } from '../crew/reach';
import { invite } from '../db/codes';
import type { Role } from '../db/schema';
import { makeTestServer } from './server';

export const SECRET = 'four wet copper leaves';
export const HOST = 'shop.example';
export const reach = readReach(
  ['--crew'],
  { ZYGOSTAT_PROXY: '127.0.0.1', ZYGOSTAT_PUBLIC_URL: `https://${HOST}` },
  [],
);

export type Method = 'get' | 'post' | 'put' | 'patch' | 'delete';

/** What a device carries after an answer. */
export const cookiesOf = ({ headers }: request.Response): string =>
  [headers['set-cookie'] ?? []]
    .flat()
    .map((cookie) => cookie.split(';')[0]!)
    .join('; ');

/** The token of a session among what a device carries. */
export const tokenIn = (cookies: string): string => /__Host-session=([^;]*)/.exec(cookies)![1]!;

/** A server of a crew for each test of a file. */
export function useCrew() {
  let server: ReturnType<typeof makeTestServer>;
  beforeEach(() => (server = makeTestServer({ reach, authority: 'PEM' })));
  afterEach(() => server.stop());

  const ask = (method: Method, path: string, cookies = '') =>
    request(server.app)[method](`/api${path}`).set('Host', HOST).set('Cookie', cookies);

  /** A person who joined by a code; what their device carries. */
  async function joined(name: string, role: Role = 'lead'): Promise<string> {
    const code = invite(server.db, role, null, 15);
    return cookiesOf(await ask('post', '/crew/join').send({ code, name, password: SECRET }).expect(200));
  }

  /** A person who signs in on a device by their password; what it carries then. */
  async function byPassword(name: string, password = SECRET): Promise<string> {
    return cookiesOf(await ask('post', '/crew/sign-in').send({ name, password }).expect(200));
  }

  /** A code for a further device of whoever sends it. */
  async function codeFor(cookies: string): Promise<string> {
    const { id } = (await ask('get', '/me', cookies)).body.person as { id: string };
    return (await ask('post', `/crew/people/${id}/codes`, cookies).expect(201)).body.code as string;
  }

  return { ask, joined, byPassword, codeFor, server: () => server };
}
