import { Catch, HttpException, Logger, type ArgumentsHost, type ExceptionFilter } from '@nestjs/common';
import { UnreadableDocument } from '@brachytone/job';
import type { Request, Response } from 'express';
import { logWords } from './log-words.ts';
import { Problem, sendProblem } from './problem.ts';
import { LARGEST_JSON } from './sound-body.ts';
import { systemProblem } from './system-problem.ts';

/** Largest file that can be brought in, MB. */
export const LARGEST_UPLOAD = 160;

/** Answers every error as problem details. */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  private readonly log = new Logger('Problem');

  catch(error: unknown, host: ArgumentsHost): void {
    const http = host.switchToHttp();
    const response = http.getResponse<Response>();
    const request = http.getRequest<Request>();
    const problem = this.describe(error, request);
    if (response.headersSent) {
      response.end();
      return;
    }
    sendProblem(response, problem);
  }

  private describe(error: unknown, request: Request): Problem {
    if (error instanceof Problem) return error;
    if (error instanceof UnreadableDocument) return new Problem(422, 'Unreadable job', error.message);
    const system = systemProblem(error);
    if (system) return system;
    const status =
      error instanceof HttpException ? error.getStatus() : Number((error as { status?: unknown }).status);
    if (status === 413) {
      const [what, most] = request.path.startsWith('/api/files')
        ? ['The file', LARGEST_UPLOAD]
        : ['The job', LARGEST_JSON];
      return new Problem(
        413,
        'Too large',
        `${what} is larger than Brachytone takes in one piece (${most} MB). Nothing was changed.`,
      );
    }
    if (status === 404) return new Problem(404, 'Not found', 'There is nothing at this address.');
    if (status >= 400 && status < 500) return new Problem(status, 'Not understood', (error as Error).message);
    this.log.error(
      `${request.method} ${request.path} (request ${request.get('X-Request-Id') ?? 'without an id'}): ${logWords(error)}`,
    );
    return new Problem(
      500,
      'Something failed',
      'Brachytone could not do this. What was saved before is still there; try again.',
    );
  }
}
