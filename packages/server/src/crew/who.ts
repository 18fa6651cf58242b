/** Who a request comes from. */
import type { Response } from 'express';
import type { Person } from '../db/crew';

interface Who {
  person: Person;
  /** The session of the device. */
  session: string;
  /** When they last proved on it that it is them. */
  provedAt: Date | null;
}

const KEY = 'who';

export function setWho(response: Response, who: Who): void {
  response.locals[KEY] = who;
}

/** Whoever is signed in; `null` where one person works alone. */
export const whoOf = (response: Response): Who | null => (response.locals[KEY] as Who | undefined) ?? null;

/** Whoever is signed in, behind the guard that lets nobody else by. */
export function signedInAs(response: Response): Who {
  const who = whoOf(response);
  if (!who) throw new Error('Nobody is signed in, and the guard let them by');
  return who;
}

/** The name that what is written goes under; empty where one person works alone. */
export const writerOf = (response: Response): string => whoOf(response)?.person.name ?? '';
