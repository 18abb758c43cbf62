import type { Server } from 'node:http';
import type { NestExpressApplication } from '@nestjs/platform-express';
import type { Request, Response } from 'express';
import type { Database } from './database/database.ts';

/** Time that requests under way have to be answered once the server is to stop, ms, and after which it ends whatever is left. */
const TO_ANSWER = 1500;
const TO_END = 4500;

/** Counts requests that are under way, but for streams of events, which never end by themselves. */
function answering(server: Server): { done: () => Promise<void> } {
  const open = new Set<Response>();
  let waiting: (() => void) | undefined;
  const left = () =>
    [...open].some((one) => !String(one.getHeader('content-type')).startsWith('text/event-stream'));
  server.prependListener('request', (_request: Request, response: Response) => {
    open.add(response);
    response.on('close', () => {
      open.delete(response);
      if (!left()) waiting?.();
    });
  });
  return {
    done: () =>
      new Promise((resolve) => {
        if (!left()) resolve();
        waiting = resolve;
      }),
  };
}

const after = (time: number) =>
  new Promise<void>((resolve) => {
    setTimeout(resolve, time).unref();
  });

/**
 * Stops a server on the system's signal: it takes no further requests, answers those under way, ends streams and workers, closes the database, and is
 * gone within five seconds.
 */
export function stopOnSignal(app: NestExpressApplication, database: Database): void {
  const server = app.getHttpServer();
  const requests = answering(server);
  let stopping = false;
  const stop = async (): Promise<void> => {
    server.close();
    server.closeIdleConnections();
    await Promise.race([requests.done(), after(TO_ANSWER)]);
    server.closeAllConnections();
    await app.close();
    await database.close();
  };
  const onSignal = (): void => {
    if (stopping) return;
    stopping = true;
    setTimeout(() => process.exit(1), TO_END).unref();
    stop().then(
      () => process.exit(0),
      (error: unknown) => {
        console.error(error);
        process.exit(1);
      },
    );
  };
  process.on('SIGTERM', onSignal);
  process.on('SIGINT', onSignal);
}
