import { randomUUID } from 'node:crypto';
import { access, mkdir, readdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { MessageChannel } from 'node:worker_threads';
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
  gangName,
  gangPlan,
  gangPreview,
  onGang,
  plainName,
  type Gang,
  type GangPreview,
  type GangWish,
  type JobDocument,
  type RunFilm,
  type RunView,
} from '@brachytone/job';
import { and, desc, eq, gte, inArray, isNull, sql } from 'drizzle-orm';
import type { Observable } from 'rxjs';
import { Subject } from 'rxjs';
import { DATABASE, type Database } from '../database/database.ts';
import { jobs, runs } from '../database/schema.ts';
import { notFound, Problem } from '../http/problem.ts';
import { logWords } from '../http/log-words.ts';
import { isDatabaseAway } from '../http/system-problem.ts';
import { JobsService } from '../jobs/jobs.service.ts';
import { FilesService } from '../files/files.service.ts';
import { SETTINGS, type Settings } from '../settings.ts';
import type { FilmNews, SharedMaterials } from '../work/tasks.ts';
import { ProofLinksService } from '../proof-links/proof-links.service.ts';
import { WorkService } from '../work/work.service.ts';

type Row = typeof runs.$inferSelect;

/** Pause before a database that was back, and is away again, is asked once more, ms. */
const BACK_PAUSE = 1000;

interface Active {
  readonly abort: AbortController;
  readonly shares: number[];
}

/** Threads that films are shared out to. */
const THREADS = 2;

/** A run that the server did not survive so often is not begun again. */
const MOST_ATTEMPTS = 3;

/** Films for each thread, in turn. */
const shareOut = (films: readonly number[]): number[][] =>
  Array.from({ length: Math.min(THREADS, films.length) }, (_, thread) =>
    films.filter((_film, place) => place % THREADS === thread),
  );

/** True once a film is there, or is known to be none. */
const isWhole = ({ bytes, inked }: RunFilm): boolean => bytes > 0 || inked === 0;

/** Makes films, one run after another, and tells how far each is. */
@Injectable()
export class RunsService implements OnApplicationBootstrap, OnModuleDestroy {
  private readonly log = new Logger('Runs');
  private readonly changes = new Subject<RunView>();
  private readonly removals = new Subject<string>();
  private readonly active = new Map<string, Active>();
  private working: Promise<void> | undefined;
  private closing = false;
  private afterRun: () => Promise<void> = () => Promise.resolve();

  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(SETTINGS) private readonly settings: Settings,
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(FilesService) private readonly originals: FilesService,
    @Inject(WorkService) private readonly work: WorkService,
    @Inject(ProofLinksService) private readonly links: ProofLinksService,
  ) {}

  /** Runs that were being made when the server went away go on from the first film that is not whole; those waiting wait on. */
  async onApplicationBootstrap(): Promise<void> {
    const { queries } = this.database;
    const cut = queries.update(runs);
    await cut
      .set({
        status: 'stopped',
        message: `The server stopped ${MOST_ATTEMPTS} times while these films were being made. Make them again when it runs well.`,
        ended: new Date(),
      })
      .where(and(eq(runs.status, 'running'), gte(runs.attempts, MOST_ATTEMPTS)));
    await queries.update(runs).set({ status: 'queued' }).where(eq(runs.status, 'running'));
    await this.sweep();
    this.wake();
  }

  /** Throws away films that no run has: a server that was killed may leave some. */
  private async sweep(): Promise<void> {
    const folders = await readdir(join(this.settings.dataFolder, 'films')).catch(() => []);
    if (folders.length === 0) return;
    const rows = await this.database.queries
      .select({ id: runs.id })
      .from(runs)
      .where(inArray(runs.status, ['done', 'queued', 'running']));
    const known = new Set(rows.map(({ id }) => id));
    for (const id of folders) if (!known.has(id)) await rm(this.folder(id), { recursive: true, force: true });
  }

  async onModuleDestroy(): Promise<void> {
    this.closing = true;
    for (const { abort } of this.active.values()) abort.abort();
    await this.working;
  }

  /**
   * Runs, newest first.
   *
   * @param most  of them at most
   * @param jobId of one job alone
   */
  async list(most: number, jobId?: string): Promise<RunView[]> {
    const rows = await this.withJobs()
      .where(jobId === undefined ? undefined : eq(runs.jobId, jobId))
      .orderBy(desc(runs.created))
      .limit(most);
    return rows.map(({ run, changed }) => this.view(run, changed));
  }

  async get(id: string): Promise<RunView> {
    const [row] = await this.withJobs().where(eq(runs.id, id));
    if (!row) throw notFound('run of this number');
    return this.view(row.run, row.changed);
  }

  /** Runs, and whether their jobs are others by now. */
  private withJobs() {
    return this.database.queries
      .select({
        run: runs,
        // Of several jobs it is not told.
        changed: sql<boolean>`${runs.gang} is null and coalesce(${jobs.document} <> ${runs.document}, true)`,
      })
      .from(runs)
      .leftJoin(jobs, eq(jobs.id, runs.jobId));
  }

  /** Films for a job as it is now. */
  async start(jobId: string): Promise<RunView> {
    const { document } = await this.jobs.get(jobId);
    return this.queue(jobId, document);
  }

  /** The same films once more, from the job as it was then. */
  async again(id: string): Promise<RunView> {
    const { jobId, document, gang } = await this.row(id);
    return gang ? this.queueGang(gang) : this.queue(jobId, document);
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
    const row = await this.row(id);
    if (row.status !== 'queued' && row.status !== 'running') {
      throw new Problem(409, 'Already over', 'This run has already ended; its films are as they are.');
    }
    this.active.get(id)?.abort.abort();
    return this.end(id, 'cancelled', null);
  }

  /**
   * Path of a finished film of a run.
   *
   * @throws Problem 410 where the run has it and the disk has not
   */
  async film(id: string, name: string): Promise<string> {
    const { films, status } = await this.row(id);
    if (status === 'cleaned' || !films.some(({ file, bytes }) => file === name && bytes > 0))
      throw notFound('finished film of this name');
    return this.onDisk(id, name);
  }

  /** The finished films of a run, with a name for all of them together. */
  async films(id: string): Promise<{ name: string; files: { name: string; path: string; made: Date }[] }> {
    const { films, status, document, ended } = await this.row(id);
    if (status !== 'done') throw notFound('finished run of this number');
    const files: { name: string; path: string; made: Date }[] = [];
    for (const { file, bytes } of films)
      if (bytes > 0) files.push({ name: file, path: await this.onDisk(id, file), made: ended ?? new Date() });
    return { name: `${plainName(document.name)}-films.zip`, files };
  }

  private async onDisk(id: string, name: string): Promise<string> {
    const path = join(this.folder(id), name);
    try {
      await access(path);
    } catch {
      throw new Problem(
        410,
        'Film gone',
        `The film “${name}” is not on the disk any more. “Make again” makes the same film, bit for bit.`,
      );
    }
    return path;
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
      await rm(this.folder(id), { recursive: true, force: true });
      this.changes.next(await this.get(id));
    }
  }

  /** Deletes runs with their films; those under way are stopped. */
  async remove(ids: readonly string[]): Promise<void> {
    if (ids.length === 0) return;
    for (const id of ids) this.active.get(id)?.abort.abort();
    await this.database.queries.delete(runs).where(inArray(runs.id, [...ids]));
    for (const id of ids) {
      await rm(this.folder(id), { recursive: true, force: true });
      this.removals.next(id);
    }
  }

  /** Deletes a run that has ended. */
  async removeEnded(id: string): Promise<void> {
    const { status } = await this.row(id);
    if (status === 'queued' || status === 'running')
      throw new Problem(
        409,
        'Still open',
        'This run is still being made. Cancel it first; nothing was deleted.',
      );
    await this.remove([id]);
  }

  /** Does something after each run that ends with films. */
  onEnded(work: () => Promise<void>): void {
    this.afterRun = work;
  }

  /** Numbers of runs that are deleted, as it happens. */
  watchRemovals(): Observable<string> {
    return this.removals.asObservable();
  }

  /** The newest finished run of a job as it is now; undefined where there is none. */
  async newestOf(jobId: string): Promise<RunView | undefined> {
    const rows = await this.withJobs()
      .where(and(eq(runs.jobId, jobId), eq(runs.status, 'done'), isNull(runs.gang)))
      .orderBy(desc(runs.created))
      .limit(1);
    return rows.map(({ run, changed }) => this.view(run, changed)).find(({ changed }) => !changed);
  }

  /** Every change to any run, as it happens. */
  watch(): Observable<RunView> {
    return this.changes.asObservable();
  }

  private folder(id: string): string {
    return join(this.settings.dataFolder, 'films', id);
  }

  private async queue(jobId: string, document: Row['document']): Promise<RunView> {
    const films = filmsOf(document).map((film): RunFilm => ({ ...film, bytes: 0, inked: null }));
    if (films.length === 0) {
      throw new Problem(422, 'No plate to make', 'Every plate of this job is left out. Take one in first.');
    }
    const { panels, format } = document.films;
    if (format === 'pdf-films' && panels && !stripsOf(panels, filmLayout(document.recipe))) {
      throw new Problem(
        422,
        'Paper too small',
        'The paper prints less than its overlap needs. Take larger paper, or a smaller margin or overlap.',
      );
    }
    const approvals = [(await this.links.approvalWords(jobId, document.recipe)) ?? null];
    return this.insert({ id: randomUUID(), jobId, document, status: 'queued', films, approvals });
  }

  private async insert(row: typeof runs.$inferInsert): Promise<RunView> {
    await this.database.queries.insert(runs).values(row);
    this.wake();
    const view = await this.get(row.id);
    this.changes.next(view);
    return view;
  }

  private wake(): void {
    this.working ??= this.workThrough()
      .catch((error: unknown) => this.log.error(logWords(error)))
      .finally(() => {
        this.working = undefined;
      });
  }

  private async workThrough(): Promise<void> {
    while (!this.closing) {
      try {
        const [next] = await this.database.queries
          .select()
          .from(runs)
          .where(eq(runs.status, 'queued'))
          .orderBy(runs.created)
          .limit(1);
        if (!next) return;
        await this.make(next).catch((error: unknown) => {
          if (isDatabaseAway(error)) throw error;
          this.log.error(logWords(error));
        });
      } catch (error) {
        if (!isDatabaseAway(error)) throw error;
        await this.resume();
      }
    }
  }

  /** Once the database is back, a run that was being made goes on from the first film that is not whole. */
  private async resume(): Promise<void> {
    while (!this.closing) {
      await this.database.back();
      try {
        await this.database.queries
          .update(runs)
          .set({ status: 'queued', attempts: sql`greatest(0, ${runs.attempts} - 1)` })
          .where(eq(runs.status, 'running'));
        return;
      } catch (error) {
        if (!isDatabaseAway(error)) throw error;
        await pause(BACK_PAUSE);
      }
    }
  }

  private async make(row: Row): Promise<void> {
    const { id, document, attempts } = row;
    const active: Active = { abort: new AbortController(), shares: row.films.map(() => 0) };
    this.active.set(id, active);
    try {
      await this.change(id, { status: 'running', attempts: attempts + 1 });
      const materials = await this.materialsOf(row);
      const intent = await this.originals.pressProfile(document.recipe);
      await mkdir(this.folder(id), { recursive: true });
      const films = [...row.films];
      const open = films.flatMap((film, at) => (isWhole(film) ? [] : [at]));
      for (const [at, film] of films.entries()) if (isWhole(film)) active.shares[at] = 1;
      /** Films that are whole are written down one after another. */
      let written: Promise<unknown> = Promise.resolve();
      await Promise.all(
        shareOut(open).map(async (places) => {
          const { port1, port2 } = new MessageChannel();
          port1.on('message', ([i, news]: FilmNews) => {
            const at = places[i];
            if (active.abort.signal.aborted) return;
            active.shares[at] = typeof news === 'number' ? news : 1;
            if (typeof news !== 'number') {
              films[at] = { ...films[at], ...news };
              written = written.then(() => this.change(id, { films: [...films] }, false));
              // Should it fail, whoever waits for all of them is told.
              written.catch(() => undefined);
            }
            this.changes.next(this.view({ ...row, status: 'running', films }, false));
          });
          const day = row.created.toISOString().slice(0, 10);
          const path = (at: number) => join(this.folder(id), films[at].file);
          const options = {
            signal: active.abort.signal,
            transfer: [port2],
            news: port1,
            isPatient: true,
          };
          const made = row.gang
            ? await this.work.run(
                'gangFilms',
                {
                  gang: row.gang,
                  day,
                  approvals: row.approvals,
                  films: places.map((at) => ({ ink: films[at].ink, path: path(at) })),
                  materials,
                  port: port2,
                },
                options,
              )
            : await this.work.run(
                'films',
                {
                  document,
                  day,
                  approval: row.approvals[0] ?? undefined,
                  films: places.map((at) => ({ plates: films[at].plates, path: path(at) })),
                  materials,
                  intent,
                  port: port2,
                },
                options,
              );
          for (const [i, at] of places.entries()) films[at] = { ...films[at], ...made[i] };
        }),
      );
      await written;
      await this.end(id, 'done', null, films);
      // Films that are made stay, whatever goes wrong with older ones.
      await this.afterRun().catch((error: unknown) => this.log.error(logWords(error)));
    } catch (error) {
      // A server that goes away leaves what is whole, and goes on from there.
      if (this.closing) return;
      if (isDatabaseAway(error)) throw error;
      await rm(this.folder(id), { recursive: true, force: true });
      if (active.abort.signal.aborted) return;
      if (!(error instanceof Problem)) this.log.error(logWords(error));
      await this.end(
        id,
        'failed',
        error instanceof Problem
          ? error.message
          : 'The films could not be made. The job itself is unharmed; try again.',
      );
    } finally {
      this.active.delete(id);
    }
  }

  /** What a run's jobs are made from, all together. */
  private async materialsOf({ document, gang }: Row): Promise<SharedMaterials> {
    const documents = gang ? gang.documents.map(onGang) : [document];
    const each: SharedMaterials[] = [];
    for (const { recipe } of documents) each.push(await this.originals.materials(recipe));
    return {
      pictures: Object.assign({}, ...each.map((one) => one.pictures)) as SharedMaterials['pictures'],
      drawings: Object.assign({}, ...each.map((one) => one.drawings)) as SharedMaterials['drawings'],
      fonts: Object.assign({}, ...each.map((one) => one.fonts)) as SharedMaterials['fonts'],
      tables: Object.assign({}, ...each.map((one) => one.tables)) as SharedMaterials['tables'],
    };
  }

  private end(
    id: string,
    status: Row['status'],
    message: string | null,
    films?: RunFilm[],
  ): Promise<RunView> {
    return this.change(id, { status, message, ended: new Date(), ...(films ? { films } : {}) });
  }

  /** Changes a run that has not ended; one that has stays as it is. */
  private async change(id: string, values: Partial<Row>, isTold = true): Promise<RunView> {
    await this.database.queries
      .update(runs)
      .set(values)
      .where(and(eq(runs.id, id), inArray(runs.status, ['queued', 'running'])));
    const view = await this.get(id);
    if (isTold) this.changes.next(view);
    return view;
  }

  private async row(id: string): Promise<Row> {
    const [row] = await this.database.queries.select().from(runs).where(eq(runs.id, id));
    if (!row) throw notFound('run of this number');
    return row;
  }

  private view(row: Row, changed: boolean): RunView {
    const shares = this.active.get(row.id)?.shares ?? [];
    const made = shares.reduce((sum, share) => sum + share, 0) / Math.max(1, row.films.length);
    return {
      id: row.id,
      jobId: row.jobId,
      jobName: row.gang ? gangName(row.gang) : row.document.name,
      isGang: row.gang !== null,
      status: row.status,
      films: row.films,
      approval: row.gang ? null : (row.approvals[0] ?? null),
      message: row.message,
      progress: row.status === 'done' ? 1 : made,
      created: row.created.toISOString(),
      ended: row.ended?.toISOString() ?? null,
      changed,
    };
  }
}
