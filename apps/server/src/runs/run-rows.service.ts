import { Inject, Injectable, type MessageEvent, type OnModuleInit } from '@nestjs/common';
import { gangName, type RunFilm, type RunView } from '@brachytone/job';
import { and, desc, eq, inArray, isNull, sql } from 'drizzle-orm';
import { map, merge, Subject, type Observable } from 'rxjs';
import { DATABASE, type Database } from '../database/database.ts';
import { jobs, runs } from '../database/schema.ts';
import { notFound } from '../http/problem.ts';
import { BulletinService } from '../live/bulletin.service.ts';

export type RunRow = typeof runs.$inferSelect;

/** True once a film is there, or is known to be none, or could not be made. */
export const isWhole = ({ bytes, inked, problem }: RunFilm): boolean =>
  bytes > 0 || inked === 0 || problem !== undefined;

/** What a run that is done says of films that could not be made; null where all were. */
export function leftOut(films: readonly RunFilm[]): string | null {
  const failed = films.filter(({ problem }) => problem !== undefined);
  if (failed.length === 0) return null;
  return `${failed.length} of ${films.length} films could not be made. ${failed[0].file}: ${failed[0].problem}`;
}

const OPEN = ['queued', 'running'] as const;
/** Films from which on it is told only so often, ms, how far a run is. */
const MANY = 24;
const SPOKEN_EVERY = 400;
/** Runs that are told again once news of others may have been missed. */
const LATELY = 50;

/** Runs as they are kept, and every change to any of them as it happens. */
@Injectable()
export class RunRows implements OnModuleInit {
  private readonly changes = new Subject<RunView>();
  private readonly removals = new Subject<string>();
  /** How far the films of runs under way are, shares of 1. */
  private readonly shares = new Map<string, number[]>();
  /** When it was last told how far a run is. */
  private readonly spoken = new Map<string, number>();

  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(BulletinService) private readonly bulletin: BulletinService,
  ) {}

  onModuleInit(): void {
    const own = (from: string) => from === this.bulletin.own;
    this.bulletin.hearFrom('run').subscribe(({ from, news }) => {
      if (!own(from)) this.pass(news.id);
    });
    this.bulletin.hearFrom('run gone').subscribe(({ from, news }) => {
      if (!own(from)) this.removals.next(news.id);
    });
    this.bulletin.hearFrom('progress').subscribe(({ from, news }) => {
      // Nobody is told where nobody listens, as at a worker: it is often.
      if (own(from) || !this.changes.observed) return;
      const shares = this.shares.get(news.run) ?? [];
      for (const [at, share] of Object.entries(news.shares)) shares[Number(at)] = share;
      this.shares.set(news.run, shares);
      this.pass(news.run);
    });
    this.bulletin.missed().subscribe(() => {
      if (!this.changes.observed) return;
      this.list(LATELY).then(
        (views) => views.forEach((view) => this.changes.next(view)),
        () => undefined,
      );
    });
  }

  /** Tells whoever listens of a run that was changed elsewhere. */
  private pass(id: string): void {
    if (!this.changes.observed) return;
    this.get(id).then(
      (view) => {
        if (view.ended !== null) this.shares.delete(id);
        this.changes.next(view);
      },
      // One that is gone by now is told by news of its own.
      () => undefined,
    );
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

  /** The newest finished run of a job as it is now; undefined where there is none. */
  async newestOf(jobId: string): Promise<RunView | undefined> {
    const rows = await this.withJobs()
      .where(and(eq(runs.jobId, jobId), eq(runs.status, 'done'), isNull(runs.gang), isNull(runs.series)))
      .orderBy(desc(runs.created))
      .limit(1);
    return rows.map(({ run, changed }) => this.view(run, changed)).find(({ changed }) => !changed);
  }

  async row(id: string): Promise<RunRow> {
    const [row] = await this.database.queries.select().from(runs).where(eq(runs.id, id));
    if (!row) throw notFound('run of this number');
    return row;
  }

  async insert(row: typeof runs.$inferInsert): Promise<RunView> {
    await this.database.queries.insert(runs).values(row);
    return this.told(row.id);
  }

  /** Changes a run that has not ended; one that has stays as it is. */
  async change(id: string, values: Partial<RunRow>, isTold = true): Promise<RunView> {
    await this.database.queries
      .update(runs)
      .set(values)
      .where(and(eq(runs.id, id), inArray(runs.status, [...OPEN])));
    return isTold ? this.told(id) : this.get(id);
  }

  end(id: string, status: RunRow['status'], message: string | null, films?: RunFilm[]): Promise<RunView> {
    return this.change(id, { status, message, ended: new Date(), ...(films ? { films } : {}) });
  }

  /**
   * Writes down that a film of a run is whole, whoever else writes down others at the same time; the run ends with the last.
   *
   * @returns the run's status then; undefined where the film was whole already, or the run has ended
   */
  async filmMade(id: string, at: number, made: Partial<RunFilm>): Promise<RunRow['status'] | undefined> {
    const status = await this.database.queries.transaction(async (tx) => {
      const [row] = await tx
        .select()
        .from(runs)
        .where(and(eq(runs.id, id), inArray(runs.status, [...OPEN])))
        .for('update');
      if (!row || isWhole(row.films[at])) return undefined;
      const films = row.films.map((film, place) => (place === at ? { ...film, ...made } : film));
      const isLast = films.every(isWhole);
      const values = isLast
        ? ({ films, status: 'done', ended: new Date(), message: leftOut(films) } as const)
        : { films };
      await tx.update(runs).set(values).where(eq(runs.id, id));
      return isLast ? 'done' : row.status;
    });
    if (status !== undefined) await this.told(id);
    return status;
  }

  /** Tells how far films are. */
  progress(row: RunRow, films: readonly RunFilm[], shares: Readonly<Record<number, number>>): void {
    const all = this.shares.get(row.id) ?? films.map((film) => (isWhole(film) ? 1 : 0));
    for (const [at, share] of Object.entries(shares)) all[Number(at)] = share;
    this.shares.set(row.id, all);
    // A series has hundreds of films, and all are in every word of it.
    const now = Date.now();
    if (films.length > MANY && now - (this.spoken.get(row.id) ?? 0) < SPOKEN_EVERY) return;
    this.spoken.set(row.id, now);
    this.changes.next(this.view({ ...row, status: 'running', films: [...films] }, false));
  }

  /** Says that a run was changed; gives it. */
  async told(id: string): Promise<RunView> {
    const view = await this.get(id);
    if (view.ended !== null) {
      this.shares.delete(id);
      this.spoken.delete(id);
    }
    this.changes.next(view);
    this.bulletin.tell({ kind: 'run', id });
    return view;
  }

  /** Deletes runs. */
  async remove(ids: readonly string[]): Promise<void> {
    await this.database.queries.delete(runs).where(inArray(runs.id, [...ids]));
    for (const id of ids) {
      this.shares.delete(id);
      this.removals.next(id);
      this.bulletin.tell({ kind: 'run gone', id });
    }
  }

  /** Changes to runs, and numbers of those that are deleted, as server-sent events. */
  news(): Observable<MessageEvent> {
    return merge(
      this.changes.pipe(map((run) => ({ type: 'run', data: run }))),
      this.removals.pipe(map((id) => ({ type: 'gone', data: id }))),
    );
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

  private view(row: RunRow, changed: boolean): RunView {
    const shares = this.shares.get(row.id) ?? [];
    const made = shares.reduce((sum, share) => sum + share, 0) / Math.max(1, row.films.length);
    return {
      id: row.id,
      jobId: row.jobId,
      jobName: row.gang ? gangName(row.gang) : row.document.name,
      isGang: row.gang !== null,
      members: row.series?.members.length ?? 0,
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
