import { randomUUID } from 'node:crypto';
import { mkdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { MessageChannel } from 'node:worker_threads';
import { Inject, Injectable } from '@nestjs/common';
import { filmLayout } from '@brachytone/core';
import { memberDocument, onGang, type JobDocument } from '@brachytone/job';
import { FilesService } from '../files/files.service.ts';
import { FILM_STORE, type FilmStore } from '../film-store/film-store.ts';
import { piecesApart, type MadeFilm, type SharedMaterials, type PiecePlace } from '@brachytone/files/write';
import type { FilmNews, FilmsGiven } from '../work/tasks.ts';
import { SETTINGS, type Settings } from '../settings.ts';
import { LaidMaterials } from '../treatments/laid-materials.service.ts';
import { THREADS, WorkService } from '../work/work.service.ts';
import type { RunRow } from './run-rows.service.ts';

/** Most pixels of films whose pieces are packed before any of them is whole, unless one alone has more. */
const GROUP_PIXELS = 4e9;
/** Share of a film that is there once its pieces are packed. */
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
   * Makes some films of a run, with as many threads as there are: pieces that can be packed apart go to whichever is free, else each
   * thread makes some of the films side by side. Members of a series keep to one thread: others make other members.
   *
   * @param places of the films in the run's list
   * @param document of the job whose films they are
   */
  async make(
    row: RunRow,
    places: readonly number[],
    document: JobDocument,
    materials: SharedMaterials,
    options: MakingOptions,
  ): Promise<readonly MadeFilm[]> {
    const { films, gang, series, approvals, created } = row;
    const given = {
      document,
      day: created.toISOString().slice(0, 10),
      approval: approvals[0] ?? undefined,
      materials,
      intent: await this.files.pressProfile(document.recipe),
    };
    if (series) return this.makeInOne(row, places, given, [], options);
    const isApart = (at: number) => gang === null && piecesApart(document, films[at].plates).length > 0;
    const made: MadeFilm[] = [];
    const keep = async (group: readonly number[], packed: readonly PiecePlace[]): Promise<void> =>
      besideOneAnother(options.signal, shareOut(group), async (own, signal) => {
        const all = await this.makeInOne(row, own, given, packed, { ...options, signal });
        for (const [i, at] of own.entries()) made[at] = all[i];
      });
    await keep(
      places.filter((at) => !isApart(at)),
      [],
    );
    for (const group of groupsOf(places.filter(isApart), document)) {
      const plates = group.flatMap((at) => films[at].plates);
      const packed = await this.packPieces(given, plates, options.signal, (share) => {
        for (const at of group) options.news(at, PACKING * share);
      });
      await keep(group, packed.places).finally(packed.remove);
    }
    return places.map((at) => made[at]);
  }

  /** Makes some films of a run side by side in one thread, so that what they have in common is made once. */
  private async makeInOne(
    { id, films, gang, series, approvals }: RunRow,
    places: readonly number[],
    given: FilmsGiven,
    packed: readonly PiecePlace[],
    { signal, news }: MakingOptions,
  ): Promise<readonly MadeFilm[]> {
    const folder = await this.store.making(id);
    const path = (at: number) => join(folder, films[at].file);
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
    const packing = packed.length > 0 ? PACKING : 0;
    port1.on('message', ([i, told]: FilmNews) => {
      if (typeof told !== 'number') void put(places[i], told);
      else if (!signal.aborted) news(places[i], packing + (1 - packing) * told);
    });
    const options = { signal, transfer: [port2], news: port1, isPatient: true };
    const { day, materials } = given;
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
      : this.work.run(
          'films',
          {
            ...given,
            films: places.map((at) => ({ plates: films[at].plates, path: path(at) })),
            packed,
            leavesNothing: series !== null,
            port: port2,
          },
          options,
        ));
    await Promise.all(made.map((film, i) => put(places[i], film)));
    return made;
  }

  /**
   * Packs pieces of films apart.
   *
   * @param news told what share of all is there, 0–1
   * @returns where they lie, until they are removed
   */
  private async packPieces(
    given: FilmsGiven,
    plates: readonly string[],
    signal: AbortSignal,
    news: (share: number) => void,
  ): Promise<{ places: readonly PiecePlace[]; remove: () => Promise<void> }> {
    const folder = join(this.settings.dataFolder, 'packed');
    // What a process that was killed had packed is of no use.
    await (this.cleared ??= rm(folder, { recursive: true, force: true }));
    await mkdir(folder, { recursive: true });
    const threads = Array.from({ length: THREADS }, (_, thread) => ({
      thread,
      path: join(folder, randomUUID()),
    }));
    const remove = async (): Promise<void> => {
      await Promise.all(threads.map(({ path }) => rm(path, { force: true })));
    };
    const { length: pieces } = piecesApart(given.document, plates);
    const claims = new Int32Array(new SharedArrayBuffer(4 * pieces));
    const done = threads.map(() => 0);
    const places: PiecePlace[] = [];
    try {
      await besideOneAnother(signal, threads, async ({ thread, path }, either) => {
        const { port1, port2 } = new MessageChannel();
        port1.on('message', (count: number) => {
          done[thread] = count;
          if (!signal.aborted) news(done.reduce((sum, one) => sum + one, 0) / pieces);
        });
        const first = Math.floor((pieces * thread) / THREADS);
        const own = await this.work
          .run(
            'filmPieces',
            { ...given, wanted: { plates, path, claims, first }, port: port2 },
            { signal: either, transfer: [port2], news: port1, isPatient: true },
          )
          .finally(() => port1.close());
        places.push(...own);
      });
    } catch (error) {
      await remove();
      throw error;
    }
    return { places, remove };
  }
}

/** Films for each thread, in turn. */
const shareOut = (films: readonly number[]): number[][] =>
  Array.from({ length: Math.min(THREADS, films.length) }, (_, thread) =>
    films.filter((_film, i) => i % THREADS === thread),
  );

/** Films whose pieces are packed together, by what is begun anew after the server was killed. */
function groupsOf(films: readonly number[], { recipe }: JobDocument): number[][] {
  const { width, height } = filmLayout(recipe);
  const each = Math.max(1, Math.floor(GROUP_PIXELS / (width * height)));
  return Array.from({ length: Math.ceil(films.length / each) }, (_, i) =>
    films.slice(i * each, (i + 1) * each),
  );
}

/** Does something for each of some, all at once; what is wrong with one ends the others, and is told once none is left. */
async function besideOneAnother<One>(
  signal: AbortSignal,
  all: readonly One[],
  make: (one: One, signal: AbortSignal) => Promise<void>,
): Promise<void> {
  const broken = new AbortController();
  const either = AbortSignal.any([signal, broken.signal]);
  await Promise.all(all.map((one) => make(one, either).catch((error: unknown) => broken.abort(error))));
  if (broken.signal.aborted) throw broken.signal.reason;
}
