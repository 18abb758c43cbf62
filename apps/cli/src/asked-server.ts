import { createWriteStream, mkdirSync } from 'node:fs';
import { rename, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { setTimeout as wait } from 'node:timers/promises';
import {
  Problem,
  type JobWithDocument,
  type OriginalView,
  type ProblemDetails,
  type RunView,
  type SheetWish,
} from '@brachytone/job';
import { AskedWrongly } from './failure.ts';
import type { CliFilm } from './make-films.ts';

/** It is asked so often how far films are, ms. */
const LOOKS_EVERY = 250;

/** A server that makes what this machine does not. */
export class AskedServer {
  private readonly api: string;

  /**
   * @param url   where people reach it
   * @param token of one of its makers; a server that is used alone asks for none
   */
  constructor(
    url: string,
    private readonly token: string | undefined,
  ) {
    if (!URL.canParse(url) || !/^https?:$/.test(new URL(url).protocol))
      throw new AskedWrongly(`“${url}” is no address of a server, such as https://plates.example.`);
    this.api = `${new URL(url).origin}/api`;
  }

  /** A new job of a picture in a treatment; its films are made into a folder. */
  async treat(
    bytes: Uint8Array,
    name: string,
    treatment: string,
    wishFor: (isWide: boolean) => SheetWish | undefined,
    folder: string,
    tell: (share: number) => void,
  ): Promise<CliFilm[]> {
    const file = await this.send<OriginalView>('files', bytes, 'application/octet-stream');
    const { sha256, width, height } = file;
    const wish = wishFor(width > height);
    const sheet = wish && ('page' in wish ? { width: wish.page.width, height: wish.page.height } : wish);
    const body = { picture: { sha256, name }, treatment, ...(sheet ? { sheet } : {}) };
    return this.films(await this.send<JobWithDocument>('jobs', body), folder, tell);
  }

  /** A new job of an archive or a document; its films are made into a folder. */
  async make(bytes: Uint8Array, folder: string, tell: (share: number) => void): Promise<CliFilm[]> {
    const isZip = bytes[0] === 0x50 && bytes[1] === 0x4b;
    const job = isZip
      ? await this.send<JobWithDocument>('archives', bytes, 'application/zip')
      : await this.send<JobWithDocument>('jobs', { document: documentIn(bytes) });
    return this.films(job, folder, tell);
  }

  private async films(
    { id }: JobWithDocument,
    folder: string,
    tell: (share: number) => void,
  ): Promise<CliFilm[]> {
    let run = await this.send<RunView>('runs', { jobId: id });
    while (run.ended === null) {
      tell(run.progress);
      await wait(LOOKS_EVERY);
      run = (await (await this.ask(`runs/${run.id}`)).json()) as RunView;
    }
    if (run.status !== 'done') throw new Problem(502, 'Not made', run.message ?? `The run is ${run.status}.`);
    mkdirSync(folder, { recursive: true });
    for (const { file, bytes } of run.films)
      if (bytes > 0)
        await this.fetchFile(`runs/${run.id}/films/${encodeURIComponent(file)}`, join(folder, file));
    return run.films.map(({ file, ink, bytes, inked, sha256 = '' }) => ({ file, ink, bytes, inked, sha256 }));
  }

  /** A file is under its own name once it is whole. */
  private async fetchFile(from: string, path: string): Promise<void> {
    const { body } = await this.ask(from);
    if (!body) throw new Problem(502, 'Not sent', 'The server sent an empty answer.');
    try {
      await pipeline(Readable.fromWeb(body as never), createWriteStream(`${path}.part`));
      await rename(`${path}.part`, path);
    } catch (error) {
      await rm(`${path}.part`, { force: true });
      throw error;
    }
  }

  private async send<Answer>(path: string, body: object, type = 'application/json'): Promise<Answer> {
    const answer = await this.ask(path, {
      method: 'POST',
      headers: { 'Content-Type': type },
      body: body instanceof Uint8Array ? Buffer.from(body) : JSON.stringify(body),
    });
    return (await answer.json()) as Answer;
  }

  private async ask(path: string, init: RequestInit = {}): Promise<Response> {
    let answer: Response;
    try {
      answer = await fetch(`${this.api}/${path}`, {
        ...init,
        headers: { ...init.headers, ...(this.token ? { Authorization: `Bearer ${this.token}` } : {}) },
      });
    } catch {
      throw new AskedWrongly(`No server answers at ${this.api.replace(/\/api$/, '')}.`);
    }
    if (answer.ok) return answer;
    const { detail } = (await answer.json().catch(() => ({}))) as Partial<ProblemDetails>;
    const words = detail ?? `The server answered ${answer.status}.`;
    if (answer.status === 401 || answer.status === 403)
      throw new AskedWrongly(`${words} Give a maker’s token with --token.`);
    throw new Problem(answer.status, 'Refused', words);
  }
}

function documentIn(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(new TextDecoder().decode(bytes));
  } catch {
    throw new Problem(
      422,
      'Not a job',
      'This is neither a job’s archive nor its document: it is no ZIP and no JSON.',
    );
  }
}
