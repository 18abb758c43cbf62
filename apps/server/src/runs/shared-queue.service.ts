import { Inject, Injectable, Logger } from '@nestjs/common';
import { eq, lt, sql } from 'drizzle-orm';
import { DATABASE, type Database } from '../database/database.ts';
import { runs, workers } from '../database/schema.ts';
import { logWords } from '../http/log-words.ts';
import { isDatabaseAway } from '../http/system-problem.ts';
import { BulletinService } from '../live/bulletin.service.ts';
import { AfterRunService } from './after-run.service.ts';
import { MOST_ATTEMPTS, type FilmQueue } from './film-queue.ts';
import { FilmTasks } from './film-tasks.service.ts';
import { RunRows, type RunRow } from './run-rows.service.ts';

/** Workers are looked at so often, ms; one that was not seen for so long is gone. Both are within the ten seconds after which its work is to be taken again. */
const LOOK_EVERY = 2000;
const SILENT = 6000;

/** Has films made by workers, and takes back what workers that are gone were at. */
@Injectable()
export class SharedQueueService implements FilmQueue {
  private readonly log = new Logger('Runs');
  private looking: ReturnType<typeof setInterval> | undefined;

  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(RunRows) private readonly rows: RunRows,
    @Inject(FilmTasks) private readonly tasks: FilmTasks,
    @Inject(AfterRunService) private readonly after: AfterRunService,
    @Inject(BulletinService) private readonly bulletin: BulletinService,
  ) {}

  async begin(): Promise<void> {
    await this.tasks.open();
    this.looking = setInterval(() => {
      this.takeBack().catch((error: unknown) => {
        if (!isDatabaseAway(error)) this.log.error(logWords(error));
      });
    }, LOOK_EVERY);
    this.bulletin.hear('run').subscribe(({ id }) => {
      this.rows.row(id).then(
        ({ status }) => (status === 'done' ? this.after.run() : undefined),
        () => undefined,
      );
    });
  }

  async add({ id, films }: Pick<RunRow, 'id' | 'films'>): Promise<void> {
    await this.tasks.add(id, films);
    // Workers may sleep.
    await this.rows.told(id);
  }

  /** Workers hear that the run has ended, and leave it. */
  stop(): Promise<void> {
    return Promise.resolve();
  }

  async close(): Promise<void> {
    clearInterval(this.looking);
    await this.tasks.close();
  }

  /** Gives what workers were at that are gone to others; a run that brings down one after another is left alone. */
  private async takeBack(): Promise<void> {
    const gone = await this.database.queries
      .delete(workers)
      .where(lt(workers.seen, sql`now() - make_interval(secs => ${SILENT / 1000})`))
      .returning();
    for (const { name, task, run } of gone) {
      if (task === null || run === null) continue;
      this.log.warn(`${name} is gone; what it was at is made by another.`);
      const [row] = await this.database.queries
        .update(runs)
        .set({ attempts: sql`${runs.attempts} + 1` })
        .where(eq(runs.id, run))
        .returning();
      if (row && row.attempts >= MOST_ATTEMPTS)
        await this.rows.end(
          run,
          'stopped',
          `${MOST_ATTEMPTS} workers were gone while these films were being made. Make them again when they run well.`,
        );
      await this.tasks.giveBack(task);
      await this.rows.told(run).catch(() => undefined);
    }
    for (const task of await this.tasks.orphans(SILENT / 1000)) await this.tasks.giveBack(task);
    // A server may have gone after it wrote a run down, and before it asked for its films.
    if ((await this.tasks.unasked(SILENT / 1000)).length === 0) return;
    await this.database.alone(async () => {
      for (const run of await this.tasks.unasked(SILENT / 1000)) {
        const { films } = await this.rows.row(run);
        await this.tasks.add(run, films);
        await this.rows.told(run);
      }
    });
  }
}
