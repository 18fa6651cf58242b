import type { Logger } from 'pino';
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

/**
 * The server's log.
 *
 * @param level - one of pino's: everything from it on, requests too (`info`), as JSON lines. Left out: warnings and errors in
 *   plain text.
 */
export const makeLog = (level: string | undefined): Logger =>
  level === undefined ? pino({ level: 'warn' }, plainly) : pino({ level });
