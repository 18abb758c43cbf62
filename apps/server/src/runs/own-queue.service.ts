import { setTimeout as pause } from 'node:timers/promises';
import { Inject, Injectable, Logger } from '@nestjs/common';
import type { SharedMaterials } from '@brachytone/files/write';
import type { JobDocument, RunFilm } from '@brachytone/job';
import { and, eq, gte, sql } from 'drizzle-orm';
import { DATABASE, type Database } from '../database/database.ts';
import { runs } from '../database/schema.ts';
import { FILM_STORE, type FilmStore } from '../film-store/film-store.ts';
import { logWords } from '../http/log-words.ts';
import { Problem } from '../http/problem.ts';
import { isDatabaseAway } from '../http/system-problem.ts';
import { THREADS } from '../work/work.service.ts';
import { AfterRunService } from './after-run.service.ts';
import { FilmMakerService } from './film-maker.service.ts';
import { MOST_ATTEMPTS, problemOf, type FilmQueue } from './film-queue.ts';
import { isWhole, leftOut, RunRows, type RunRow } from './run-rows.service.ts';

/** Pause before a database that was back, and is away again, is asked once more, ms. */
const BACK_PAUSE = 1000;

/** Films member by member. */
const byMember = (films: readonly RunFilm[], open: readonly number[]): number[][] => {
  const members = new Map<number, number[]>();
  for (const at of open) {
    const member = films[at].member ?? 0;
    members.set(member, [...(members.get(member) ?? []), at]);
  }
  return [...members.values()];
};

/** The job that films of a run are of, with what it is made from. */
interface JobOfRun {
  readonly document: JobDocument;
  readonly materials: SharedMaterials;
}

/** Makes films in this server's own threads, one run after another. */
@Injectable()
export class OwnQueueService implements FilmQueue {
  private readonly log = new Logger('Runs');
  private readonly active = new Map<string, AbortController>();
  private working: Promise<void> | undefined;
  private closing = false;

  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(RunRows) private readonly rows: RunRows,
    @Inject(FilmMakerService) private readonly maker: FilmMakerService,
    @Inject(FILM_STORE) private readonly store: FilmStore,
    @Inject(AfterRunService) private readonly after: AfterRunService,
  ) {}

  /** Runs that were being made when the server went away go on from the first film that is not whole; those waiting wait on. */
  async begin(): Promise<void> {
    const { queries } = this.database;
    await queries
      .update(runs)
      .set({
        status: 'stopped',
        message: `The server stopped ${MOST_ATTEMPTS} times while these films were being made. Make them again when it runs well.`,
        ended: new Date(),
      })
      .where(and(eq(runs.status, 'running'), gte(runs.attempts, MOST_ATTEMPTS)));
    await queries.update(runs).set({ status: 'queued' }).where(eq(runs.status, 'running'));
    this.wake();
  }

  add(): Promise<void> {
    this.wake();
    return Promise.resolve();
  }

  stop(id: string): Promise<void> {
    this.active.get(id)?.abort();
    return Promise.resolve();
  }

  async close(): Promise<void> {
    this.closing = true;
    for (const abort of this.active.values()) abort.abort();
    await this.working;
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

  private async make(row: RunRow): Promise<void> {
    const { id, attempts } = row;
    const abort = new AbortController();
    this.active.set(id, abort);
    try {
      await this.rows.change(id, { status: 'running', attempts: attempts + 1 });
      const films: RunFilm[] = [...row.films];
      /** Films that are whole are written down one after another. */
      let written: Promise<unknown> = Promise.resolve();
      const writeDown = () => {
        written = written.then(() => this.rows.change(id, { films: [...films] }, false));
        // Should it fail, whoever waits for all of them is told.
        written.catch(() => undefined);
      };
      const made = async (places: readonly number[], job: JobOfRun): Promise<void> => {
        const all = await this.maker.make(row, places, job.document, job.materials, {
          signal: abort.signal,
          news: (at, news) => {
            if (typeof news !== 'number') {
              films[at] = { ...films[at], ...news };
              writeDown();
            }
            this.rows.progress(row, films, { [at]: typeof news === 'number' ? news : 1 });
          },
        });
        for (const [i, at] of places.entries()) films[at] = { ...films[at], ...all[i] };
      };
      const open = films.flatMap((film, at) => (isWhole(film) ? [] : [at]));
      if (row.series)
        await this.membersInTurn(row, byMember(films, open), made, (places, problem) => {
          for (const at of places) films[at] = { ...films[at], problem };
          writeDown();
          this.rows.progress(row, films, Object.fromEntries(places.map((at) => [at, 1])));
        });
      else await made(open, await this.jobOf(row, open));
      await written;
      await this.rows.end(id, 'done', leftOut(films), films);
      await this.after.run();
    } catch (error) {
      // A server that goes away leaves what is whole, and goes on from there.
      if (this.closing) return;
      if (isDatabaseAway(error)) throw error;
      await this.store.drop(id);
      if (abort.signal.aborted) return;
      if (!(error instanceof Problem)) this.log.error(logWords(error));
      await this.rows.end(id, 'failed', problemOf(error));
    } finally {
      this.active.delete(id);
    }
  }

  private async jobOf(row: RunRow, places: readonly number[]): Promise<JobOfRun> {
    const document = await this.maker.documentOf(row, places);
    return { document, materials: await this.maker.materialsOf(row, document) };
  }

  /**
   * Makes the films of one member of a series after another, each thread at one of them; what is wrong with one stops none of the others.
   *
   * @param failed told which films could not be made, and why
   */
  private async membersInTurn(
    row: RunRow,
    members: readonly (readonly number[])[],
    made: (places: readonly number[], job: JobOfRun) => Promise<void>,
    failed: (places: readonly number[], problem: string) => void,
  ): Promise<void> {
    const waiting = [...members];
    // Pictures are unpacked one after another: two at a time would take twice the memory.
    let loading: Promise<unknown> = Promise.resolve();
    const load = (places: readonly number[]): Promise<JobOfRun> => {
      const loaded = loading.then(() => this.jobOf(row, places));
      loading = loaded.catch(() => undefined);
      return loaded;
    };
    const thread = async (): Promise<void> => {
      for (let places = waiting.shift(); places; places = waiting.shift()) {
        try {
          await made(places, await load(places));
        } catch (error) {
          const isOver = this.closing || this.active.get(row.id)?.signal.aborted !== false;
          if (isOver || isDatabaseAway(error)) throw error;
          if (!(error instanceof Problem)) this.log.error(logWords(error));
          failed(places, problemOf(error));
        } finally {
          this.maker.letGo(row, places);
        }
      }
    };
    await Promise.all(Array.from({ length: THREADS }, thread));
  }
}
