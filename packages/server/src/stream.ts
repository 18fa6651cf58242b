/** A stream of events to a browser, which asks again by itself when it is lost. */
import type { Request, Response } from 'express';
import { stillIn } from './crew/who';

/** How soon a browser asks again, ms; and how often a line goes out that says nothing, so that a lost way is noticed. */
const RETRY_MS = 1000;
const HERE_MS = 15_000;

/** How soon whoever was signed out hears no more, ms. */
const SIGNED_OUT_MS = 1000;

interface Streamed {
  everyMs?: number;
  every?(): void;
  closed?(): void;
}

/** Opens a stream; `every` is called every so many ms until whoever listens is gone. */
export function openStream(
  request: Request,
  response: Response,
  { everyMs = HERE_MS, every, closed }: Streamed = {},
): void {
  response.writeHead(200, {
    'Content-Type': 'text/event-stream',
    // Not compressed: what happens must not wait for what happens next.
    'Cache-Control': 'no-cache, no-transform',
    Connection: 'keep-alive',
  });
  response.write(`retry: ${RETRY_MS}\n\n`);
  const isStillIn = stillIn(response);
  const timers = [
    ...(every ? [setInterval(every, everyMs)] : []),
    setInterval(() => response.write(': here\n\n'), HERE_MS),
    // Who was seen off, or signed out, is told nothing more.
    setInterval(() => {
      if (!isStillIn()) response.end();
    }, SIGNED_OUT_MS),
  ];
  request.on('close', () => {
    for (const timer of timers) clearInterval(timer);
    closed?.();
  });
}
