import { Readable } from 'node:stream';
import {
  filesOf,
  plainName,
  readDocument,
  type JobDocument,
  type JobWithDocument,
  type RunFilm,
  type Series,
} from '@brachytone/job';
import type { Ticket } from '@brachytone/pdf';
import { Inject, Injectable } from '@nestjs/common';
import { ZipFile } from 'yazl';
import { Problem } from '../http/problem.ts';
import { FilesService, madeFrom } from '../files/files.service.ts';
import { JobsService } from '../jobs/jobs.service.ts';
import { RunRows } from '../runs/run-rows.service.ts';
import { addFilm } from '../runs/add-film.ts';
import { RunsService } from '../runs/runs.service.ts';
import { ProofLinksService } from '../proof-links/proof-links.service.ts';
import { picturesOf, SeriesService } from '../series/series.service.ts';
import { WorkService } from '../work/work.service.ts';
import {
  MANIFEST,
  manifestOf,
  type ArchivedFile,
  type Manifest,
  type PaintedFile,
  type TakenFile,
} from '@brachytone/files/archive';
import { readArchive } from '@brachytone/files/archive';

/**
 * Looks whether an archive's job can be read, and has what it is made from with it.
 *
 * @throws UnreadableDocument, or Problem
 */
function checkWhole({ document, files, taken, painted, separated, series }: Manifest): void {
  const wanted = [...filesOf(readDocument(document).recipe), ...(series ? picturesOf(series) : [])];
  const there = new Set([
    ...[...files, ...taken, ...painted].map(({ sha256 }) => sha256),
    ...separated.flatMap(({ channels }) => channels),
  ]);
  const missing = wanted.filter(({ sha256 }) => !there.has(sha256));
  if (missing.length === 0) return;
  throw new Problem(
    422,
    'Not whole',
    `The archive’s job is made from ${missing.length} ${missing.length === 1 ? 'file' : 'files'} that ${missing.length === 1 ? 'is' : 'are'} not in it. Nothing was added.`,
  );
}

/** Jobs packed with all they are made from, to be opened elsewhere; and tickets that go along with their films. */
@Injectable()
export class ArchivesService {
  constructor(
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(FilesService) private readonly files: FilesService,
    @Inject(SeriesService) private readonly series: SeriesService,
    @Inject(RunsService) private readonly runs: RunsService,
    @Inject(RunRows) private readonly rows: RunRows,
    @Inject(WorkService) private readonly work: WorkService,
    @Inject(ProofLinksService) private readonly links: ProofLinksService,
  ) {}

  /** A job's ticket as PDF and as data, with a name for its file. */
  async ticket(id: string): Promise<{ pdf: Uint8Array; ticket: Ticket; name: string }> {
    const { document } = await this.jobs.get(id);
    const films = (await this.rows.newestOf(id))?.films ?? [];
    const { pdf, ticket } = await this.ticketFor(id, document, films);
    return { pdf, ticket, name: `${plainName(document.name)}-ticket` };
  }

  private async ticketFor(id: string, document: JobDocument, films: readonly RunFilm[]) {
    const approval = await this.links.approvalWords(id, document.recipe);
    const materials = await this.files.materials(document.recipe);
    const day = new Date().toISOString().slice(0, 10);
    return this.work.run('ticket', { document, materials, day, approval, films });
  }

  /** A job as one ZIP: itself, its originals and typefaces as they were brought in, its films, its picture and its ticket. */
  async pack(id: string): Promise<{ stream: Readable; name: string }> {
    const { document } = await this.jobs.get(id);
    const { series } = await this.series.get(id);
    const { files, taken, painted, separated } = await this.contents(document, series);
    const run = await this.rows.newestOf(id);
    const { pdf, ticket, picture } = await this.ticketFor(id, document, run?.films ?? []);
    const zip = new ZipFile();
    const mtime = new Date();
    const add = (name: string, bytes: Uint8Array) => zip.addBuffer(Buffer.from(bytes), name, { mtime });
    const json = (value: unknown) => new TextEncoder().encode(`${JSON.stringify(value, null, 1)}\n`);
    add(
      MANIFEST,
      json(
        manifestOf({
          document,
          files,
          taken,
          painted,
          separated,
          series: series.members.length > 0 ? series : null,
        }),
      ),
    );
    add('print.png', picture);
    add('ticket.pdf', pdf);
    add('ticket.json', json(ticket));
    for (const { sha256, path } of files)
      zip.addReadStreamLazy(path, { mtime, compress: false }, (give) => {
        void this.files.source(sha256).then(
          (bytes) => give(null, Readable.from([Buffer.from(bytes)])),
          (error: unknown) => give(error, undefined as never),
        );
      });
    if (run)
      for (const film of (await this.runs.films(run.id)).files) addFilm(zip, `films/${film.name}`, film);
    zip.end();
    return { stream: zip.outputStream as Readable, name: `${plainName(document.name) || 'job'}.zip` };
  }

  /** What a document is made from, as it was brought in, and how the rest is made of that. */
  private async contents({ recipe }: JobDocument, series: Series) {
    const files = new Map<string, ArchivedFile>();
    const taken: TakenFile[] = [];
    const painted: PaintedFile[] = [];
    const put = async (sha256: string) => {
      const { kind } = await this.files.get(sha256);
      files.set(sha256, { sha256, kind, path: `originals/${sha256}` });
    };
    for (const { sha256 } of [...filesOf(recipe), ...picturesOf(series)]) {
      const { facts } = await this.files.get(sha256);
      // Channels are made of their file again.
      if (facts.format === 'channel') continue;
      if (facts.taken) taken.push({ ...facts.taken, sha256 });
      if (facts.painted) painted.push({ ...facts.painted, sha256 });
      await put(madeFrom(facts) ?? sha256);
    }
    const separated = recipe.originals.flatMap(({ route, content }) =>
      route.kind === 'separated' && content.kind === 'picture'
        ? [{ from: content.picture, channels: route.channels.map(({ picture }) => picture) }]
        : [],
    );
    return { files: [...files.values()], taken, painted, separated };
  }

  /** Opens an archive as a job of its own. All of it is looked at before anything is kept. */
  async unpack(path: string, by: string | null = null): Promise<JobWithDocument> {
    const archive = await readArchive(path);
    try {
      const { manifest } = archive;
      checkWhole(manifest);
      for (const one of manifest.files) await this.files.add(await archive.file(one.path));
      for (const { from, intent, compensate } of manifest.taken)
        await this.files.retake(from, intent, compensate);
      for (const { from, longest } of manifest.painted) await this.files.paint(from, longest);
      for (const { from } of manifest.separated) await this.files.channels(from);
      const job = await this.jobs.create(manifest.document, by);
      if (manifest.series) await this.series.save(job.id, 0, manifest.series);
      return job;
    } finally {
      archive.close();
    }
  }
}
