/** For whoever is signed in: what is theirs alone. */
import type { Request, Response } from 'express';
import { Router } from 'express';
import { useCode } from '../db/codes';
import { passkeysOf, personNamed, removePasskey, setPassword } from '../db/crew';
import { newsFor, noteAtDoor, toldAtDoor } from '../db/door';
import type { Db } from '../db/open';
import type { DoorEvent } from '../db/schema';
import {
  becomesKnown,
  closeOtherSessions,
  closeSession,
  forgetKnown,
  listSessions,
  proved,
} from '../db/sessions';
import { Problem, invalid, notFound } from '../problem';
import { clearToken } from './cookie';
import { deviceName } from './device';
import { attempts, badCode, wrong } from './entry';
import { freshly, knownTo, leading } from './guard';
import { makeKnown } from './known';
import { hashPassword, isPassword } from './password';
import type { Passkeys } from './passkeys';
import { siteFor } from './passkeys';
import { codeSchema, newsSchema, passkeySchema, passwordSchema, proofSchema } from './schemas';
import { signedInAs } from './who';

export function ownRoutes(db: Db, keys: Passkeys): Router {
  const router = Router();
  const note = ({ headers }: Request, response: Response, what: DoorEvent) => {
    const { person, session: sessionId } = signedInAs(response);
    noteAtDoor(db, { personId: person.id, what, sessionId, detail: deviceName(headers['user-agent']) });
  };

  /** The device is known to be theirs from now on. */
  const confirm = (request: Request, response: Response) => {
    const { person, session, isKnown } = signedInAs(response);
    if (isKnown) return;
    becomesKnown(db, session, makeKnown(db, request, response, person.id));
    note(request, response, 'known');
  };

  router.get('/crew/news', (_request, response) => {
    const { person, session } = signedInAs(response);
    response.json(newsFor(db, person.id, session));
  });

  router.post('/crew/news', (request, response) => {
    const { upTo } = newsSchema.validateSync(request.body, { abortEarly: false });
    toldAtDoor(db, signedInAs(response).session, new Date(upTo));
    response.status(204).end();
  });

  router.post('/crew/sign-out', (_request, response) => {
    closeSession(db, signedInAs(response).session);
    clearToken(response);
    response.status(204).end();
  });

  router.use(['/crew/password', '/crew/prove', '/crew/passkeys/prove', '/crew/known'], ...attempts());
  router.post('/crew/password', async (request, response) => {
    const { person, session } = knownTo(response);
    const given = passwordSchema.validateSync(request.body, {
      abortEarly: false,
      context: { name: person.name },
    });
    if (!(await isPassword(personNamed(db, person.name)?.passwordHash, given.old)))
      throw wrong('The old password is another one.');
    setPassword(db, person.id, await hashPassword(given.password));
    note(request, response, 'password');
    proved(db, session);
    // Whoever knew the old one is out.
    closeOtherSessions(db, person.id, session);
    response.status(204).end();
  });

  router.post('/crew/prove', async (request, response) => {
    const { password } = proofSchema.validateSync(request.body, { abortEarly: false });
    const { person, session } = signedInAs(response);
    if (!(await isPassword(personNamed(db, person.name)?.passwordHash, password)))
      throw wrong('Your password is another one.');
    proved(db, session);
    response.status(204).end();
  });

  router.post('/crew/passkeys/prove', async (request, response) => {
    const { answer } = passkeySchema.validateSync(request.body, { abortEarly: false });
    const { person, session } = signedInAs(response);
    if ((await keys.authenticate(siteFor(request), answer))?.id !== person.id)
      throw wrong('This passkey is not yours.');
    proved(db, session);
    confirm(request, response);
    response.status(204).end();
  });

  router.post('/crew/known', (request, response) => {
    const { code } = codeSchema.validateSync(request.body, { abortEarly: false });
    if (!useCode(db, code, signedInAs(response).person.id)) throw badCode();
    confirm(request, response);
    response.status(204).end();
  });

  router.post('/crew/passkeys/offer', async (request, response) => {
    response.json(await keys.registration(siteFor(request), freshly(response).person));
  });

  router.post('/crew/passkeys', async (request, response) => {
    const { person } = freshly(response);
    const { answer } = passkeySchema.validateSync(request.body, { abortEarly: false });
    const device = deviceName(request.headers['user-agent']);
    if (!(await keys.register(siteFor(request), person, answer, device)))
      throw new Problem(invalid([{ path: 'answer', message: 'does not prove what was asked' }]));
    note(request, response, 'passkey-added');
    response.status(201).json(passkeysOf(db, person.id));
  });

  router.get('/crew/passkeys', (_request, response) => {
    response.json(passkeysOf(db, signedInAs(response).person.id));
  });

  router.delete('/crew/passkeys/:id', (request, response) => {
    if (!removePasskey(db, request.params.id, freshly(response).person.id))
      throw notFound('such passkey of yours');
    note(request, response, 'passkey-removed');
    response.status(204).end();
  });

  router.get('/crew/sessions', (_request, response) => {
    const { person, session } = signedInAs(response);
    const all = listSessions(db, person.role === 'lead' ? undefined : person.id);
    response.json(
      all.map(({ knownId, ...one }) => ({ ...one, isKnown: knownId !== null, this: one.id === session })),
    );
  });

  router.delete('/crew/sessions/:id', (request, response) => {
    const { person, isKnown } = signedInAs(response);
    const found = listSessions(db).find(({ id }) => id === request.params.id);
    // One's own that was lost is out at once; those of others are for whoever leads.
    const isOwn = found?.personId === person.id;
    if (person.role === 'lead' && !isOwn) leading(response);
    else if (!isOwn) throw notFound('such device of yours');
    if (!found) throw notFound('such device');
    closeSession(db, found.id);
    // Whoever came by a password alone makes nobody's device a stranger.
    if (isKnown && found.knownId !== null) forgetKnown(db, found.knownId);
    response.status(204).end();
  });

  return router;
}
