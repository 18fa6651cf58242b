/** For whoever is not signed in yet: joining by a code, signing in by password or passkey. */
import type { Request, RequestHandler, Response } from 'express';
import { Router } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import { goodCode, join, useCode } from '../db/codes';
import type { Person } from '../db/crew';
import { personNamed, setPassword } from '../db/crew';
import { noteAtDoor } from '../db/door';
import type { Db } from '../db/open';
import { closeOtherSessions, closeSession, openSession } from '../db/sessions';
import { Problem, invalid, sendProblem } from '../problem';
import { setToken } from './cookie';
import { deviceName } from './device';
import { knownHere, makeKnown } from './known';
import { hashPassword, isPassword } from './password';
import type { Passkeys } from './passkeys';
import { siteFor } from './passkeys';
import { joinSchema, passkeySchema, signInSchema, strengthSchema } from './schemas';
import { strengthOf } from './strength';
import { whoOf } from './who';

const QUARTER_HOUR_MS = 15 * 60_000;
/** Wrong answers in a quarter of an hour: from one address, and for one name whatever the address. */
const WRONG = { address: 20, name: 10 };

const limited = (limit: number, keyGenerator: (request: Request) => string): RequestHandler =>
  rateLimit({
    windowMs: QUARTER_HOUR_MS,
    limit,
    keyGenerator,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: (_request, response) =>
      sendProblem(response, {
        status: 429,
        title: 'Too many attempts',
        detail: 'That went wrong too often. Wait a quarter of an hour and try again.',
      }),
  });

const addressOf = ({ ip }: Request) => ipKeyGenerator(ip ?? '');

function nameOf(request: Request): string {
  const given: unknown = request.body;
  const name = typeof given === 'object' && given !== null && 'name' in given ? given.name : null;
  return typeof name === 'string' ? name.slice(0, 80) : addressOf(request);
}

/** Limits how often a secret may be tried. */
export const attempts = (): RequestHandler[] => [
  limited(WRONG.address, addressOf),
  limited(WRONG.name, nameOf),
];

/** Estimates take a moment each: nobody has more of them made than one writes passwords. */
const estimates = (): RequestHandler =>
  rateLimit({
    windowMs: 60_000,
    limit: 30,
    keyGenerator: addressOf,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: (_request, response) =>
      sendProblem(response, {
        status: 429,
        title: 'Too many estimates',
        detail: 'Wait a minute. A password is taken or refused all the same.',
      }),
  });

/** What is not right is not told more closely. */
export const wrong = (detail: string) => new Problem({ status: 401, title: 'Not right', detail });

export const badCode = () => wrong('This code is not good, or not any more. Ask for a new one.');

const badField = (path: string, message: string) => new Problem(invalid([{ path, message }]));

const deviceOf = ({ headers }: Request) => deviceName(headers['user-agent']);

interface Coming {
  code: string;
  name: string;
  password: string;
}

/** Somebody new. */
async function joinAnew(db: Db, { code, name, password }: Coming): Promise<Person> {
  const answer = join(db, code, { name, passwordHash: await hashPassword(password) });
  if ('joined' in answer) return answer.joined;
  if (answer.refused === 'name') throw badField('name', 'is that of somebody else here: add a letter');
  throw badCode();
}

/** Somebody who is here, on a further device or with a new password; whoever knew the old one is out then. */
async function comeBack(
  db: Db,
  id: string,
  { code, name, password }: Coming,
  device: string,
): Promise<Person> {
  const person = personNamed(db, name);
  if (person?.id !== id) throw badField('name', 'is not that of whoever this code was made for');
  const hash = (await isPassword(person.passwordHash, password)) ? null : await hashPassword(password);
  if (!useCode(db, code, id)) throw badCode();
  if (hash !== null) {
    setPassword(db, id, hash);
    closeOtherSessions(db, id, null);
    noteAtDoor(db, { personId: id, what: 'password', sessionId: null, detail: device });
  }
  return person;
}

export function entryRoutes(db: Db, keys: Passkeys): Router {
  const router = Router();
  const signIn = (
    request: Request,
    response: Response,
    { id, name, role }: Person,
    by: 'more' | 'password',
  ) => {
    const knownId = by === 'more' ? makeKnown(db, request, response, id) : knownHere(db, request, id);
    // One device is signed in once.
    const before = whoOf(response);
    if (before) closeSession(db, before.session);
    setToken(response, openSession(db, id, deviceOf(request), knownId));
    response.json({ person: { id, name, role } });
  };

  router.use(['/crew/join', '/crew/sign-in', '/crew/passkeys/sign-in'], ...attempts());

  router.post('/crew/join', async (request, response) => {
    const given = joinSchema.validateSync(request.body, { abortEarly: false });
    // Before the hash, which is made to take long.
    const code = goodCode(db, given.code);
    if (!code) throw badCode();
    const person =
      code.forId === null
        ? await joinAnew(db, given)
        : await comeBack(db, code.forId, given, deviceOf(request));
    signIn(request, response, person, 'more');
  });

  router.post('/crew/strength', estimates(), (request, response) => {
    const { password, name, code } = strengthSchema.validateSync(request.body, { abortEarly: false });
    // It takes a moment of the server each time: for whoever belongs here, or is about to.
    if (!whoOf(response) && !(code !== undefined && goodCode(db, code))) throw badCode();
    response.json({ strength: strengthOf(password, name === undefined ? [] : [name]) });
  });

  router.post('/crew/sign-in', async (request, response) => {
    const { name, password } = signInSchema.validateSync(request.body, { abortEarly: false });
    const person = personNamed(db, name);
    if (!(await isPassword(person?.passwordHash, password)) || !person)
      throw wrong('Name and password do not belong together.');
    signIn(request, response, person, 'password');
  });

  router.post('/crew/passkeys/ask', async (request, response) => {
    response.json(await keys.authentication(siteFor(request)));
  });

  router.post('/crew/passkeys/sign-in', async (request, response) => {
    const { answer } = passkeySchema.validateSync(request.body, { abortEarly: false });
    const person = await keys.authenticate(siteFor(request), answer);
    if (!person) throw wrong('This passkey is not known here.');
    signIn(request, response, person, 'more');
  });

  return router;
}
