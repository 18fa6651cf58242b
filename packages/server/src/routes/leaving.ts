import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Response } from 'express';

/** Is aborted when whoever asked has gone before they were answered. */
export function leaving(response: Response): AbortSignal {
  const gone = new AbortController();
  response.on('close', () => {
    if (!response.writableFinished) gone.abort();
  });
  return gone.signal;
}

/** Sent at a time, bytes. */
const PIECE = 1024 * 1024;

function* pieces(bytes: Uint8Array): Generator<Buffer> {
  for (let at = 0; at < bytes.length; at += PIECE)
    yield Buffer.from(bytes.buffer, bytes.byteOffset + at, Math.min(PIECE, bytes.length - at));
}

/** Sends what may be large a piece at a time, others being answered in between; whoever leaves gets no more of it. */
export async function sendBytes(response: Response, given: Uint8Array | string): Promise<void> {
  const bytes = typeof given === 'string' ? Buffer.from(given) : given;
  response.setHeader('Content-Length', bytes.length);
  try {
    await pipeline(Readable.from(pieces(bytes), { objectMode: false }), response);
  } catch (error) {
    if (!response.destroyed) throw error;
  }
}
