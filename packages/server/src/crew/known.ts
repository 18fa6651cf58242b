/** Devices that are known to be somebody's: they carry a token of their own, signed in or not. */
import type { Request, Response } from 'express';
import type { Db } from '../db/open';
import { keepKnown, knownDevice } from '../db/sessions';
import { deviceTokenOf, setDeviceToken } from './cookie';

/** The id of the known device of a person that a request comes from; `null` where it is none of theirs. */
export function knownHere(db: Db, request: Request, personId: string): string | null {
  const token = deviceTokenOf(request);
  return token === undefined ? null : knownDevice(db, personId, token);
}

/** Makes the device that a request comes from a known one of a person; its id. */
export function makeKnown(db: Db, request: Request, response: Response, personId: string): string {
  const { id, token } = keepKnown(db, personId, deviceTokenOf(request));
  setDeviceToken(response, token);
  return id;
}
