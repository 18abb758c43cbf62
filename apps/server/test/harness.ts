import 'reflect-metadata';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { JobsPage, JobView } from '@brachytone/job';
import type { NestExpressApplication } from '@nestjs/platform-express';
import sharp from 'sharp';
import request from 'supertest';
import { createApp } from '../src/app.ts';
import { openDatabase, type Database } from '../src/database/database.ts';
import type { StudioSettings } from '../src/settings.ts';
import { WorkService } from '../src/work/work.service.ts';

/** A whole server over an in-memory database and a folder that goes away. */
export interface Harness {
  readonly app: NestExpressApplication;
  readonly database: Database;
  readonly folder: string;
  readonly http: ReturnType<typeof request>;
  close(): Promise<void>;
}

export async function startServer(studio?: StudioSettings): Promise<Harness> {
  const folder = mkdtempSync(join(tmpdir(), 'server-'));
  const database = await openDatabase('memory');
  const settings = {
    dataFolder: folder,
    host: '127.0.0.1',
    hosts: [],
    port: 0,
    databaseUrl: undefined,
    studio,
    log: 'words' as const,
    withWorkers: false,
    films: join(folder, 'films'),
  };
  const app = await createApp(database, settings, true);
  await app.init();
  // A process that runs many tests holds much that is none of this server's.
  app.get(WorkService).mostMemory = Infinity;
  return {
    app,
    database,
    folder,
    http: request(app.getHttpServer()),
    async close() {
      await app.close();
      await database.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** Sends a file as the interface does. */
export const send = (harness: Harness, bytes: Uint8Array) =>
  harness.http.post('/api/files').set('Content-Type', 'application/octet-stream').send(Buffer.from(bytes));

/** A small colour picture as PNG. */
export function smallPng(width = 60, height = 40): Promise<Buffer> {
  const data = Buffer.alloc(width * height * 3);
  for (let i = 0; i < width * height; i++) {
    data[i * 3] = (i * 3) & 255;
    data[i * 3 + 1] = (i * 7) & 255;
    data[i * 3 + 2] = i & 255;
  }
  return sharp(data, { raw: { width, height, channels: 3 } })
    .png()
    .toBuffer();
}

/** Brings a picture in and starts a job with it. */
export async function startJob(harness: Harness, name = 'reeds.png') {
  const { body: original } = await send(harness, await smallPng()).expect(201);
  const { body: job } = await harness.http
    .post('/api/jobs')
    .send({ picture: { sha256: original.sha256, name } })
    .expect(201);
  return { original, job };
}

/** Every job on the board, with its document. */
export async function jobsOf({ http }: Harness): Promise<JobView[]> {
  const { body } = await http.get('/api/jobs?most=200').expect(200);
  const jobs: JobView[] = [];
  for (const { id } of (body as JobsPage).jobs)
    jobs.push((await http.get(`/api/jobs/${id}`).expect(200)).body as JobView);
  return jobs;
}

/** Collects an answer's bytes; for `.parse()`. */
export function binary(stream: unknown, done: (error: Error | null, body: unknown) => void): void {
  const parts: Buffer[] = [];
  const readable = stream as NodeJS.ReadableStream;
  readable.on('data', (part: Buffer) => parts.push(part));
  readable.on('end', () => done(null, Buffer.concat(parts)));
}
