/** Off loopback nothing is answered without sign-in, and what is answered is what the role allows. */
import type { RequestHandler, Response } from 'express';
import type { Db } from '../db/open';
import { personOf } from '../db/sessions';
import { Problem, sendProblem } from '../problem';
import { clearToken, tokenOf } from './cookie';
import { setStill, setWho, signedInAs, whoOf } from './who';

/** What changes nothing. */
export const READS: ReadonlySet<string> = new Set(['GET', 'HEAD']);

/** What a reader may send all the same: what is theirs alone. */
const OWN = /^\/crew\/(sign-out|password|passkeys|sessions|news|prove|known|people\/[^/]+\/codes)(\/|$)/;

/** Reads who a request comes from, and refuses nobody. */
export const readWho =
  (db: Db): RequestHandler =>
  (request, response, next) => {
    const token = tokenOf(request);
    const who = token === undefined ? null : personOf(db, token);
    if (who && token !== undefined) {
      setWho(response, who);
      setStill(response, () => personOf(db, token) !== null);
    } else if (token !== undefined) clearToken(response);
    next();
  };

/** Lets nobody by who is not signed in, nor a reader who would change something. */
export const signedIn: RequestHandler = (request, response, next) => {
  const who = whoOf(response);
  if (!who)
    return sendProblem(response, {
      status: 401,
      title: 'Sign in',
      detail: 'Sign in on this device first.',
      signIn: true,
    });
  if (who.person.role === 'reader' && !READS.has(request.method) && !OWN.test(request.path))
    return sendProblem(response, {
      status: 403,
      title: 'Reading only',
      detail: `${who.person.name} may read here, and change nothing: ask whoever leads.`,
    });
  next();
};

/** A proof is good for so long. */
const FRESH_MS = 15 * 60_000;

/**
 * Whoever is signed in on a device that is known to be theirs: how one signs in is not changed by whoever came to know a password.
 * @throws Problem 403 that asks for a code, or a passkey.
 */
export function knownTo(response: Response) {
  const who = signedInAs(response);
  if (!who.isKnown)
    throw new Problem({
      status: 403,
      title: 'Is this device yours?',
      detail: 'It was let in by a password alone, and for this that is not enough.',
      confirm: true,
    });
  return who;
}

/**
 * Whoever has proved a short while ago, on a device that is known to be theirs, that it is them: for who belongs, and how one
 * signs in, a device that was left lying about is not enough.
 * @throws Problem 403 that asks for what is missing.
 */
export function freshly(response: Response) {
  const who = knownTo(response);
  const age = Date.now() - (who.provedAt?.getTime() ?? 0);
  // One of the future is of a clock that was set back since: it proves nothing now.
  if (age > FRESH_MS || age < 0)
    throw new Problem({
      status: 403,
      title: 'Is it you?',
      detail: 'Say once more that it is you: this device has been signed in for a while.',
      prove: true,
    });
  return who;
}

/**
 * Whoever leads, and has just proved that it is them.
 * @throws Problem 403 for anybody else, and where the proof is too old.
 */
export function leading(response: Response) {
  if (signedInAs(response).person.role !== 'lead')
    throw new Problem({ status: 403, title: 'Not yours to do', detail: 'Only a lead may do this.' });
  return freshly(response);
}
