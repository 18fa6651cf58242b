/** Who is let in, and who no more: codes, names, streams, pages of elsewhere. Fetch Metadata and Origin by the W3C and RFC 6454, from memory. */
import { request as httpRequest } from 'node:http';
import type { AddressInfo } from 'node:net';
import request from 'supertest';
import { invite, makeCode } from '../db/codes';
import { addPasskey, addPerson, listPeople, personNamed } from '../db/crew';
import { noteAtDoor } from '../db/door';
import { prune } from '../db/prune';
import { doorEvents, invitations, sessions } from '../db/schema';
import { HOST, SECRET, useCrew } from '../testing/crew';
import { makeTestServer } from '../testing/server';
import { nameKey } from './name';

const { ask, joined, server } = useCrew();

const comesBy = (code: string, name: string) =>
  ask('post', '/crew/join').send({ code, name, password: SECRET });

test('codes that somebody made are no good once they were removed', async () => {
  const lead = await joined('Ansa');
  const other = await joined('Bero');
  const { body: made } = await ask('post', '/crew/invitations', other).send({ role: 'lead' }).expect(201);
  const { code } = made as { code: string };
  const { id } = listPeople(server().db).find(({ name }) => name === 'Bero')!;
  await ask('delete', `/crew/people/${id}`, lead).expect(204);
  await comesBy(code, 'Bero again').expect(401);
});

test('what the terminal showed at the first start lets in one person, however often it started', async () => {
  const [first, second] = [invite(server().db, 'lead', null, 30), invite(server().db, 'lead', null, 30)];
  await comesBy(first, 'Ansa').expect(200);
  await comesBy(second, 'Intruder').expect(401);
  // A code the machine makes later for somebody who is here is another thing.
  const { id: forId } = personNamed(server().db, 'Ansa')!;
  await comesBy(makeCode(server().db, { role: 'lead', forId, madeBy: null }), 'Ansa').expect(200);
});

test.each([
  ['a letter of another script', 'Ad\u0430 Quill'],
  ['other capitals', 'ada quill'],
  ['wide letters', '\uff21da Quill'],
  ['two spaces', 'Ada  Quill'],
])('%s makes no second person', async (_what, name) => {
  await joined('Ada Quill');
  await comesBy(invite(server().db, 'member', null, 15), name).expect(422);
  expect(nameKey(name)).toBe(nameKey('Ada Quill'));
  // Whoever types it so signs in all the same.
  await ask('post', '/crew/sign-in').send({ name, password: SECRET }).expect(200);
});

test.each(['Ada\u200b Quill', 'Ada\u202eQuill', 'Ada\u0007', 'Ada\ud800', 'A\u00adda'])(
  'a name with what cannot be seen is refused: %j',
  async (name) => {
    const { body } = await comesBy(invite(server().db, 'member', null, 15), name).expect(422);
    expect(JSON.stringify(body)).toMatch(
      /name must not have (characters that cannot be seen|control)|name must be one line/,
    );
  },
);

/** Listens to a stream; resolves when it ends. */
async function streamEnds(path: string, cookie: string, then: () => Promise<unknown>): Promise<void> {
  const listening = server().app.listen(0, '127.0.0.1');
  await new Promise((resolve) => listening.once('listening', resolve));
  const { port } = listening.address() as AddressInfo;
  const headers = { Host: HOST, Cookie: cookie };
  const ended = new Promise<void>((resolve, reject) => {
    httpRequest({ port, host: '127.0.0.1', path: `/api${path}`, headers }, (answer) => {
      answer.once('data', () => void then().catch(reject));
      answer.on('end', resolve).resume();
    }).end();
  });
  await ended;
  listening.closeAllConnections();
  await new Promise((resolve) => listening.close(resolve));
}

test('who was removed hears nothing more of a fire panel, nor of a bench meter', async () => {
  const lead = await joined('Ansa');
  await ask('put', '/fire-panels/hall', lead).send({ name: 'Hall' }).expect(201);
  const made = await ask('post', '/jobs', lead)
    .send({ name: 'Hall', site: 'Mill', template: 'boiler' })
    .expect(201);
  const { id: job } = made.body as { id: string };
  const { body: meter } = await ask('post', '/bench-meters', lead).send({ job }).expect(201);
  for (const [i, path] of [
    '/fire-panels/hall/stream',
    `/bench-meters/${(meter as { id: string }).id}/stream`,
  ].entries()) {
    const name = `Sol ${i}`;
    const member = await joined(name, 'member');
    const { id } = listPeople(server().db).find((one) => one.name === name)!;
    await streamEnds(path, member, () => ask('delete', `/crew/people/${id}`, lead).expect(204).then());
  }
});

test('an estimate of a password is for whoever is signed in, or comes by a code', async () => {
  await ask('post', '/crew/strength').send({ password: 'x' }).expect(401);
  await ask('post', '/crew/strength').send({ password: 'x', code: 'NOT A CODE' }).expect(401);
  const code = invite(server().db, 'member', null, 15);
  await ask('post', '/crew/strength').send({ password: 'x', code }).expect(200);
});

test('a page of the same host by another scheme signs nobody in', async () => {
  await joined('Ansa');
  const given = { name: 'Ansa', password: SECRET };
  await ask('post', '/crew/sign-in').set('Origin', `http://${HOST}`).send(given).expect(403);
  await ask('post', '/crew/sign-in').set('Origin', `https://${HOST}:444`).send(given).expect(403);
});

test('a page of elsewhere uses up nothing of what a person may ask', async () => {
  const { app, stop } = makeTestServer({ requestsPerMinute: 3 });
  const get = () => request(app).get('/api/health').set('Host', '127.0.0.1:4310');
  for (let i = 0; i < 10; i++)
    await get().set('Sec-Fetch-Site', 'cross-site').set('Sec-Fetch-Mode', 'no-cors').expect(403);
  await get().set('Sec-Fetch-Site', 'same-site').set('Sec-Fetch-Mode', 'cors').expect(403);
  await get().set('Sec-Fetch-Site', 'same-origin').expect(200);
  // Who follows a link comes from elsewhere, and asks for a page themselves.
  await get().set('Sec-Fetch-Site', 'cross-site').set('Sec-Fetch-Mode', 'navigate').expect(200);
  stop();
});

test('a passkey that is known already stays whose it is', () => {
  const { db } = server();
  const [one, other] = ['Ansa', 'Bero'].map(
    (name) => addPerson(db, { name, role: 'member', passwordHash: '' })!.id,
  );
  const key = { id: 'credential', publicKey: new Uint8Array([1]), counter: 0 };
  expect(addPasskey(db, one!, key, 'Phone')).toBe(true);
  expect(addPasskey(db, one!, key, 'Phone')).toBe(true);
  expect(addPasskey(db, other!, key, 'Phone')).toBe(false);
});

test('what nobody can use any more goes', async () => {
  const { db } = server();
  await joined('Ansa');
  const { id } = personNamed(db, 'Ansa')!;
  const day = 24 * 3600 * 1000;
  noteAtDoor(db, { personId: id, what: 'signed-in', sessionId: null, detail: 'Phone' });
  invite(db, 'member', null, 15);
  const left = () => [sessions, invitations, doorEvents].map((table) => db.select().from(table).all().length);
  const [, , told] = left();
  prune(db);
  // The code that was used is gone, the one that is good stays.
  expect(left()).toEqual([1, 1, told]);
  prune(db, Date.now() + day);
  expect(left()).toEqual([1, 0, told]);
  prune(db, Date.now() + 31 * day);
  expect(left()).toEqual([0, 0, 0]);
});
