import type { Response } from 'express';

/** Is aborted when whoever asked has gone before they were answered. */
export function leaving(response: Response): AbortSignal {
  const gone = new AbortController();
  response.on('close', () => {
    if (!response.writableFinished) gone.abort();
  });
  return gone.signal;
}
