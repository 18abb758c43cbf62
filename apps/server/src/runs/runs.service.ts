import { randomUUID } from 'node:crypto';
import { mkdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { MessageChannel } from 'node:worker_threads';
import {
  Inject,
  Injectable,
  Logger,
  type OnApplicationBootstrap,
  type OnModuleDestroy,
} from '@nestjs/common';
import { filmsOf, type RunFilm, type RunView } from '@brachytone/job';
import { and, desc, eq, inArray } from 'drizzle-orm';
import type { Observable } from 'rxjs';
import { Subject } from 'rxjs';
import { DATABASE, type Database } from '../database/database.ts';
import { runs } from '../database/schema.ts';
import { notFound, Problem } from '../http/problem.ts';
import { JobsService } from '../jobs/jobs.service.ts';
import { FilesService } from '../files/files.service.ts';
import { SETTINGS, type Settings } from '../settings.ts';
import { WorkService } from '../work/work.service.ts';

type Row = typeof runs.$inferSelect;

interface Active {
  readonly abort: AbortController;
  readonly shares: number[];
}

/** Threads that films are shared out to. */
const THREADS = 2;

/** Places of so many films for each thread, in turn. */
const shareOut = (films: number): number[][] =>
  Array.from({ length: Math.min(THREADS, films) }, (_, thread) =>
    Array.from({ length: films }, (_place, at) => at).filter((at) => at % THREADS === thread),
  );

/** Makes films, one run after another, and tells how far each is. */
@Injectable()
export class RunsService implements OnApplicationBootstrap, OnModuleDestroy {
  private readonly log = new Logger('Runs');
  private readonly changes = new Subject<RunView>();
  private readonly active = new Map<string, Active>();
  private working: Promise<void> | undefined;
  private closing = false;

  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(SETTINGS) private readonly settings: Settings,
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(FilesService) private readonly originals: FilesService,
    @Inject(WorkService) private readonly work: WorkService,
  ) {}

  /** Runs that were being made when the server went away are marked as stopped; those waiting go on. */
  async onApplicationBootstrap(): Promise<void> {
    const cut = await this.database.queries
      .update(runs)
      .set({
        status: 'stopped',
        message: 'The server stopped while these films were being made. Make them again.',
        ended: new Date(),
      })
      .where(eq(runs.status, 'running'))
      .returning({ id: runs.id });
    for (const { id } of cut) await rm(this.folder(id), { recursive: true, force: true });
    this.wake();
  }

  async onModuleDestroy(): Promise<void> {
    this.closing = true;
    for (const { abort } of this.active.values()) abort.abort();
    await this.working;
  }

  async list(): Promise<RunView[]> {
    const rows = await this.database.queries.select().from(runs).orderBy(desc(runs.created)).limit(200);
    return rows.map((row) => this.view(row));
  }

  async get(id: string): Promise<RunView> {
    return this.view(await this.row(id));
  }

  /** Films for a job as it is now. */
  async start(jobId: string): Promise<RunView> {
    const { document } = await this.jobs.get(jobId);
    return this.queue(jobId, document);
  }

  /** The same films once more, from the job as it was then. */
  async again(id: string): Promise<RunView> {
    const { jobId, document } = await this.row(id);
    return this.queue(jobId, document);
  }

  async cancel(id: string): Promise<RunView> {
    const row = await this.row(id);
    if (row.status !== 'queued' && row.status !== 'running') {
      throw new Problem(409, 'Already over', 'This run has already ended; its films are as they are.');
    }
    this.active.get(id)?.abort.abort();
    return this.end(id, 'cancelled', null);
  }

  /** Path of a finished film of a run. */
  async film(id: string, name: string): Promise<string> {
    const { films } = await this.row(id);
    if (!films.some(({ file, bytes }) => file === name && bytes > 0))
      throw notFound('finished film of this name');
    return join(this.folder(id), name);
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
    const [row] = await this.database.queries
      .insert(runs)
      .values({ id: randomUUID(), jobId, document, status: 'queued', films })
      .returning();
    this.wake();
    return this.tell(row);
  }

  private wake(): void {
    this.working ??= this.workThrough().finally(() => {
      this.working = undefined;
    });
  }

  private async workThrough(): Promise<void> {
    while (!this.closing) {
      const [next] = await this.database.queries
        .select()
        .from(runs)
        .where(eq(runs.status, 'queued'))
        .orderBy(runs.created)
        .limit(1);
      if (!next) return;
      await this.make(next).catch((error: unknown) => this.log.error(error));
    }
  }

  private async make(row: Row): Promise<void> {
    const { id, document } = row;
    const active: Active = { abort: new AbortController(), shares: row.films.map(() => 0) };
    this.active.set(id, active);
    try {
      await this.change(id, { status: 'running' });
      const materials = await this.originals.materials(document.recipe);
      const intent = await this.originals.pressProfile(document.recipe);
      await mkdir(this.folder(id), { recursive: true });
      const films = [...row.films];
      await Promise.all(
        shareOut(films.length).map(async (places) => {
          const { port1, port2 } = new MessageChannel();
          port1.on('message', ([at, share]: [number, number]) => {
            active.shares[places[at]] = share;
            if (!active.abort.signal.aborted)
              this.changes.next(this.view({ ...row, status: 'running', films }));
          });
          const wanted = places.map((at) => ({
            plates: films[at].plates,
            path: join(this.folder(id), films[at].file),
          }));
          const made = await this.work.run(
            'films',
            {
              document,
              day: row.created.toISOString().slice(0, 10),
              films: wanted,
              materials,
              intent,
              port: port2,
            },
            { signal: active.abort.signal, transfer: [port2] },
          );
          for (const [i, at] of places.entries()) {
            films[at] = { ...films[at], ...made[i] };
            // A plate that carries nothing is no film.
            if (made[i].inked !== 0) continue;
            films[at] = { ...films[at], bytes: 0 };
            await rm(wanted[i].path, { force: true });
          }
        }),
      );
      await this.end(id, 'done', null, films);
    } catch (error) {
      await rm(this.folder(id), { recursive: true, force: true });
      if (active.abort.signal.aborted) return;
      this.log.error(error);
      await this.end(id, 'failed', 'The films could not be made. The job itself is unharmed; try again.');
    } finally {
      this.active.delete(id);
    }
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
  private async change(id: string, values: Partial<Row>): Promise<RunView> {
    const [row] = await this.database.queries
      .update(runs)
      .set(values)
      .where(and(eq(runs.id, id), inArray(runs.status, ['queued', 'running'])))
      .returning();
    return this.tell(row ?? (await this.row(id)));
  }

  private async row(id: string): Promise<Row> {
    const [row] = await this.database.queries.select().from(runs).where(eq(runs.id, id));
    if (!row) throw notFound('run of this number');
    return row;
  }

  private tell(row: Row): RunView {
    const view = this.view(row);
    this.changes.next(view);
    return view;
  }

  private view(row: Row): RunView {
    const shares = this.active.get(row.id)?.shares ?? [];
    const made = shares.reduce((sum, share) => sum + share, 0) / Math.max(1, row.films.length);
    return {
      id: row.id,
      jobId: row.jobId,
      jobName: row.document.name,
      status: row.status,
      films: row.films,
      message: row.message,
      progress: row.status === 'done' ? 1 : made,
      created: row.created.toISOString(),
      ended: row.ended?.toISOString() ?? null,
    };
  }
}
