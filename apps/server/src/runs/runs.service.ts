import { randomUUID } from 'node:crypto';
import type { Readable } from 'node:stream';
import {
  Inject,
  Injectable,
  Logger,
  type OnApplicationBootstrap,
  type OnModuleDestroy,
} from '@nestjs/common';
import { filmLayout, stripsOf } from '@brachytone/core';
import {
  CannotGang,
  filmsOf,
  gangPlan,
  gangPreview,
  plainName,
  seriesFilms,
  type Gang,
  type GangPreview,
  type GangWish,
  type JobDocument,
  type RunFilm,
  type RunView,
  type Series,
} from '@brachytone/job';
import { eq, inArray } from 'drizzle-orm';
import { DATABASE, type Database } from '../database/database.ts';
import { runs, series } from '../database/schema.ts';
import { FILM_STORE, type FilmStore } from '../film-store/film-store.ts';
import { logWords } from '../http/log-words.ts';
import { notFound, Problem } from '../http/problem.ts';
import { isDatabaseAway } from '../http/system-problem.ts';
import { JobsService } from '../jobs/jobs.service.ts';
import { ProofLinksService } from '../proof-links/proof-links.service.ts';
import { FILM_QUEUE, type FilmQueue } from './film-queue.ts';
import { RunRows, type RunRow } from './run-rows.service.ts';

/** Films of no run are looked for so often, ms. */
const SWEEP_EVERY = 10 * 60_000;

/** A film of a run that is done. */
export interface FinishedFilm {
  readonly name: string;
  readonly made: Date;
  open(): Promise<Readable>;
}

const filmGone = (name: string): Problem =>
  new Problem(
    410,
    'Film gone',
    `The film “${name}” is not there any more. “Make again” makes the same film, bit for bit.`,
  );

/** Has films made, and gives them. */
@Injectable()
export class RunsService implements OnApplicationBootstrap, OnModuleDestroy {
  private readonly log = new Logger('Runs');
  private sweeping: NodeJS.Timeout | undefined;

  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(FILM_STORE) private readonly store: FilmStore,
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(ProofLinksService) private readonly links: ProofLinksService,
    @Inject(RunRows) private readonly rows: RunRows,
    @Inject(FILM_QUEUE) private readonly queue: FilmQueue,
  ) {}

  async onApplicationBootstrap(): Promise<void> {
    await this.queue.begin();
    await this.sweep();
    // Workers leave what they were at when a run is cancelled.
    this.sweeping = setInterval(() => {
      this.sweep().catch((error: unknown) => {
        if (!isDatabaseAway(error)) this.log.error(logWords(error));
      });
    }, SWEEP_EVERY).unref();
  }

  /** Throws away films that no run has: a server that was killed may leave some, and workers of a run that was cancelled. */
  private async sweep(): Promise<void> {
    const there = await this.store.runs();
    if (there.length === 0) return;
    const rows = await this.database.queries
      .select({ id: runs.id })
      .from(runs)
      .where(inArray(runs.status, ['done', 'queued', 'running']));
    const known = new Set(rows.map(({ id }) => id));
    for (const id of there) if (!known.has(id)) await this.store.drop(id);
  }

  async onModuleDestroy(): Promise<void> {
    clearInterval(this.sweeping);
    await this.queue.close();
  }

  /** Films for a job as it is now. */
  async start(jobId: string): Promise<RunView> {
    const { document } = await this.jobs.get(jobId);
    return this.ask(jobId, document);
  }

  /** The same films once more, from the job as it was then. */
  async again(id: string): Promise<RunView> {
    const { jobId, document, gang, series } = await this.rows.row(id);
    if (gang) return this.queueGang(gang);
    return series ? this.queueSeries(jobId, document, series) : this.ask(jobId, document);
  }

  /** Films for every member of a job's series, as both are now. */
  async startSeries(jobId: string): Promise<RunView> {
    const document = await this.jobs.document(jobId);
    const [row] = await this.database.queries.select().from(series).where(eq(series.jobId, jobId));
    if (!row || row.series.members.length === 0)
      throw new Problem(422, 'No members', 'The series has no members yet. Add pictures or a table first.');
    return this.queueSeries(jobId, document, row.series);
  }

  private async queueSeries(jobId: string, document: JobDocument, of: Series): Promise<RunView> {
    this.checkFilms(document);
    const films = seriesFilms(document, of).map((film): RunFilm => ({ ...film, bytes: 0, inked: null }));
    return this.insert({
      id: randomUUID(),
      jobId,
      document,
      status: 'queued',
      films,
      series: of,
      approvals: [null],
    });
  }

  /** How jobs would lie on a film together. */
  async gangPlan(wish: GangWish): Promise<GangPreview> {
    return gangPreview(await this.gangOf(wish));
  }

  /** Films that jobs share. */
  async startGang(wish: GangWish): Promise<RunView> {
    return this.queueGang(await this.gangOf(wish));
  }

  private async gangOf(wish: GangWish): Promise<Gang> {
    const documents: JobDocument[] = [];
    for (const { jobId } of wish.jobs) documents.push((await this.jobs.get(jobId)).document);
    try {
      return { wish, documents, plan: gangPlan(wish, documents) };
    } catch (error) {
      if (error instanceof CannotGang) throw new Problem(422, 'Not together', error.message);
      throw error;
    }
  }

  private async queueGang(gang: Gang): Promise<RunView> {
    const films = gang.plan.inks.map((ink, i): RunFilm => ({
      plates: [],
      ink,
      file: `gang-${plainName(ink) || 'ink'}-${i + 1}.tif`,
      bytes: 0,
      inked: null,
    }));
    const approvals: (string | null)[] = [];
    for (const [i, one] of gang.wish.jobs.entries())
      approvals.push((await this.links.approvalWords(one.jobId, gang.documents[i].recipe)) ?? null);
    const [{ jobId }] = gang.wish.jobs;
    const [document] = gang.documents;
    return this.insert({ id: randomUUID(), jobId, document, status: 'queued', films, gang, approvals });
  }

  async cancel(id: string): Promise<RunView> {
    const row = await this.rows.row(id);
    if (row.status !== 'queued' && row.status !== 'running') {
      throw new Problem(409, 'Already over', 'This run has already ended; its films are as they are.');
    }
    const view = await this.rows.end(id, 'cancelled', null);
    await this.queue.stop(id);
    return view;
  }

  /**
   * Bytes of a finished film of a run.
   *
   * @throws Problem 410 where the run has it and it is not there any more
   */
  async film(id: string, name: string): Promise<Readable> {
    const { films, status } = await this.rows.row(id);
    if (status === 'cleaned' || !films.some(({ file, bytes }) => file === name && bytes > 0))
      throw notFound('finished film of this name');
    return this.bytes(id, name);
  }

  /** The finished films of a run, with a name for all of them together. */
  async films(id: string): Promise<{ name: string; files: readonly FinishedFilm[] }> {
    const { films, status, document, ended } = await this.rows.row(id);
    if (status !== 'done') throw notFound('finished run of this number');
    const files: FinishedFilm[] = [];
    for (const { file, bytes } of films)
      if (bytes > 0) {
        if (!(await this.store.has(id, file))) throw filmGone(file);
        files.push({ name: file, made: ended ?? new Date(), open: () => this.bytes(id, file) });
      }
    return { name: `${plainName(document.name)}-films.zip`, files };
  }

  private async bytes(id: string, name: string): Promise<Readable> {
    const bytes = await this.store.read(id, name);
    if (!bytes) throw filmGone(name);
    return bytes;
  }

  /** Cleans the films of finished runs away; the runs stay, to be made again. */
  async cleanAway(ids: readonly string[]): Promise<void> {
    if (ids.length === 0) return;
    // Told first: films that are listed have to be there.
    await this.database.queries
      .update(runs)
      .set({ status: 'cleaned' })
      .where(inArray(runs.id, [...ids]));
    for (const id of ids) {
      await this.store.drop(id);
      await this.rows.told(id);
    }
  }

  /** Deletes runs with their films; those under way are stopped. */
  async remove(ids: readonly string[]): Promise<void> {
    if (ids.length === 0) return;
    for (const id of ids) await this.queue.stop(id);
    await this.rows.remove(ids);
    for (const id of ids) await this.store.drop(id);
  }

  /** Deletes a run that has ended. */
  async removeEnded(id: string): Promise<void> {
    const { status } = await this.rows.row(id);
    if (status === 'queued' || status === 'running')
      throw new Problem(
        409,
        'Still open',
        'This run is still being made. Cancel it first; nothing was deleted.',
      );
    await this.remove([id]);
  }

  private async ask(jobId: string, document: RunRow['document']): Promise<RunView> {
    this.checkFilms(document);
    const films = filmsOf(document).map((film): RunFilm => ({ ...film, bytes: 0, inked: null }));
    const approvals = [(await this.links.approvalWords(jobId, document.recipe)) ?? null];
    return this.insert({ id: randomUUID(), jobId, document, status: 'queued', films, approvals });
  }

  /** @throws Problem where a job has no films to make, or its films cannot be cut as it says */
  private checkFilms(document: JobDocument): void {
    if (filmsOf(document).length === 0)
      throw new Problem(422, 'No plate to make', 'Every plate of this job is left out. Take one in first.');
    const { panels, format } = document.films;
    if (format === 'pdf-films' && panels && !stripsOf(panels, filmLayout(document.recipe))) {
      throw new Problem(
        422,
        'Paper too small',
        'The paper prints less than its overlap needs. Take larger paper, or a smaller margin or overlap.',
      );
    }
  }

  private async insert(row: typeof runs.$inferInsert & Pick<RunRow, 'films'>): Promise<RunView> {
    const view = await this.rows.insert(row);
    await this.queue.add(row);
    return view;
  }
}
