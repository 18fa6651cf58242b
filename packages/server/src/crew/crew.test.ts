/** Signing in: who is let by, with what, and for how long. Cookie attributes by RFC 6265bis, lengths by OWASP ASVS 4.0.3, from memory. */
import { request as httpRequest } from 'node:http';
import type { AddressInfo } from 'node:net';
import request from 'supertest';
import { createApp } from '../app';
import { invite } from '../db/codes';
import { personOf } from '../db/sessions';
import { makeLog } from '../log';
import type { Method } from '../testing/crew';
import { HOST, SECRET, cookiesOf, reach, tokenIn, useCrew } from '../testing/crew';

const JOB = { name: 'Hall', site: 'Quince orchard', template: 'boiler' };

const { ask, joined, server } = useCrew();

test.each<[Method, string]>([
  ['get', '/jobs'],
  ['get', '/jobs/x/photos/y'],
  ['get', '/bypasses'],
  ['post', '/jobs'],
  ['post', '/bundles'],
  ['put', '/jobs/x/survey'],
  ['get', '/crew/people'],
  ['post', '/crew/invitations'],
  ['delete', '/crew/sessions/x'],
  ['get', '/bench-meters/x'],
  ['get', '/nothing'],
])('%s %s is answered to nobody who is not signed in', async (method, path) => {
  const answer = await ask(method, path)
    .send(method === 'get' ? undefined : JOB)
    .expect(401);
  expect(answer.body).toMatchObject({ title: 'Sign in' });
});

test('what is needed to sign in is answered, and tells nothing of the jobs', async () => {
  expect((await ask('get', '/me').expect(200)).body).toEqual({ crew: true, person: null, empty: true });
  await ask('get', '/health').expect(200);
  expect((await ask('get', '/trust.crt').expect(200)).headers['content-type']).toMatch(/x509-ca-cert/);
});

test('the first joins by the terminal’s code and leads; the cookie is for this host alone', async () => {
  const code = invite(server().db, 'lead', null, 30);
  const answer = await ask('post', '/crew/join')
    .send({ code: `${code.slice(0, 5).toLowerCase()}-${code.slice(5)}`, name: 'Ansa', password: SECRET })
    .expect(200);
  expect(answer.body).toMatchObject({ person: { name: 'Ansa', role: 'lead' } });
  const cookies = answer.headers['set-cookie'] as unknown as string[];
  expect(cookies.map((cookie) => cookie.replace(/=.*/, ''))).toEqual(['__Host-device', '__Host-session']);
  for (const cookie of cookies) {
    expect(cookie).toMatch(/=[\w-]{43};/);
    for (const part of ['Secure', 'HttpOnly', 'SameSite=Strict', 'Path=/']) expect(cookie).toContain(part);
    expect(cookie).not.toContain('Domain');
  }
  await ask('get', '/jobs', cookiesOf(answer)).expect(200);
  // Good once.
  await ask('post', '/crew/join').send({ code, name: 'Sol', password: SECRET }).expect(401);
});

test('a code that ended is refused', async () => {
  const code = invite(server().db, 'member', null, -1);
  const answer = await ask('post', '/crew/join').send({ code, name: 'Sol', password: SECRET }).expect(401);
  expect(answer.body.detail).toMatch(/not good, or not any more/);
});

test.each<[string, string]>([
  ['short', 'must have 12 characters'],
  ['x'.repeat(129), 'at most 128'],
  ['aaaaaaaaaaaaab', 'tried first'],
  ['PasswordPassword', 'tried first'],
  ['123456789012', 'tried first'],
  ['qwertyuiopas', 'tried first'],
  // Of his own name.
  ['Sol-Sol-Sol-1', 'tried first'],
])('%s is no password', async (password, message) => {
  const code = invite(server().db, 'member', null, 15);
  const answer = await ask('post', '/crew/join').send({ code, name: 'Sol', password }).expect(422);
  expect(answer.body.problems).toContainEqual({
    path: 'password',
    message: expect.stringContaining(message),
  });
  // The code is still good.
  await ask('post', '/crew/join').send({ code, name: 'Sol', password: SECRET }).expect(200);
});

test('while a password is written one is told how soon it is guessed; nobody may ask without end', async () => {
  const code = invite(server().db, 'member', null, 15);
  const strength = async (password: string) =>
    (await ask('post', '/crew/strength').send({ password, name: 'Sol', code }).expect(200)).body
      .strength as number;
  expect(await strength('password1234')).toBeLessThan(2);
  expect(await strength('Sol1234567890')).toBeLessThan(2);
  expect(await strength(SECRET)).toBe(4);
  await ask('post', '/crew/strength')
    .send({ password: 'x'.repeat(129) })
    .expect(422);
  for (let i = 0; i < 26; i++) await ask('post', '/crew/strength').send({ password: 'x', code }).expect(200);
  await ask('post', '/crew/strength').send({ password: 'x', code }).expect(429);
});

test('a password opens another device; a wrong one, and a name that is not there, are refused alike', async () => {
  await joined('Ansa');
  const good = await ask('post', '/crew/sign-in').send({ name: 'Ansa', password: SECRET }).expect(200);
  await ask('get', '/jobs', cookiesOf(good)).expect(200);
  const [one, other] = [
    await ask('post', '/crew/sign-in').send({ name: 'Ansa', password: 'another long one' }).expect(401),
    await ask('post', '/crew/sign-in').send({ name: 'Nobody', password: SECRET }).expect(401),
  ];
  expect(one.body).toEqual(other.body);
});

test('only a hash of password, token and code is kept', async () => {
  const code = invite(server().db, 'lead', null, 15);
  const answer = await ask('post', '/crew/join').send({ code, name: 'Ansa', password: SECRET });
  const token = tokenIn(cookiesOf(answer));
  const kept = JSON.stringify(
    ['people', 'sessions', 'known_devices', 'invitations'].map((table) =>
      server().db.all(`select * from ${table}`),
    ),
  );
  for (const secret of [SECRET, token, code]) expect(kept).not.toContain(secret);
  expect(kept).toContain('$argon2id$v=19$m=19456,t=2,p=1$');
});

test('neither password nor token stands in the log, and no cache keeps an answer', async () => {
  const lines: string[] = [];
  const log = makeLog('trace', { write: (line) => void lines.push(line) });
  const app = createApp({ db: server().db, log, reach });
  const cookie = await joined('Ansa');
  const given = { name: 'Ansa', password: SECRET };
  const to = (path: string) => request(app).post(`/api${path}`).set('Host', HOST);
  const signedIn = await to('/crew/sign-in').send(given).expect(200);
  await request(app)
    .get('/api/jobs')
    .set('Host', HOST)
    .set('Cookie', cookie)
    .expect('Cache-Control', 'no-store');
  expect(lines.length).toBeGreaterThan(1);
  for (const secret of [SECRET, cookie.split('=')[1]!, cookiesOf(signedIn).split('=')[1]!])
    expect(lines.join()).not.toContain(secret);
});

test('guessing is stopped after ten wrong answers for a name, the right one then too', async () => {
  await joined('Ansa');
  const guess = (password: string) => ask('post', '/crew/sign-in').send({ name: 'Ansa', password });
  for (let i = 0; i < 10; i++) await guess(`a long guess, number ${i}`).expect(401);
  expect((await guess(SECRET).expect(429)).body.title).toBe('Too many attempts');
});

test('a device signed out, or seen off by whoever leads, is out at once', async () => {
  const lead = await joined('Ansa');
  const stolen = await joined('Sol', 'member');
  const { body } = await ask('get', '/crew/sessions', lead).expect(200);
  const theirs = body.find(({ person }: { person: string }) => person === 'Sol');
  expect(body.map(({ this: own }: { this: boolean }) => own)).toEqual([true, false]);
  await ask('delete', `/crew/sessions/${theirs.id}`, lead).expect(204);
  await ask('get', '/jobs', stolen).expect(401);
  await ask('post', '/crew/sign-out', lead).expect(204);
  await ask('get', '/jobs', lead).expect(401);
});

test('who is signed in stays so when the server starts anew', async () => {
  const cookies = await joined('Ansa');
  const anew = createApp({ db: server().db, log: makeLog('silent'), reach });
  await request(anew).get('/api/jobs').set('Host', HOST).set('Cookie', cookies).expect(200);
});

test('a session ends by itself after a month unseen', async () => {
  const token = tokenIn(await joined('Ansa'));
  const days = (n: number) => Date.now() + n * 24 * 3600 * 1000;
  expect(personOf(server().db, token, days(29))).not.toBeNull();
  // Seen then, so a month from there.
  expect(personOf(server().db, token, days(58))).not.toBeNull();
  expect(personOf(server().db, token, days(89))).toBeNull();
});

test('a reader reads and changes nothing; a member works and leads nobody', async () => {
  await joined('Ansa');
  const [reader, member] = [await joined('Rue', 'reader'), await joined('Sol', 'member')];
  await ask('get', '/jobs', reader).expect(200);
  expect((await ask('post', '/jobs', reader).send(JOB).expect(403)).body.detail).toMatch(/Rue may read/);
  await ask('post', '/crew/sign-out', reader).expect(204);
  await ask('post', '/jobs', member).send(JOB).expect(201);
  await ask('post', '/crew/invitations', member).send({ role: 'lead' }).expect(403);
  const { body } = await ask('get', '/crew/people', member).expect(200);
  await ask('delete', `/crew/people/${body[0].id}`, member).expect(403);
});

test('whoever leads makes codes under the public address, changes roles, sees people off, and is never the last to', async () => {
  const lead = await joined('Ansa');
  const made = await ask('post', '/crew/invitations', lead).send({ role: 'member' }).expect(201);
  expect(made.body.url).toBe(`https://${HOST}/join#${made.body.code}`);
  expect(made.body.qr).toMatch(/^<svg/);
  const sol = await ask('post', '/crew/join')
    .send({ code: made.body.code, name: 'Sol', password: SECRET })
    .expect(200);
  const own = (await ask('get', '/me', lead)).body.person.id;
  expect((await ask('delete', `/crew/people/${own}`, lead).expect(422)).body.detail).toMatch(
    /somebody who leads/,
  );
  await ask('patch', `/crew/people/${sol.body.person.id}`, lead).send({ role: 'lead' }).expect(200);
  await ask('delete', `/crew/people/${own}`, cookiesOf(sol)).expect(204);
  await ask('get', '/jobs', lead).expect(401);
});

test('what is written carries the name of whoever is signed in, and no other', async () => {
  const cookie = await joined('Ansa');
  const { body: job } = await ask('post', '/jobs', cookie).send(JOB).expect(201);
  const circuit = (await ask('get', `/jobs/${job.id}`, cookie)).body.circuit;
  await ask('post', `/jobs/${job.id}/revisions`, cookie).send({ base: 1, circuit }).expect(201);
  const { body: revisions } = await ask('get', `/jobs/${job.id}/revisions`, cookie);
  expect(revisions[0]).toMatchObject({ number: 2, by: 'Ansa' });
  const entry = {
    id: 'e1',
    at: '2026-11-28T08:00:00+01:00',
    by: 'Ansa',
    body: { type: 'note', text: 'Dry' },
  };
  const others = { ...entry, by: 'Sol' };
  expect(
    (await ask('post', `/jobs/${job.id}/record`, cookie).send(others).expect(422)).body.problems,
  ).toEqual([{ path: 'by', message: 'must be Ansa, who is signed in' }]);
  await ask('post', `/jobs/${job.id}/record`, cookie).send(entry).expect(201);
});

test('a page of another origin signs nobody in, and another host gets nothing', async () => {
  await joined('Ansa');
  const given = { name: 'Ansa', password: SECRET };
  await ask('post', '/crew/sign-in').set('Origin', 'https://elsewhere.example').send(given).expect(403);
  await ask('post', '/crew/sign-in').set('Origin', `https://${HOST}`).send(given).expect(200);
  await request(server().app).get('/api/me').set('Host', 'rebound.example').expect(421);
});

test('a passkey is asked for under a name, and what proves nothing is refused', async () => {
  const cookie = await joined('Ansa');
  const offer = await ask('post', '/crew/passkeys/offer', cookie).expect(200);
  expect(offer.body).toMatchObject({ rp: { id: HOST }, user: { name: 'Ansa' } });
  await ask('post', '/crew/passkeys', cookie)
    .send({ answer: { id: 'x' } })
    .expect(422);
  await ask('post', '/crew/passkeys/sign-in')
    .send({ answer: { id: 'x' } })
    .expect(401);
  await ask('post', '/crew/passkeys/ask').expect(200);
});

test('who is signed out while listening to a job is told nothing more, and went by their own name', async () => {
  const lead = await joined('Ansa');
  const member = await joined('Sol', 'member');
  const { body: job } = await ask('post', '/jobs', lead).send(JOB).expect(201);
  const listening = server().app.listen(0, '127.0.0.1');
  await new Promise((resolve) => listening.once('listening', resolve));
  const { port } = listening.address() as AddressInfo;
  let heard = '';
  const ended = new Promise((resolve) => {
    httpRequest(
      {
        port,
        host: '127.0.0.1',
        path: `/api/jobs/${(job as { id: string }).id}/stream?page=one&name=Ansa`,
        headers: { Host: HOST, Cookie: member },
      },
      (answer) => {
        answer.on('data', (chunk: Buffer) => (heard += chunk.toString()));
        answer.on('end', resolve);
      },
    ).end();
  });
  const { body: sessions } = await ask('get', '/crew/sessions', lead).expect(200);
  const theirs = (sessions as { id: string; person: string }[]).find(({ person }) => person === 'Sol')!;
  await ask('delete', `/crew/sessions/${theirs.id}`, lead).expect(204);
  await ended;
  expect(heard).toContain('"name":"Sol"');
  expect(heard).not.toContain('Ansa');
  listening.closeAllConnections();
  await new Promise((resolve) => listening.close(resolve));
});
