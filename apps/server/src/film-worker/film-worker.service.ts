import { randomUUID } from 'node:crypto';
import { hostname } from 'node:os';
import { setTimeout as pause } from 'node:timers/promises';
import { Inject, Injectable, Logger } from '@nestjs/common';
import { and, eq, sql } from 'drizzle-orm';
import { firstValueFrom, race, Subject, timer } from 'rxjs';
import { DATABASE, type Database } from '../database/database.ts';
import { runs, workers } from '../database/schema.ts';
import { logWords } from '../http/log-words.ts';
import { Problem } from '../http/problem.ts';
import { isDatabaseAway } from '../http/system-problem.ts';
import { BulletinService } from '../live/bulletin.service.ts';
import { FilmMakerService } from '../runs/film-maker.service.ts';
import { problemOf } from '../runs/film-queue.ts';
import { FilmTasks, type FilmTask } from '../runs/film-tasks.service.ts';
import { isWhole, RunRows } from '../runs/run-rows.service.ts';
import type { MadeFilm } from '@brachytone/files/write';

/** A worker says so often that it is there, ms. */
const SAYS_EVERY = 1500;
/** It looks for work so often where it hears of none, ms. */
const LOOKS_EVERY = 2000;
/** How far a film is is told so often, ms. */
const TELLS_EVERY = 500;

/** Takes films out of the queue and makes them, some at a time, until it is stopped. */
@Injectable()
export class FilmWorkerService {
  private readonly log = new Logger('Worker');
  private readonly stopping = new AbortController();
  private readonly woken = new Subject<void>();
  private places: Promise<void>[] = [];

  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(BulletinService) private readonly bulletin: BulletinService,
    @Inject(RunRows) private readonly rows: RunRows,
    @Inject(FilmMakerService) private readonly maker: FilmMakerService,
    @Inject(FilmTasks) private readonly tasks: FilmTasks,
  ) {}

  /**
   * Begins.
   *
   * @param places films that are made at a time
   */
  async begin(places: number): Promise<void> {
    await this.tasks.open();
    this.bulletin.hear('run').subscribe(() => this.woken.next());
    this.places = Array.from({ length: places }, (_, i) =>
      this.workAt(`${hostname()} ${process.pid}.${i + 1}`),
    );
  }

  /** Gives back what is being made, and ends. */
  async end(): Promise<void> {
    this.stopping.abort();
    this.woken.next();
    await Promise.all(this.places);
    await this.tasks.close();
  }

  private async workAt(name: string): Promise<void> {
    const id = randomUUID();
    while (!this.stopping.signal.aborted) {
      try {
        const task = await this.tasks.take();
        if (task) await this.make(id, name, task);
        else await this.rest();
      } catch (error) {
        this.log.error(logWords(error));
        await this.database.back();
        await pause(LOOKS_EVERY, undefined, { signal: this.stopping.signal }).catch(() => undefined);
      }
    }
    await this.database.queries.delete(workers).where(eq(workers.id, id));
  }

  /** Rests until there may be work. */
  private async rest(): Promise<void> {
    if (!this.stopping.signal.aborted) await firstValueFrom(race(timer(LOOKS_EVERY), this.woken));
  }

  private async make(
    id: string,
    name: string,
    { id: task, data }: { id: string; data: FilmTask },
  ): Promise<void> {
    const { queries } = this.database;
    const leaving = new AbortController();
    const leave = () => leaving.abort();
    this.stopping.signal.addEventListener('abort', leave);
    const at = { name, task, run: data.run, film: data.film, seen: sql`now()` };
    await queries
      .insert(workers)
      .values({ id, ...at })
      .onConflictDoUpdate({ target: workers.id, set: at });
    const isOpen = async (): Promise<boolean> =>
      this.rows.row(data.run).then(
        ({ status }) => status === 'queued' || status === 'running',
        (error: unknown) => {
          if (error instanceof Problem) return false;
          throw error;
        },
      );
    const saying = setInterval(() => {
      this.say(id, task)
        .then(async (isMine) => {
          // Somebody else has it by now, or nobody wants it any more.
          if (!isMine || !(await isOpen())) leave();
        })
        // Should the database be away for a moment, what is made is made on.
        .catch(() => undefined);
    }, SAYS_EVERY);
    try {
      await this.film(id, task, data, leaving.signal);
      await this.tasks.done(task);
    } catch (error) {
      // Once the database is back the film is found to be nobody's, and given to whoever is free.
      if (isDatabaseAway(error)) throw error;
      if (this.stopping.signal.aborted) await this.tasks.giveBack(task);
      else {
        if (!leaving.signal.aborted) await this.failed(data, error);
        // Left for another, the task is that one's to end.
        if (!(await isOpen())) await this.tasks.done(task);
      }
    } finally {
      clearInterval(saying);
      this.stopping.signal.removeEventListener('abort', leave);
      await queries.update(workers).set({ task: null, run: null, film: null }).where(eq(workers.id, id));
    }
  }

  private async film(
    worker: string,
    task: string,
    { run, film }: FilmTask,
    signal: AbortSignal,
  ): Promise<void> {
    const row = await this.rows.row(run);
    if ((row.status !== 'queued' && row.status !== 'running') || isWhole(row.films[film])) return;
    if (row.status === 'queued') {
      await this.database.queries
        .update(runs)
        .set({ status: 'running' })
        .where(and(eq(runs.id, run), eq(runs.status, 'queued')));
      await this.rows.told(run);
    }
    const document = await this.maker.documentOf(row, [film]);
    const materials = await this.maker.materialsOf(row, document);
    let told = 0;
    const [made] = await this.maker.make(row, [film], document, materials, {
      signal,
      news: (at, news) => {
        if (Date.now() - told < TELLS_EVERY) return;
        told = Date.now();
        this.bulletin.tell({ kind: 'progress', run, shares: { [at]: typeof news === 'number' ? news : 1 } });
      },
    });
    await this.finish(worker, task, { run, film }, made);
  }

  /** Writes a film down that is whole, unless another worker has taken it over meanwhile. */
  private async finish(worker: string, task: string, { run, film }: FilmTask, made: MadeFilm): Promise<void> {
    if (!(await this.say(worker, task))) return;
    const status = await this.rows.filmMade(run, film, made);
    if (status !== undefined) this.log.log(`made film ${film + 1} of ${run}`);
  }

  private async failed({ run, film }: FilmTask, error: unknown): Promise<void> {
    if (!(error instanceof Problem)) this.log.error(logWords(error));
    const row = await this.rows.row(run);
    // One of a series that cannot be made stops none of the others.
    if (row.series) {
      await this.rows.filmMade(run, film, { problem: problemOf(error) });
      return;
    }
    await this.rows.end(run, 'failed', problemOf(error));
  }

  /** Says that it is there; true while the task is its own. */
  private async say(id: string, task: string): Promise<boolean> {
    const rows = await this.database.queries
      .update(workers)
      .set({ seen: sql`now()` })
      .where(and(eq(workers.id, id), eq(workers.task, task)))
      .returning({ id: workers.id });
    return rows.length > 0;
  }
}
