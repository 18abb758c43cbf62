import type { Response } from 'express';

/** Tells when whoever asked has gone before the answer was there. */
export function untilGone(response: Response): AbortSignal {
  const gone = new AbortController();
  response.on('close', () => !response.writableEnded && gone.abort());
  return gone.signal;
}
