import { randomUUID } from 'node:crypto';
import { Inject, Injectable } from '@nestjs/common';
import type { PullView } from '@brachytone/job';
import { and, asc, eq } from 'drizzle-orm';
import { CalibrationsService } from '../calibrations/calibrations.service.ts';
import { DATABASE, type Database } from '../database/database.ts';
import { pulls } from '../database/schema.ts';
import { FilesService } from '../files/files.service.ts';
import { notFound, Problem } from '../http/problem.ts';
import { WorkService } from '../work/work.service.ts';
import { JobsService } from './jobs.service.ts';

/** States of jobs kept under a name, to be looked at and taken up again. */
@Injectable()
export class PullsService {
  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(FilesService) private readonly files: FilesService,
    @Inject(CalibrationsService) private readonly calibrations: CalibrationsService,
    @Inject(WorkService) private readonly work: WorkService,
  ) {}

  /** Pulls of a job, the oldest first. */
  async list(jobId: string): Promise<PullView[]> {
    const rows = await this.database.queries
      .select()
      .from(pulls)
      .where(eq(pulls.jobId, jobId))
      .orderBy(asc(pulls.created), asc(pulls.id));
    return rows.map(viewOf);
  }

  async get(jobId: string, id: string): Promise<PullView> {
    const [row] = await this.database.queries
      .select()
      .from(pulls)
      .where(and(eq(pulls.id, id), eq(pulls.jobId, jobId)));
    if (!row) throw notFound('pull of this number');
    return viewOf(row);
  }

  async keep(jobId: string, name: string, value: unknown): Promise<PullView> {
    await this.jobs.get(jobId);
    const document = await this.jobs.read(value);
    const [row] = await this.database.queries
      .insert(pulls)
      .values({ id: randomUUID(), jobId, name, document })
      .returning();
    return viewOf(row);
  }

  /** Keeps a state of a job with a print of its films on the simulated press that a calibration was made on. */
  async print(jobId: string, name: string, value: unknown, calibrationId: string): Promise<PullView> {
    await this.jobs.get(jobId);
    const document = await this.jobs.read(value);
    const calibration = await this.calibrations.get(calibrationId);
    const gain = calibration.simulatedGain;
    if (gain === null)
      throw new Problem(
        422,
        'No simulated press',
        'This calibration was made on a real press: print the films there, and look. Nothing was kept.',
      );
    const { recipe } = document;
    const materials = await this.files.materials(recipe);
    const on = await this.calibrations.simulatedOn(calibration, gain);
    const { png, shares } = await this.work.run('simulatedPrint', { recipe, materials, calibration, on });
    const { sha256: picture } = await this.files.add(png);
    const [row] = await this.database.queries
      .insert(pulls)
      .values({ id: randomUUID(), jobId, name, document, print: { picture, shares } })
      .returning();
    return viewOf(row);
  }

  async rename(jobId: string, id: string, name: string): Promise<PullView> {
    const [row] = await this.database.queries
      .update(pulls)
      .set({ name })
      .where(and(eq(pulls.id, id), eq(pulls.jobId, jobId)))
      .returning();
    if (!row) throw notFound('pull of this number');
    return viewOf(row);
  }

  async drop(jobId: string, id: string): Promise<void> {
    const dropped = await this.database.queries
      .delete(pulls)
      .where(and(eq(pulls.id, id), eq(pulls.jobId, jobId)))
      .returning({ id: pulls.id });
    if (dropped.length === 0) throw notFound('pull of this number');
  }
}

const viewOf = ({ id, name, document, print, created }: typeof pulls.$inferSelect): PullView => ({
  id,
  name,
  document,
  print,
  created: created.toISOString(),
});
