/** What a device may do: one that came by a password alone, one that is known, one whose person has just proved that it is them. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { goodCode, makeCode } from '../db/codes';
import { addPerson } from '../db/crew';
import { openDatabase } from '../db/open';
import { SECRET, cookiesOf, useCrew } from '../testing/crew';

const JOB = { name: 'Hall', site: 'Quince orchard', template: 'boiler' };
const OTHER = 'seven dry tin kettles';

const { ask, joined, byPassword, codeFor, server } = useCrew();

/** What `npm run code` says over a folder of data. */
function machine(data: string, ...args: readonly string[]) {
  const root = join(__dirname, '../../../..');
  const env = { ...process.env, ZYGOSTAT_DATA: data };
  return spawnSync(process.execPath, ['packages/server/dist/code.mjs', ...args], {
    cwd: root,
    env,
    encoding: 'utf8',
  });
}

/** The cookie that a device keeps when its person signs out. */
const kept = (cookies: string) => /__Host-device=[^;]*/.exec(cookies)?.[0] ?? '';

const signIn = (name: string, carried = '', password = SECRET) =>
  ask('post', '/crew/sign-in', carried).send({ name, password });

const idOf = async (cookies: string) => (await ask('get', '/me', cookies)).body.person.id as string;

test('whoever knows a password works, and neither leads nor changes how one signs in', async () => {
  const lead = await joined('Ansa');
  const guessed = await byPassword('Ansa');
  await ask('post', '/jobs', guessed).send(JOB).expect(201);
  const own = await idOf(lead);
  for (const [method, path] of [
    ['post', '/crew/invitations'],
    ['post', `/crew/people/${own}/codes`],
    ['post', '/crew/people/x/codes'],
    ['patch', '/crew/people/x'],
    ['delete', '/crew/people/x'],
    ['delete', '/crew/sessions/x'],
    ['post', '/crew/password'],
    ['post', '/crew/passkeys/offer'],
    ['post', '/crew/passkeys'],
    ['delete', '/crew/passkeys/x'],
  ] as const) {
    const answer = await ask(method, path, guessed).send({
      role: 'lead',
      old: SECRET,
      password: OTHER,
      answer: {},
    });
    expect([path, answer.status, answer.body.confirm]).toEqual([path, 403, true]);
  }
  // The password once more is no second thing.
  await ask('post', '/crew/prove', guessed).send({ password: SECRET }).expect(204);
  await ask('post', '/crew/invitations', guessed).send({ role: 'member' }).expect(403);
  expect(
    (await ask('get', '/crew/sessions', lead)).body.map(({ isKnown }: { isKnown: boolean }) => isKnown),
  ).toEqual([true, false]);
});

test('a code of another device makes it known: good once, for minutes, and for nobody else', async () => {
  const [lead, member] = [await joined('Ansa'), await joined('Sol', 'member')];
  const other = await byPassword('Ansa');
  const confirm = (code: string) => ask('post', '/crew/known', other).send({ code });
  await confirm('23456789AB').expect(401);
  await confirm(await codeFor(member)).expect(401);
  const late = makeCode(server().db, { role: 'lead', forId: await idOf(lead), madeBy: null, minutes: -1 });
  await confirm(late).expect(401);
  const code = await codeFor(lead);
  // Nobody new joins by it.
  const taken = await ask('post', '/crew/join').send({ code, name: 'Rue', password: SECRET }).expect(422);
  expect(taken.body.problems).toEqual([{ path: 'name', message: expect.stringContaining('made for') }]);
  await confirm(code).expect(204);
  await ask('post', '/crew/invitations', other).send({ role: 'member' }).expect(201);
  const third = await byPassword('Ansa');
  await ask('post', '/crew/known', third).send({ code }).expect(401);
});

test('a device stays known when it signs out, for its people alone, until it is signed out as lost', async () => {
  const here = await joined('Ansa');
  await ask('post', '/crew/sign-out', here).expect(204);
  const once = cookiesOf(await signIn('Ansa', kept(here)).expect(200));
  // Signed in on a device that is signed in, what it was before ends.
  const again = cookiesOf(await signIn('Ansa', `${once}; ${kept(here)}`).expect(200));
  await ask('get', '/jobs', once).expect(401);
  await ask('post', '/crew/invitations', again).send({ role: 'member' }).expect(201);

  // A tablet of two: each is known on it once they have shown that they are.
  await joined('Sol', 'lead');
  const sol = cookiesOf(await signIn('Sol', kept(here)).expect(200));
  await ask('post', '/crew/invitations', sol).send({ role: 'member' }).expect(403);
  const code = makeCode(server().db, { role: 'lead', forId: await idOf(sol), madeBy: null });
  const confirmed = await ask('post', '/crew/known', `${sol}; ${kept(here)}`)
    .send({ code })
    .expect(204);
  expect(cookiesOf(confirmed)).toBe(kept(here));
  const both = cookiesOf(await signIn('Ansa', kept(here)).expect(200));
  await ask('post', '/crew/invitations', both).send({ role: 'member' }).expect(201);

  // Signed out from a device that is not known itself, it is out and stays known; from one that is, it is forgotten, too.
  const out = async (from: string) => {
    const { body } = await ask('get', '/crew/sessions', from).expect(200);
    for (const one of body as { id: string; person: string; isKnown: boolean; this: boolean }[])
      if (one.person === 'Ansa' && one.isKnown && !one.this)
        await ask('delete', `/crew/sessions/${one.id}`, from).expect(204);
  };
  await out(await byPassword('Ansa'));
  await ask('get', '/jobs', both).expect(401);
  const back = cookiesOf(await signIn('Ansa', kept(here)).expect(200));
  await ask('post', '/crew/invitations', back).send({ role: 'member' }).expect(201);
  const elsewhere = await byPassword('Ansa');
  await ask('post', '/crew/known', elsewhere)
    .send({ code: await codeFor(back) })
    .expect(204);
  await out(elsewhere);
  const lost = cookiesOf(await signIn('Ansa', kept(here)).expect(200));
  await ask('post', '/crew/invitations', lost).send({ role: 'member' }).expect(403);
});

test('whoever forgot a password, or lost every device, comes back by a code of whoever leads, under their own name', async () => {
  const [lead, member] = [await joined('Ansa'), await joined('Sol', 'member')];
  const id = await idOf(member);
  const made = async () =>
    (await ask('post', `/crew/people/${id}/codes`, lead).expect(201)).body.code as string;
  const join = (code: string, password: string, name = 'Sol') =>
    ask('post', '/crew/join').send({ code, name, password });
  await ask('post', `/crew/people/${await idOf(lead)}/codes`, member).expect(403);
  await ask('post', '/crew/people/x/codes', lead).expect(404);

  const code = await made();
  await join(code, OTHER, 'Ansa').expect(422);
  const back = await join(code, OTHER).expect(200);
  expect(back.body.person).toEqual({ id, name: 'Sol', role: 'member' });
  await join(code, OTHER).expect(401);
  // Whoever knew the old password is out, and the person is told.
  await ask('get', '/jobs', member).expect(401);
  await signIn('Sol').expect(401);
  const { body: news } = await ask('get', '/crew/news', cookiesOf(back));
  expect(news.map(({ what }: { what: string }) => what)).toContain('password');

  // With the password they have it is one more device, and nobody is out.
  const further = await join(await made(), OTHER).expect(200);
  await ask('get', '/jobs', cookiesOf(back)).expect(200);
  await ask('post', '/crew/password', cookiesOf(further)).send({ old: OTHER, password: SECRET }).expect(204);

  // Whoever left comes back by no code made before.
  const last = await made();
  await ask('delete', `/crew/people/${id}`, lead).expect(204);
  await join(last, OTHER).expect(401);
});

test('what happens to how one signs in is told on the other devices, until it was seen there', async () => {
  const lead = await joined('Ansa');
  const news = async (cookie: string) =>
    ((await ask('get', '/crew/news', cookie).expect(200)).body as { what: string; detail: string }[]).map(
      ({ what, detail }) => `${what}: ${detail}`,
    );
  expect(await news(lead)).toEqual([]);
  const given = { name: 'Ansa', password: SECRET };
  const other = cookiesOf(
    await ask('post', '/crew/sign-in').set('User-Agent', 'iPhone').send(given).expect(200),
  );
  expect(await news(lead)).toEqual(['signed-in: iPhone']);
  // What came after the newest that was shown was not seen.
  const [{ at }] = (await ask('get', '/crew/news', lead)).body as [{ at: string }];
  const before = new Date(new Date(at).getTime() - 1).toISOString();
  await ask('post', '/crew/news', lead).send({ upTo: before }).expect(204);
  expect(await news(lead)).toHaveLength(1);
  await ask('post', '/crew/news', lead).send({ upTo: at }).expect(204);
  expect(await news(lead)).toEqual([]);
  await ask('post', '/crew/news', lead).send({ upTo: 'soon' }).expect(422);

  await ask('post', '/crew/known', other)
    .set('User-Agent', 'iPhone')
    .send({ code: await codeFor(lead) })
    .expect(204);
  expect(await news(lead)).toEqual(['known: iPhone']);

  // A new password signs the other devices out; what signs in after it hears of that first.
  const change = { old: SECRET, password: 'seven dry maple boards' };
  await ask('post', '/crew/password', other).set('User-Agent', 'iPhone').send(change).expect(204);
  const again = await byPassword('Ansa', change.password);
  expect((await news(again))[0]).toBe('password: iPhone');

  // Of others one hears nothing, and of one's own role what became of it.
  const sol = await joined('Sol', 'member');
  expect(await news(sol)).toEqual([]);
  const { id } = (await ask('get', '/me', sol)).body.person as { id: string };
  await ask('patch', `/crew/people/${id}`, other).send({ role: 'reader' }).expect(200);
  expect(await news(sol)).toEqual(['role: reader']);
  await ask('post', '/crew/news', sol).send({ upTo: new Date().toISOString() }).expect(204);
});

test('who belongs, and how one signs in, is changed by whoever has just proved that it is them', async () => {
  const [lead, reader] = [await joined('Ansa'), await joined('Rue', 'reader')];
  const later = () => server().db.run(`update sessions set proved_at = ${Date.now() - 16 * 60_000}`);
  const invites = () => ask('post', '/crew/invitations', lead).send({ role: 'member' });
  await invites().expect(201);
  later();
  for (const [method, path] of [
    ['post', '/crew/invitations'],
    ['patch', '/crew/people/x'],
    ['delete', '/crew/people/x'],
    ['delete', '/crew/sessions/x'],
    ['post', '/crew/passkeys/offer'],
    ['post', '/crew/passkeys'],
    ['delete', '/crew/passkeys/x'],
  ] as const) {
    const answer = await ask(method, path, lead).send({ role: 'lead', answer: {} });
    expect([path, answer.status, answer.body.prove]).toEqual([path, 403, true]);
  }
  // Work goes on, and a device of one's own that was lost is out at once.
  await ask('post', '/jobs', lead).send(JOB).expect(201);
  const lost = await byPassword('Rue');
  const { body } = await ask('get', '/crew/sessions', reader).expect(200);
  const other = body.find(({ this: own }: { this: boolean }) => !own);
  later();
  await ask('delete', `/crew/sessions/${other.id}`, reader).expect(204);
  await ask('get', '/jobs', lost).expect(401);

  await ask('post', '/crew/prove', lead).send({ password: 'another long one' }).expect(401);
  await ask('post', '/crew/passkeys/prove', lead)
    .send({ answer: { id: 'x' } })
    .expect(401);
  await ask('post', '/crew/prove').send({ password: SECRET }).expect(401);
  await invites().expect(403);
  await ask('post', '/crew/prove', lead).send({ password: SECRET }).expect(204);
  await invites().expect(201);
  // On that device alone.
  await ask('post', '/crew/passkeys/offer', reader).expect(403);
  await ask('post', '/crew/prove', reader).send({ password: SECRET }).expect(204);
  await ask('post', '/crew/passkeys/offer', reader).expect(200);
});

test('another password signs the other devices out', async () => {
  const here = await joined('Ansa');
  const there = await byPassword('Ansa');
  const change = { old: SECRET, password: 'seven dry tin kettles' };
  await ask('post', '/crew/password', here)
    .send({ ...change, old: 'not it at all' })
    .expect(401);
  await ask('post', '/crew/password', here).send(change).expect(204);
  await ask('get', '/jobs', here).expect(200);
  await ask('get', '/jobs', there).expect(401);
});

test('the machine makes a code for whoever lost every device', () => {
  const data = mkdtempSync(join(tmpdir(), 'zygostat-code-'));
  expect(machine(data, 'Ansa')).toMatchObject({ status: 1, stderr: expect.stringContaining('no database') });
  const { db, close } = openDatabase(join(data, 'zygostat.sqlite'), join(__dirname, '../../drizzle'));
  const person = addPerson(db, { name: 'Ansa Elm', role: 'lead', passwordHash: 'x' })!;
  expect(machine(data, 'Sol')).toMatchObject({
    status: 1,
    stderr: expect.stringContaining('Of the crew: Ansa Elm'),
  });
  const { status, stdout } = machine(data, 'Ansa', 'Elm');
  expect([status, goodCode(db, stdout.split('\n')[0]!)?.forId]).toEqual([0, person.id]);
  close();
  rmSync(data, { recursive: true });
});
