/** The cookies of a device: one while somebody is signed in on it, one that it keeps, by which it is known again. */
import { parseCookie } from 'cookie';
import type { Request, Response } from 'express';

/** The prefix makes the browser refuse them without Secure, or from another host or path (RFC 6265bis). */
const SESSION = '__Host-session';
const DEVICE = '__Host-device';
const DAY_MS = 24 * 3600 * 1000;
const SESSION_MS = 180 * DAY_MS;
/** The longest that browsers keep one (RFC 6265bis). */
const DEVICE_MS = 400 * DAY_MS;

const options = { path: '/', secure: true, httpOnly: true, sameSite: 'strict' } as const;

const cookieOf = (request: Request, name: string): string | undefined =>
  parseCookie(request.headers.cookie ?? '')[name];

export const tokenOf = (request: Request) => cookieOf(request, SESSION);

export function setToken(response: Response, token: string): void {
  response.cookie(SESSION, token, { ...options, maxAge: SESSION_MS });
}

export function clearToken(response: Response): void {
  response.clearCookie(SESSION, options);
}

export const deviceTokenOf = (request: Request) => cookieOf(request, DEVICE);

export function setDeviceToken(response: Response, token: string): void {
  response.cookie(DEVICE, token, { ...options, maxAge: DEVICE_MS });
}
