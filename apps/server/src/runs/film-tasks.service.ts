import { Inject, Injectable } from '@nestjs/common';
import type { RunFilm } from '@brachytone/job';
import { sql } from 'drizzle-orm';
import PgBoss from 'pg-boss';
import { DATABASE, type Database } from '../database/database.ts';
import { runs, workers } from '../database/schema.ts';
import { SETTINGS, type Settings } from '../settings.ts';

/** A film to be made: its run, and its place in it. */
export interface FilmTask {
  readonly run: string;
  readonly film: number;
}

const QUEUE = 'films';
/** Whoever takes a task gives it back, or is found to be gone; so long is for what nobody thought of, h. */
const LONGEST = 23;
/** A worker that goes away gives back what it is at; how often a run may bring workers down is counted with the run. */
const RETRIES = 1000;

/** Films to be made, in a queue that all servers and workers share. */
@Injectable()
export class FilmTasks {
  private boss: PgBoss | undefined;

  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(SETTINGS) private readonly settings: Settings,
  ) {}

  async open(): Promise<void> {
    const boss = new PgBoss({
      connectionString: this.settings.databaseUrl ?? '',
      schema: 'film_queue',
      max: 3,
      schedule: false,
    });
    // While the database is away whoever asks is told by the query itself.
    boss.on('error', () => undefined);
    await this.database.alone(async () => {
      await boss.start();
      await boss.createQueue(QUEUE, {
        name: QUEUE,
        retryLimit: RETRIES,
        retryDelay: 0,
        expireInHours: LONGEST,
      });
    });
    this.boss = boss;
  }

  async add(run: string, films: readonly RunFilm[]): Promise<void> {
    for (const film of films.keys())
      await this.queue.send(QUEUE, { run, film } satisfies FilmTask, {
        retryLimit: RETRIES,
        retryDelay: 0,
        expireInHours: LONGEST,
      });
  }

  /** Takes the next film to be made; undefined where there is none. */
  async take(): Promise<{ readonly id: string; readonly data: FilmTask } | undefined> {
    const [task] = await this.queue.fetch<FilmTask>(QUEUE);
    return task;
  }

  /** A task is done with: its film is whole, or its run has ended. */
  async done(id: string): Promise<void> {
    await this.queue.complete(QUEUE, id);
  }

  /** Gives a task back, to be taken by another. */
  async giveBack(id: string): Promise<void> {
    await this.queue.fail(QUEUE, id);
  }

  /** Tasks that were taken so long ago, s, and that no worker says it is at: it was gone, or the database away, before it could. */
  async orphans(age: number): Promise<readonly string[]> {
    const found = await this.database.queries.execute<{ id: string }>(
      sql`select job.id from film_queue.job where job.name = ${QUEUE} and job.state = 'active'
        and job.started_on < now() - make_interval(secs => ${age})
        and not exists (select 1 from ${workers} where ${workers.task} = job.id)`,
    );
    return (found as { rows: { id: string }[] }).rows.map(({ id }) => id);
  }

  /** Open runs of such an age, s, that no task is there for. */
  async unasked(age: number): Promise<readonly string[]> {
    const rows = await this.database.queries
      .select({ id: runs.id })
      .from(runs)
      .where(
        sql`${runs.status} in ('queued', 'running') and ${runs.created} < now() - make_interval(secs => ${age})
          and not exists (select 1 from film_queue.job where job.name = ${QUEUE}
            and job.state in ('created', 'retry', 'active') and job.data ->> 'run' = ${runs.id}::text)`,
      );
    return rows.map(({ id }) => id);
  }

  /** Films that wait. */
  async waiting(): Promise<number> {
    return this.queue.getQueueSize(QUEUE);
  }

  async close(): Promise<void> {
    await this.boss?.stop({ graceful: false, timeout: 1000 });
  }

  private get queue(): PgBoss {
    if (!this.boss) throw new Error('The queue of films is not open.');
    return this.boss;
  }
}
