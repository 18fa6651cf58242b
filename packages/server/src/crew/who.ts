/** Who a request comes from. */
import type { Response } from 'express';
import type { SignedIn } from '../db/sessions';

const KEY = 'who';

export function setWho(response: Response, who: SignedIn): void {
  response.locals[KEY] = who;
}

/** Whoever is signed in; `null` where one person works alone. */
export const whoOf = (response: Response): SignedIn | null =>
  (response.locals[KEY] as SignedIn | undefined) ?? null;

/** Whoever is signed in, behind the guard that lets nobody else by. */
export function signedInAs(response: Response): SignedIn {
  const who = whoOf(response);
  if (!who) throw new Error('Nobody is signed in, and the guard let them by');
  return who;
}

/** The name that what is written goes under; empty where one person works alone. */
export const writerOf = (response: Response): string => whoOf(response)?.person.name ?? '';

const STILL = 'still';

/** Says how it is found out later whether whoever asked is still signed in. */
export function setStill(response: Response, isStillIn: () => boolean): void {
  response.locals[STILL] = isStillIn;
}

/** Whether whoever asked is still signed in; nobody has to be where one person works alone. */
export const stillIn = (response: Response): (() => boolean) =>
  (response.locals[STILL] as (() => boolean) | undefined) ?? (() => true);
