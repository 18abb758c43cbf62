import { Inject, Injectable } from '@nestjs/common';
import type { JobRemoval } from '@brachytone/job';
import { and, eq, inArray, isNull, sql } from 'drizzle-orm';
import { DATABASE, type Database } from '../database/database.ts';
import { jobs, jobSteps, olderDocuments, pulls, runs, series } from '../database/schema.ts';
import { FilesService } from '../files/files.service.ts';
import { notFound, Problem } from '../http/problem.ts';
import { RunsService } from '../runs/runs.service.ts';
import { bytesOfFiles, unusedFiles } from './unused-files.ts';

/** Deletes jobs with all that is theirs: history, pulls, runs with their films, and the files that nothing else uses. */
@Injectable()
export class RemovalService {
  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(FilesService) private readonly files: FilesService,
    @Inject(RunsService) private readonly runs: RunsService,
  ) {}

  /** What goes with a job, and what that frees. */
  async wouldRemove(id: string): Promise<JobRemoval> {
    const { queries } = this.database;
    const [job] = await queries
      .select({
        bytes: sql<number>`(pg_column_size(${jobs.document}) + coalesce((select sum(pg_column_size(${jobSteps.step})) from ${jobSteps} where ${jobSteps.jobId} = ${jobs.id}), 0))::float8`,
      })
      .from(jobs)
      .where(eq(jobs.id, id));
    if (!job) throw notFound('job of this number');
    const [kept] = await queries
      .select({
        count: sql<number>`count(*)::int`,
        bytes: sql<number>`coalesce(sum(pg_column_size(${pulls.document})), 0)::float8`,
      })
      .from(pulls)
      .where(eq(pulls.jobId, id));
    const made = await this.runsOf(id);
    const films = made
      .filter(({ status }) => status === 'done')
      .reduce((sum, run) => sum + run.films.reduce((bytes, film) => bytes + film.bytes, 0), 0);
    const files = await this.filesOf(id);
    return {
      pulls: kept.count,
      runs: made.length,
      files: files.length,
      bytes: job.bytes + kept.bytes + films + (await bytesOfFiles(queries, files)),
    };
  }

  /**
   * Deletes a job that was put away.
   *
   * @throws Problem 409 for one on the board
   */
  async remove(id: string): Promise<void> {
    const { queries } = this.database;
    const [job] = await queries.select({ putAway: jobs.putAway }).from(jobs).where(eq(jobs.id, id));
    if (!job) throw notFound('job of this number');
    if (!job.putAway)
      throw new Problem(
        409,
        'On the board',
        'This job is on the board. Put it away first; nothing was deleted.',
      );
    const files = await this.filesOf(id);
    const made = (await this.runsOf(id)).map((run) => run.id);
    const kept = await queries.select({ id: pulls.id }).from(pulls).where(eq(pulls.jobId, id));
    await queries.transaction(async (tx) => {
      await tx.delete(jobs).where(eq(jobs.id, id));
      await tx.delete(jobSteps).where(eq(jobSteps.jobId, id));
      await tx.delete(pulls).where(eq(pulls.jobId, id));
      await tx.delete(series).where(eq(series.jobId, id));
      await tx
        .delete(olderDocuments)
        .where(inArray(olderDocuments.id, [id, ...made, ...kept.map((pull) => pull.id)]));
    });
    await this.runs.remove(made);
    await this.files.remove(files);
  }

  /** Forgets the undo history of jobs, which stay as they are. */
  async forgetHistory(ids: readonly string[]): Promise<void> {
    if (ids.length === 0) return;
    await this.database.queries.transaction(async (tx) => {
      await tx.delete(jobSteps).where(inArray(jobSteps.jobId, [...ids]));
      await tx
        .update(jobs)
        .set({ position: 0 })
        .where(inArray(jobs.id, [...ids]));
    });
  }

  /** Runs of a job alone; films that it shares with others stay. */
  private runsOf(id: string) {
    return this.database.queries
      .select({ id: runs.id, status: runs.status, films: runs.films })
      .from(runs)
      .where(and(eq(runs.jobId, id), isNull(runs.gang)));
  }

  /** Files that would be unused without a job, and are in use now. */
  private async filesOf(id: string): Promise<string[]> {
    const unused = new Set((await unusedFiles(this.database.queries)).map(({ sha256 }) => sha256));
    return (await unusedFiles(this.database.queries, id))
      .map(({ sha256 }) => sha256)
      .filter((sha256) => !unused.has(sha256));
  }
}
