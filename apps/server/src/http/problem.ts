import { Catch, HttpException, Logger, type ArgumentsHost, type ExceptionFilter } from '@nestjs/common';
import { UnreadableDocument } from '@brachytone/job';
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

/** Answers every error as problem details. */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  private readonly log = new Logger('Problem');

  catch(error: unknown, host: ArgumentsHost): void {
    const response = host.switchToHttp().getResponse<Response>();
    const problem = this.describe(error);
    if (response.headersSent) {
      response.end();
      return;
    }
    sendProblem(response, problem);
  }

  private describe(error: unknown): Problem {
    if (error instanceof Problem) return error;
    if (error instanceof UnreadableDocument) return new Problem(422, 'Unreadable job', error.message);
    const status =
      error instanceof HttpException ? error.getStatus() : Number((error as { status?: unknown }).status);
    if (status === 413) {
      return new Problem(
        413,
        'Too large',
        'The file is larger than Brachytone takes in one piece (160 MB). Nothing was changed.',
      );
    }
    if (status === 404) return new Problem(404, 'Not found', 'There is nothing at this address.');
    if (status >= 400 && status < 500) return new Problem(status, 'Not understood', (error as Error).message);
    this.log.error(error instanceof Error ? (error.stack ?? error.message) : String(error));
    return new Problem(
      500,
      'Something failed',
      'Brachytone could not do this. What was saved before is still there; try again.',
    );
  }
}
