/** Off loopback nothing is answered without sign-in, and what is answered is what the role allows. */
import type { RequestHandler, Response } from 'express';
import type { Db } from '../db/open';
import { personOf } from '../db/crew';
import type { Role } from '../db/schema';
import { Problem, sendProblem } from '../problem';
import { clearToken, tokenOf } from './cookie';
import { setWho, whoOf } from './who';

/** What changes nothing. */
export const READS: ReadonlySet<string> = new Set(['GET', 'HEAD']);

/** What a reader may send all the same: what is theirs alone. */
const OWN = /^\/crew\/(sign-out|password|passkeys|sessions|news)(\/|$)/;

/** Reads who a request comes from, and refuses nobody. */
export const readWho =
  (db: Db): RequestHandler =>
  (request, response, next) => {
    const token = tokenOf(request);
    const who = token === undefined ? null : personOf(db, token);
    if (who) setWho(response, who);
    else if (token !== undefined) clearToken(response);
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

/**
 * Whoever is signed in, if of the role.
 * @throws Problem 403 for anybody else.
 */
export function only(response: Response, role: Role) {
  const who = whoOf(response);
  if (who?.person.role !== role)
    throw new Problem({ status: 403, title: 'Not yours to do', detail: `Only a ${role} may do this.` });
  return who;
}
