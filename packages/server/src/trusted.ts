/**
 * Who may ask. A page of somewhere else must not reach this server, neither under a name of its own that leads here (DNS rebinding)
 * nor by sending to it from where it is: RFC 9110 15.5.20 (misdirected request), and the Origin of RFC 6454.
 */
import type { RequestHandler } from 'express';
import type { Reach } from './crew/reach';
import { sendProblem } from './problem';

const READS: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Host and port of an address without its path; `null` where it is none. */
function hostOf(address: string): { host: string; hostname: string } | null {
  try {
    const { host, hostname } = new URL(address);
    return { host, hostname };
  } catch {
    return null;
  }
}

/** Answers only under the names it goes by, and takes changes only from pages it served itself. */
export const trusted =
  ({ names, publicUrl }: Pick<Reach, 'names' | 'publicUrl'>): RequestHandler =>
  (request, response, next) => {
    const asked = hostOf(`http://${request.headers.host ?? ''}`);
    if (!asked || !names.has(asked.hostname))
      return sendProblem(response, {
        status: 421,
        title: 'Not this server',
        detail: `This server answers on ${[...names].join(', ')} only.`,
      });
    const { origin } = request.headers;
    const from = origin === undefined ? undefined : (hostOf(origin)?.host ?? null);
    const isOwn =
      from === undefined || from === asked.host || (publicUrl !== null && from === publicUrl.host);
    if (!READS.has(request.method) && !isOwn)
      return sendProblem(response, {
        status: 403,
        title: 'Not from here',
        detail: 'A page of another origin may not change anything here.',
      });
    next();
  };
