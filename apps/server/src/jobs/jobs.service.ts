import { randomUUID } from 'node:crypto';
import { Inject, Injectable } from '@nestjs/common';
import {
  cutText,
  filesOf,
  newJob,
  readDocument,
  type HistoryChange,
  type JobDocument,
  type JobSummary,
  type JobView,
} from '@brachytone/job';
import { and, asc, count, desc, eq, gte } from 'drizzle-orm';
import { DATABASE, type Database } from '../database/database.ts';
import { jobs, jobSteps } from '../database/schema.ts';
import { notFound, Problem } from '../http/problem.ts';
import { FilesService } from '../files/files.service.ts';

/** Steps that are written at once: a query has up to 65 535 values. */
const STEPS_AT_ONCE = 1000;

@Injectable()
export class JobsService {
  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(FilesService) private readonly originals: FilesService,
  ) {}

  async list(): Promise<JobSummary[]> {
    const rows = await this.database.queries.select().from(jobs).orderBy(desc(jobs.touched), asc(jobs.id));
    return rows.map(summary);
  }

  async get(id: string): Promise<JobView> {
    const [row] = await this.database.queries.select().from(jobs).where(eq(jobs.id, id));
    if (!row) throw notFound('job of this number');
    const steps = await this.database.queries
      .select({ step: jobSteps.step })
      .from(jobSteps)
      .where(eq(jobSteps.jobId, id))
      .orderBy(asc(jobSteps.sequence));
    return {
      ...summary(row),
      steps: steps.map(({ step }) => step),
      position: row.position,
      files: await this.originals.named(filesOf(row.document.recipe)),
    };
  }

  /** A new job from an original that was brought in under the given file name. */
  async start(picture: { sha256: string; name: string }): Promise<JobSummary> {
    const { width, height, kind } = await this.originals.get(picture.sha256);
    if (kind === 'font' || kind === 'profile') {
      throw new Problem(
        422,
        'Not an original',
        kind === 'font'
          ? 'This is a typeface. Open a job, and bring it in under its lettering.'
          : 'This is a colour profile. Open a job, and bring it in under its inks.',
      );
    }
    return this.create(newJob({ ...picture, width, height }, kind));
  }

  /** A job with the given document. */
  async create(value: unknown): Promise<JobSummary> {
    const document = await this.read(value);
    const [row] = await this.database.queries
      .insert(jobs)
      .values({ id: randomUUID(), document, revision: 1 })
      .returning();
    return summary(row);
  }

  /** A copy of a job, without its history. */
  async duplicate(id: string): Promise<JobSummary> {
    const { document } = await this.get(id);
    return this.create({ ...document, name: cutText(`${document.name} (copy)`, 120) });
  }

  /**
   * Saves a document over the revision it was made from.
   *
   * @throws Problem 409 with the newer job, when somebody saved in between
   */
  async save(
    id: string,
    revision: number,
    value: unknown,
    history: HistoryChange,
  ): Promise<{ revision: number }> {
    const document = await this.read(value);
    const saved = await this.database.queries.transaction(async (tx) => {
      const [row] = await tx
        .update(jobs)
        .set({ document, revision: revision + 1, position: history.position, touched: new Date() })
        .where(and(eq(jobs.id, id), eq(jobs.revision, revision)))
        .returning({ revision: jobs.revision });
      if (!row) return undefined;
      const [{ kept }] = await tx.select({ kept: count() }).from(jobSteps).where(eq(jobSteps.jobId, id));
      const steps = history.from + history.steps.length;
      if (history.from > kept || history.position > steps) {
        throw new Problem(
          422,
          'Not right',
          `The undo history begins at step ${history.from} and stands at ${history.position}; there are ${kept} steps before it and ${steps} with it. Nothing was changed.`,
        );
      }
      await tx.delete(jobSteps).where(and(eq(jobSteps.jobId, id), gte(jobSteps.sequence, history.from)));
      const rows = history.steps.map((step, i) => ({ jobId: id, sequence: history.from + i, step }));
      for (let at = 0; at < rows.length; at += STEPS_AT_ONCE)
        await tx.insert(jobSteps).values(rows.slice(at, at + STEPS_AT_ONCE));
      return row;
    });
    if (saved) return saved;
    const job = await this.get(id);
    throw new Problem(
      409,
      'Saved elsewhere',
      'This job was saved from another window in the meantime. Both versions are still there.',
      { job },
    );
  }

  async putAway(id: string, away: boolean): Promise<JobSummary> {
    const [row] = await this.database.queries
      .update(jobs)
      .set({ putAway: away })
      .where(eq(jobs.id, id))
      .returning();
    if (!row) throw notFound('job of this number');
    return summary(row);
  }

  /** A document brought up to date and checked, with everything it names here. */
  async read(value: unknown): Promise<JobDocument> {
    const document = readDocument(value);
    const missing = await this.originals.missing(filesOf(document.recipe));
    if (missing.length > 0) {
      throw new Problem(
        422,
        'Original missing',
        `The job names a ${WORDS[missing[0].kind]} that was never brought in here. Bring it in first.`,
      );
    }
    return document;
  }
}

const WORDS = {
  picture: 'picture',
  drawing: 'drawing',
  font: 'typeface',
  profile: 'colour profile',
} as const;

const summary = (row: typeof jobs.$inferSelect): JobSummary => ({
  id: row.id,
  revision: row.revision,
  putAway: row.putAway,
  touched: row.touched.toISOString(),
  document: row.document,
});
