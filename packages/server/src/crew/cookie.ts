/** The cookie a signed-in device carries. */
import { parseCookie } from 'cookie';
import type { Request, Response } from 'express';

/** The prefix makes the browser refuse it without Secure, or from another host or path (RFC 6265bis). */
const NAME = '__Host-session';
const MAX_AGE_MS = 180 * 24 * 3600 * 1000;

const options = { path: '/', secure: true, httpOnly: true, sameSite: 'strict' } as const;

export const tokenOf = (request: Request): string | undefined =>
  parseCookie(request.headers.cookie ?? '')[NAME];

export function setToken(response: Response, token: string): void {
  response.cookie(NAME, token, { ...options, maxAge: MAX_AGE_MS });
}

export function clearToken(response: Response): void {
  response.clearCookie(NAME, options);
}
