/**
 * Who may ask. A page of somewhere else must not reach this server, neither under a name of its own that leads here (DNS rebinding)
 * nor by sending to it from where it is: RFC 9110 15.5.20 (misdirected request), and the Origin of RFC 6454.
 */
import type { Request, RequestHandler } from 'express';
import type { Reach } from './crew/reach';
import { sendProblem } from './problem';

const READS: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Scheme, host and port of an address, without its path; `null` where it is none. */
function partsOf(address: string): { origin: string; hostname: string } | null {
  try {
    const { origin, hostname } = new URL(address);
    return { origin, hostname };
  } catch {
    return null;
  }
}

/** A page of another site asks in the background, as the browser says (Fetch Metadata, W3C): neither answered nor counted. */
const isFromElsewhere = ({ headers }: Request): boolean => {
  const site = headers['sec-fetch-site'];
  return (site === 'cross-site' || site === 'same-site') && headers['sec-fetch-mode'] !== 'navigate';
};

/** Answers only under the names it goes by, and takes changes only from pages it served itself. */
export const trusted =
  ({ names, publicUrl }: Pick<Reach, 'names' | 'publicUrl'>): RequestHandler =>
  (request, response, next) => {
    const asked = partsOf(`${request.protocol}://${request.headers.host ?? ''}`);
    if (!asked || !names.has(asked.hostname))
      return sendProblem(response, {
        status: 421,
        title: 'Not this server',
        detail: `This server answers on ${[...names].join(', ')} only.`,
      });
    const { origin } = request.headers;
    const from = origin === undefined ? undefined : (partsOf(origin)?.origin ?? null);
    // Under its public address it is reached by that alone, scheme and all.
    const own = publicUrl?.hostname === asked.hostname ? publicUrl.origin : asked.origin;
    const isOwn = from === undefined || from === own || from === publicUrl?.origin;
    if (isFromElsewhere(request) || (!READS.has(request.method) && !isOwn))
      return sendProblem(response, {
        status: 403,
        title: 'Not from here',
        detail: 'A page of another origin may not ask or change anything here.',
      });
    next();
  };
