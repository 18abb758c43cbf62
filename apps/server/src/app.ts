import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { DocumentBuilder, SwaggerModule } from '@nestjs/swagger';
import express, { type NextFunction, type Request, type Response } from 'express';
import { AppModule } from './app.module.ts';
import type { Database } from './database/database.ts';
import { upgradeDocuments } from './database/upgrade-documents.ts';
import { MetricsService } from './metrics/metrics.service.ts';
import { watchRequests } from './metrics/watch-requests.ts';
import { ownPagesAlone, pageHeaders } from './http/own-pages.ts';
import { LARGEST_UPLOAD, ProblemFilter } from './http/problem-filter.ts';
import { LineLogger } from './http/line-logger.ts';
import { LARGEST_JSON, soundBody } from './http/sound-body.ts';
import { WEB_FOLDER } from './paths.ts';
import type { Settings } from './settings.ts';

/** Largest file that can be brought in. */
const LARGEST_FILE = `${LARGEST_UPLOAD}mb`;

/** The server, ready to listen. */
export async function createApp(
  database: Database,
  settings: Settings,
  quiet = false,
): Promise<NestExpressApplication> {
  await database.alone(() => upgradeDocuments(database));
  const app = await NestFactory.create<NestExpressApplication>(AppModule.over(database, settings), {
    bodyParser: false,
    logger: quiet
      ? ['fatal']
      : settings.log === 'json'
        ? new LineLogger(['log', 'error', 'warn'])
        : ['error', 'warn'],
  });
  app.disable('x-powered-by');
  // Who asks is told by the address of the connection, unless a proxy of the studio's own says otherwise.
  if (settings.studio && settings.studio.proxies.length > 0) app.set('trust proxy', settings.studio.proxies);
  app.use(
    watchRequests(app.get(MetricsService), settings.log === 'json'),
    pageHeaders,
    ownPagesAlone(settings),
  );
  // Up to November 2026 files, fonts and profiles among them, were called originals.
  app.use('/api/originals', (request: Request, response: Response) =>
    response.redirect(308, `/api/files${request.url}`),
  );
  app.use('/api/files', express.raw({ type: 'application/octet-stream', limit: LARGEST_FILE }));
  app.use(express.json({ limit: `${LARGEST_JSON}mb` }), soundBody);
  app.useGlobalFilters(new ProblemFilter());
  const description = new DocumentBuilder()
    .setTitle('Brachytone')
    .setDescription('Jobs, originals and runs. Errors are problem details (RFC 9457).')
    .setVersion('1')
    .build();
  // Made when somebody first asks for it.
  SwaggerModule.setup('api/docs', app, () => SwaggerModule.createDocument(app, description));
  if (existsSync(WEB_FOLDER)) {
    const html = readFileSync(join(WEB_FOLDER, 'index.html'), 'utf8');
    // A client's proof is a page of its own, without the tool.
    const proof = readFileSync(join(WEB_FOLDER, 'proof.html'), 'utf8');
    // The page knows from the first whether people sign in.
    const page = settings.studio ? html.replace('<html', '<html data-shared') : html;
    app.use(express.static(WEB_FOLDER, { index: false, maxAge: '1h' }));
    app.use((request: Request, response: Response, next: NextFunction) => {
      if (request.method !== 'GET' || request.path.startsWith('/api/') || request.path === '/metrics') next();
      else
        response
          .set('Cache-Control', 'no-cache')
          .type('html')
          .send(request.path === '/proof' ? proof : page);
    });
  }
  return app;
}
