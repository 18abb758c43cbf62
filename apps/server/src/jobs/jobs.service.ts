import { randomUUID } from 'node:crypto';
import { Inject, Injectable } from '@nestjs/common';
import {
  asPainted,
  cutText,
  filesOf,
  newJob,
  paintedLongest,
  plainJob,
  readDocument,
  type HistoryChange,
  type JobDocument,
  type JobOnPress,
  type JobsPage,
  type JobsWish,
  type JobView,
  type JobWithDocument,
  type SheetWish,
} from '@brachytone/job';
import type { JobPress } from '@brachytone/core';
import { and, asc, count, desc, eq, gte, inArray, sql } from 'drizzle-orm';
import { DATABASE, type Database } from '../database/database.ts';
import { jobs, jobSteps } from '../database/schema.ts';
import { notFound, Problem } from '../http/problem.ts';
import { BulletinService } from '../live/bulletin.service.ts';
import { FilesService } from '../files/files.service.ts';
import { SUMMARY, summaryOf } from './job-summary.ts';

/** Steps that are written at once: a query has up to 65 535 values. */
const STEPS_AT_ONCE = 1000;

const NAMES = new Intl.Collator('en', { numeric: true });

@Injectable()
export class JobsService {
  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(FilesService) private readonly originals: FilesService,
    @Inject(BulletinService) private readonly bulletin: BulletinService,
  ) {}

  /** Jobs of a page: `most` of them from place `from` on. */
  async list({ away, find, order }: JobsWish, from: number, most: number): Promise<JobsPage> {
    const { queries } = this.database;
    const words = find.trim().toLowerCase();
    const all = await queries
      .select({ id: jobs.id, putAway: jobs.putAway, name: sql<string>`${jobs.document} ->> 'name'` })
      .from(jobs)
      .orderBy(desc(jobs.touched), asc(jobs.id));
    const asked = all.filter(({ putAway, name }) => putAway === away && name.toLowerCase().includes(words));
    // Here, as not every database knows how people order names.
    if (order === 'name') asked.sort((a, b) => NAMES.compare(a.name, b.name));
    const page = asked.slice(from, from + most).map(({ id }) => id);
    const rows =
      page.length === 0 ? [] : await queries.select(SUMMARY).from(jobs).where(inArray(jobs.id, page));
    return {
      jobs: page.flatMap((id) => rows.filter((row) => row.id === id).map(summaryOf)),
      next: from + most < asked.length ? from + most : null,
      away: all.filter(({ putAway }) => putAway).length,
    };
  }

  /** Jobs that are to be printed on a press, lately touched first. */
  async onPress(press: string): Promise<JobOnPress[]> {
    return this.database.queries
      .select({
        id: jobs.id,
        name: sql<string>`${jobs.document} ->> 'name'`,
        press: sql<JobPress>`${jobs.document} #> '{recipe,press}'`,
      })
      .from(jobs)
      .where(sql`${jobs.document} #>> '{recipe,press,id}' = ${press}`)
      .orderBy(desc(jobs.touched), asc(jobs.id));
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
      ...withDocument(row),
      steps: steps.map(({ step }) => step),
      position: row.position,
      files: await this.originals.named(filesOf(row.document.recipe)),
    };
  }

  /** A job's document alone, without its history. */
  async document(id: string): Promise<JobDocument> {
    const [row] = await this.database.queries
      .select({ document: jobs.document })
      .from(jobs)
      .where(eq(jobs.id, id));
    if (!row) throw notFound('job of this number');
    return row.document;
  }

  /** A new job from an original that was brought in under the given file name. */
  async start(
    picture: { sha256: string; name: string },
    by: string | null = null,
    wish?: SheetWish,
  ): Promise<JobWithDocument> {
    const { width, height, kind, facts } = await this.originals.get(picture.sha256);
    if (kind === 'font' || kind === 'profile') {
      throw new Problem(
        422,
        'Not an original',
        kind === 'font'
          ? 'This is a typeface. Open a job, and bring it in under its lettering.'
          : 'This is a colour profile. Open a job, and bring it in under its inks.',
      );
    }
    const named = { ...picture, width, height };
    const document = kind === 'picture' ? plainJob(named, wish) : newJob(named, kind);
    return this.create(facts.shades ? await this.painted(document, picture.sha256) : document, by);
  }

  /** A drawing with greys or colours is printed as tone; one that cannot be painted stays line work. */
  private async painted(document: JobDocument, drawing: string): Promise<JobDocument> {
    const [original] = document.recipe.originals;
    try {
      const { sha256 } = await this.originals.paint(drawing, paintedLongest(original));
      return {
        ...document,
        recipe: { ...document.recipe, originals: [asPainted(original, sha256)] },
      };
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
      return document;
    }
  }

  /** A job with the given document. */
  async create(value: unknown, by: string | null = null): Promise<JobWithDocument> {
    const document = await this.read(value);
    const [row] = await this.database.queries
      .insert(jobs)
      .values({ id: randomUUID(), document, revision: 1, changedBy: by })
      .returning();
    this.bulletin.tell({ kind: 'job', id: row.id, revision: row.revision, by });
    return withDocument(row);
  }

  /** A copy of a job, without its history. */
  async duplicate(id: string, by: string | null = null): Promise<JobWithDocument> {
    const { document } = await this.get(id);
    return this.create({ ...document, name: cutText(`${document.name} (copy)`, 120) }, by);
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
    by: string | null = null,
  ): Promise<{ revision: number }> {
    const document = await this.read(value);
    const saved = await this.database.queries.transaction(async (tx) => {
      const [row] = await tx
        .update(jobs)
        .set({
          document,
          revision: revision + 1,
          position: history.position,
          touched: new Date(),
          changedBy: by,
        })
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
      const rows = history.steps.map((step, i) => ({
        jobId: id,
        sequence: history.from + i,
        step: by === null || step.by !== undefined ? step : { ...step, by },
      }));
      for (let at = 0; at < rows.length; at += STEPS_AT_ONCE)
        await tx.insert(jobSteps).values(rows.slice(at, at + STEPS_AT_ONCE));
      return row;
    });
    if (saved) {
      this.bulletin.tell({ kind: 'job', id, revision: saved.revision, by });
      return saved;
    }
    const job = await this.get(id);
    throw new Problem(
      409,
      'Saved elsewhere',
      'This job was changed elsewhere in the meantime. Both versions are still there.',
      { job },
    );
  }

  async putAway(id: string, away: boolean): Promise<JobWithDocument> {
    const [row] = await this.database.queries
      .update(jobs)
      .set({ putAway: away, putAwayChanged: new Date() })
      .where(eq(jobs.id, id))
      .returning();
    if (!row) throw notFound('job of this number');
    this.bulletin.tell({ kind: 'job', id, revision: row.revision, by: null });
    return withDocument(row);
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

const withDocument = (row: typeof jobs.$inferSelect): JobWithDocument => ({
  id: row.id,
  revision: row.revision,
  putAway: row.putAway,
  touched: row.touched.toISOString(),
  changedBy: row.changedBy,
  document: row.document,
});
