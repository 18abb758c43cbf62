import type { Response } from 'express';

/** Something that went wrong, in a sentence for the person at the screen: what happened, what was kept, what to do. */
export class Problem extends Error {
  readonly status: number;
  readonly title: string;
  readonly members: Record<string, unknown>;

  constructor(status: number, title: string, detail: string, members: Record<string, unknown> = {}) {
    super(detail);
    this.status = status;
    this.title = title;
    this.members = members;
  }
}

export const notFound = (what: string): Problem =>
  new Problem(404, 'Not found', `There is no ${what} here; it may have been put away or deleted.`);

/** Answers with a problem's details, RFC 9457. */
export const sendProblem = (response: Response, { status, title, message, members }: Problem): void =>
  void response
    .status(status)
    .type('application/problem+json')
    .send(JSON.stringify({ type: 'about:blank', title, status, detail: message, ...members }));
