/** For whoever is not signed in yet: joining by a code, signing in by password or passkey. */
import type { Request, RequestHandler, Response } from 'express';
import { Router } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import type { Person } from '../db/crew';
import { isGoodCode, join, openSession, personNamed } from '../db/crew';
import type { Db } from '../db/open';
import { Problem, invalid, sendProblem } from '../problem';
import { setToken } from './cookie';
import { deviceName } from './device';
import { hashPassword, isPassword } from './password';
import type { Passkeys } from './passkeys';
import { siteFor } from './passkeys';
import { joinSchema, passkeySchema, signInSchema, strengthSchema } from './schemas';
import { strengthOf } from './strength';

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
    limit: 60,
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

const badCode = () => wrong('This code is not good, or not any more. Ask for a new one.');

export function entryRoutes(db: Db, keys: Passkeys): Router {
  const router = Router();
  const signIn = (request: Request, response: Response, person: Person) => {
    setToken(response, openSession(db, person.id, deviceName(request.headers['user-agent'])));
    response.json({ person });
  };

  router.use(['/crew/join', '/crew/sign-in', '/crew/passkeys/sign-in'], ...attempts());

  router.post('/crew/join', async (request, response) => {
    const { code, name, password } = joinSchema.validateSync(request.body, { abortEarly: false });
    // Before the hash, which is made to take long.
    if (!isGoodCode(db, code)) throw badCode();
    const answer = join(db, code, { name, passwordHash: await hashPassword(password) });
    if ('joined' in answer) return signIn(request, response, answer.joined);
    if (answer.refused === 'name')
      throw new Problem(invalid([{ path: 'name', message: 'is that of somebody else here: add a letter' }]));
    throw badCode();
  });

  router.post('/crew/strength', estimates(), (request, response) => {
    const { password, name } = strengthSchema.validateSync(request.body, { abortEarly: false });
    response.json({ strength: strengthOf(password, name === undefined ? [] : [name]) });
  });

  router.post('/crew/sign-in', async (request, response) => {
    const { name, password } = signInSchema.validateSync(request.body, { abortEarly: false });
    const person = personNamed(db, name);
    if (!(await isPassword(person?.passwordHash, password)) || !person)
      throw wrong('Name and password do not belong together.');
    signIn(request, response, { id: person.id, name: person.name, role: person.role });
  });

  router.post('/crew/passkeys/ask', async (request, response) => {
    response.json(await keys.authentication(siteFor(request)));
  });

  router.post('/crew/passkeys/sign-in', async (request, response) => {
    const { answer } = passkeySchema.validateSync(request.body, { abortEarly: false });
    const person = await keys.authenticate(siteFor(request), answer);
    if (!person) throw wrong('This passkey is not known here.');
    signIn(request, response, person);
  });

  return router;
}
