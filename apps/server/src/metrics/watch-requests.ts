import { randomUUID } from 'node:crypto';
import { Logger } from '@nestjs/common';
import type { NextFunction, Request, Response } from 'express';
import { forRequest } from '../http/request-ids.ts';
import type { MetricsService } from './metrics.service.ts';

const log = new Logger('Request');

/** What an id from a proxy may look like. */
const ID = /^[\w.-]{8,80}$/;

/** Gives every request an id, or keeps its proxy's, and counts, and lists if asked, how long it takes and how many bytes it moves. */
export const watchRequests =
  (metrics: MetricsService, isLogged: boolean) =>
  (request: Request, response: Response, next: NextFunction): void => {
    const given = request.get('X-Request-Id');
    const id = given && ID.test(given) ? given : randomUUID();
    request.headers['x-request-id'] = id;
    response.set('X-Request-Id', id);
    const begun = process.hrtime.bigint();
    response.on('close', () => {
      // Express fills it in once it knows whose the address is.
      const route = (request.route as { path?: unknown } | undefined)?.path;
      const seconds = Number(process.hrtime.bigint() - begun) / 1e9;
      const labels = {
        method: request.method,
        route: typeof route === 'string' ? route : 'page',
        status: String(response.statusCode),
      };
      // A stream of events is open for as long as somebody listens: that is no time to answer.
      if (!String(response.get('Content-Type')).startsWith('text/event-stream'))
        metrics.requests.observe(labels, seconds);
      if (isLogged && route !== undefined)
        forRequest(id, () => {
          const { method, route: asked } = labels;
          log.log({ method, route: asked, status: response.statusCode, ms: Math.round(seconds * 1000) });
        });
      metrics.bytes.inc({ way: 'received' }, Number(request.get('Content-Length') ?? 0));
      metrics.bytes.inc({ way: 'sent' }, Number(response.get('Content-Length') ?? 0));
    });
    forRequest(id, next);
  };
