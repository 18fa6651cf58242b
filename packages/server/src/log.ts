import type { DestinationStream, Logger } from 'pino';
import { pino } from 'pino';

/** Pino's levels from which something is an error. */
const ERROR = 50;

/** Warnings and errors as a person reads them at a terminal. */
const plainly = {
  write(line: string): void {
    const { level, msg, err } = JSON.parse(line) as { level: number; msg?: string; err?: { stack?: string } };
    console.error([level >= ERROR ? 'Error:' : 'Warning:', msg, err?.stack].filter(Boolean).join(' '));
  },
};

/** What signs a device in stands in no log. */
const redact = ['req.headers.cookie', 'res.headers["set-cookie"]'];

/**
 * The server's log.
 *
 * @param level - one of pino's: everything from it on, requests too (`info`), as JSON lines. Left out: warnings and errors in
 *   plain text.
 * @param to - where lines go instead of to the terminal.
 */
export const makeLog = (level: string | undefined, to?: DestinationStream): Logger => {
  if (level === undefined) return pino({ level: 'warn' }, plainly);
  return to ? pino({ level, redact }, to) : pino({ level, redact });
};
