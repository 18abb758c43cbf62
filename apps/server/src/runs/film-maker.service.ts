import { randomUUID } from 'node:crypto';
import { mkdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { MessageChannel } from 'node:worker_threads';
import { Inject, Injectable } from '@nestjs/common';
import { memberDocument, onGang, type JobDocument, type RunFilm } from '@brachytone/job';
import { FilesService } from '../files/files.service.ts';
import { FILM_STORE, type FilmStore } from '../film-store/film-store.ts';
import { isPackedApart, type MadeFilm, type SharedMaterials } from '@brachytone/files/write';
import type { FilmNews, Tasks } from '../work/tasks.ts';
import { SETTINGS, type Settings } from '../settings.ts';
import { LaidMaterials } from '../treatments/laid-materials.service.ts';
import { THREADS, WorkService } from '../work/work.service.ts';
import type { RunRow } from './run-rows.service.ts';

/** Share of a file of several plates that is there once they are packed. */
const PACKING = 0.97;

export interface MakingOptions {
  readonly signal: AbortSignal;
  /** Told the place of a film, and what share of 1 of it is there, or what was made of it. */
  readonly news: (at: number, news: number | MadeFilm) => void;
}

/** Makes films of runs, and puts them where everybody finds them. */
@Injectable()
export class FilmMakerService {
  private cleared: Promise<void> | undefined;

  constructor(
    @Inject(SETTINGS) private readonly settings: Settings,
    @Inject(FILM_STORE) private readonly store: FilmStore,
    @Inject(FilesService) private readonly files: FilesService,
    @Inject(WorkService) private readonly work: WorkService,
    @Inject(LaidMaterials) private readonly laid: LaidMaterials,
  ) {}

  /**
   * The job whose films some are: of a series that of their member.
   *
   * @param places of films in the run's list, all of one member
   */
  async documentOf({ document, series, films }: RunRow, places: readonly number[]): Promise<JobDocument> {
    const member = films[places[0]]?.member;
    if (!series || member === undefined) return document;
    const { picture } = series.members[member];
    const materials = await this.laid.of([document], picture ? [picture.sha256] : [], series.ownLevels);
    return memberDocument(document, series, member, materials);
  }

  /** Lets go of a member's picture once its films are there: hundreds follow, and none comes back. */
  letGo({ series, films }: RunRow, places: readonly number[]): void {
    const member = films[places[0]]?.member;
    const picture = member === undefined ? undefined : series?.members[member].picture;
    if (picture) this.files.letGo([picture.sha256]);
  }

  /** What a run's jobs are made from, all together; of a series, one of its members' job. */
  async materialsOf({ gang }: RunRow, document: JobDocument): Promise<SharedMaterials> {
    const documents = gang ? gang.documents.map(onGang) : [document];
    const each: SharedMaterials[] = [];
    for (const { recipe } of documents) each.push(await this.files.materials(recipe));
    return {
      pictures: Object.assign({}, ...each.map((one) => one.pictures)) as SharedMaterials['pictures'],
      drawings: Object.assign({}, ...each.map((one) => one.drawings)) as SharedMaterials['drawings'],
      fonts: Object.assign({}, ...each.map((one) => one.fonts)) as SharedMaterials['fonts'],
      tables: Object.assign({}, ...each.map((one) => one.tables)) as SharedMaterials['tables'],
    };
  }

  /**
   * Makes some films of a run side by side in one thread, so that what they have in common is made once.
   *
   * @param places of the films in the run's list
   * @param document of the job whose films they are
   */
  async make(
    row: RunRow,
    places: readonly number[],
    document: JobDocument,
    materials: SharedMaterials,
    { signal, news }: MakingOptions,
  ): Promise<readonly MadeFilm[]> {
    const { id, films, gang, approvals } = row;
    const intent = await this.files.pressProfile(document.recipe);
    const folder = await this.store.making(id);
    const day = row.created.toISOString().slice(0, 10);
    const path = (at: number) => join(folder, films[at].file);
    const given = { document, day, approval: approvals[0] ?? undefined, materials, intent };
    const packed = gang
      ? {}
      : await this.packed(given, films[places[0]], {
          signal,
          news: (share) => news(places[0], PACKING * share),
        });
    const { port1, port2 } = new MessageChannel();
    /** Films that are whole, by their places, on their way to where everybody finds them: they are told of once they are there. */
    const putting = new Map<number, Promise<void>>();
    const put = (at: number, film: MadeFilm): Promise<void> => {
      const known = putting.get(at);
      if (known) return known;
      // A plate that carries nothing leaves no file.
      const there = film.bytes > 0 ? this.store.put(id, films[at].file) : Promise.resolve();
      const begun = there.then(() => {
        if (!signal.aborted) news(at, film);
      });
      // Whoever waits for all of them is told if one fails.
      begun.catch(() => undefined);
      putting.set(at, begun);
      return begun;
    };
    port1.on('message', ([i, told]: FilmNews) => {
      if (typeof told !== 'number') void put(places[i], told);
      else if (!signal.aborted) news(places[i], told);
    });
    const options = { signal, transfer: [port2], news: port1, isPatient: true };
    const made = await (gang
      ? this.work.run(
          'gangFilms',
          {
            gang,
            day,
            approvals,
            films: places.map((at) => ({ ink: films[at].ink, path: path(at) })),
            materials,
            port: port2,
          },
          options,
        )
      : this.work
          .run(
            'films',
            {
              ...given,
              films: places.map((at) => ({ plates: films[at].plates, path: path(at) })),
              packed,
              leavesNothing: row.series !== null,
              port: port2,
            },
            options,
          )
          .finally(() => Promise.all(Object.values(packed).map((file) => rm(file, { force: true })))));
    await Promise.all(made.map((film, i) => put(places[i], film)));
    return made;
  }

  /**
   * Packs the plates of a file of several in as many threads as there are, where they can be.
   *
   * @param news told what share of all is there, 0–1
   * @returns the files in which they are, by their ids; none where the file is made in one go
   */
  private async packed(
    given: Pick<Tasks['films']['given'], 'document' | 'day' | 'approval' | 'materials' | 'intent'>,
    { plates }: RunFilm,
    { signal, news }: { readonly signal: AbortSignal; readonly news: (share: number) => void },
  ): Promise<Record<string, string>> {
    if (plates.length < 2 || !isPackedApart(given.document)) return {};
    const folder = join(this.settings.dataFolder, 'packed');
    // What a process that was killed had packed is of no use.
    await (this.cleared ??= rm(folder, { recursive: true, force: true }));
    await mkdir(folder, { recursive: true });
    const files = Object.fromEntries(plates.map((id) => [id, join(folder, randomUUID())]));
    const shares = plates.map(() => 0);
    /** What is wrong with one thread's ends the others'. */
    const broken = new AbortController();
    await Promise.all(
      Array.from({ length: THREADS }, async (_, thread) => {
        const own = plates.filter((_id, i) => i % THREADS === thread);
        const { port1, port2 } = new MessageChannel();
        port1.on('message', ([i, told]: FilmNews) => {
          shares[plates.indexOf(own[i])] = typeof told === 'number' ? told : 1;
          if (!signal.aborted) news(shares.reduce((sum, share) => sum + share, 0) / shares.length);
        });
        const made = this.work.run(
          'films',
          {
            ...given,
            films: own.map((id) => ({ plates: [id], path: files[id], isPacked: true })),
            packed: {},
            leavesNothing: false,
            port: port2,
          },
          {
            signal: AbortSignal.any([signal, broken.signal]),
            transfer: [port2],
            news: port1,
            isPatient: true,
          },
        );
        await made.catch((error: unknown) => broken.abort(error)).finally(() => port1.close());
      }),
    );
    if (!broken.signal.aborted) return files;
    await Promise.all(Object.values(files).map((file) => rm(file, { force: true })));
    throw broken.signal.reason;
  }
}
