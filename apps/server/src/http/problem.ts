import { Problem } from '@brachytone/job';
import type { Response } from 'express';

export { Problem };

export const notFound = (what: string): Problem =>
  new Problem(404, 'Not found', `There is no ${what} here; it may have been put away or deleted.`);

/** Answers with a problem's details, RFC 9457. */
export const sendProblem = (response: Response, { status, title, message, members }: Problem): void =>
  void response
    .status(status)
    .type('application/problem+json')
    .send(JSON.stringify({ type: 'about:blank', title, status, detail: message, ...members }));
