import { memberDocument, NEW_SERIES, type Series, type SeriesView } from '@brachytone/job';
import { Inject, Injectable } from '@nestjs/common';
import { and, eq } from 'drizzle-orm';
import { DATABASE, type Database } from '../database/database.ts';
import { series as seriesTable } from '../database/schema.ts';
import { FilesService } from '../files/files.service.ts';
import { notFound, Problem } from '../http/problem.ts';
import { JobsService } from '../jobs/jobs.service.ts';
import { ProofsService } from '../jobs/proofs.service.ts';
import { LaidMaterials } from '../treatments/laid-materials.service.ts';

/** Series of jobs: what each is made for besides its own picture. */
@Injectable()
export class SeriesService {
  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(FilesService) private readonly files: FilesService,
    @Inject(ProofsService) private readonly proofs: ProofsService,
    @Inject(LaidMaterials) private readonly materials: LaidMaterials,
  ) {}

  /** The series of a job; an empty one where it has none. */
  async get(jobId: string): Promise<SeriesView> {
    await this.jobs.document(jobId);
    const { series, revision } = await this.kept(jobId);
    return { series, revision, files: await this.files.named(picturesOf(series)) };
  }

  private async kept(jobId: string): Promise<{ series: Series; revision: number }> {
    const [row] = await this.database.queries.select().from(seriesTable).where(eq(seriesTable.jobId, jobId));
    return { series: row?.series ?? NEW_SERIES, revision: row?.revision ?? 0 };
  }

  /**
   * Saves a series over the revision it was made from.
   *
   * @throws Problem 409 when somebody saved in between
   */
  async save(jobId: string, revision: number, value: Series): Promise<SeriesView> {
    await this.jobs.document(jobId);
    const missing = await this.files.missing(picturesOf(value));
    if (missing.length > 0)
      throw new Problem(
        422,
        'Picture missing',
        'The series names a picture that was never brought in here. Bring it in first; nothing was changed.',
      );
    const { queries } = this.database;
    const saved =
      revision === 0
        ? await queries
            .insert(seriesTable)
            .values({ jobId, series: value, revision: 1 })
            .onConflictDoNothing()
            .returning({ revision: seriesTable.revision })
        : await queries
            .update(seriesTable)
            .set({ series: value, revision: revision + 1, touched: new Date() })
            .where(and(eq(seriesTable.jobId, jobId), eq(seriesTable.revision, revision)))
            .returning({ revision: seriesTable.revision });
    if (saved.length === 0)
      throw new Problem(
        409,
        'Saved elsewhere',
        'This series was changed elsewhere in the meantime. It is shown as it is now; do your last change again.',
      );
    return this.get(jobId);
  }

  /** PNG of a member's proof; `longer` pixels on its longer side. */
  async seen(jobId: string, member: string, longer: number, gone?: AbortSignal): Promise<Uint8Array> {
    const document = await this.jobs.document(jobId);
    const { series } = await this.kept(jobId);
    const at = series.members.findIndex(({ id }) => id === member);
    if (at < 0) throw notFound('member of the series');
    const materials = await this.materials.of(
      [document],
      picturesOf({ ...series, members: [series.members[at]] }).map(({ sha256 }) => sha256),
      series.ownLevels,
    );
    return this.proofs.look(memberDocument(document, series, at, materials).recipe, longer, gone);
  }
}

/** The pictures that a series names. */
export const picturesOf = ({ members }: Series) =>
  members.flatMap(({ picture }) => (picture ? [{ sha256: picture.sha256, kind: 'picture' as const }] : []));
