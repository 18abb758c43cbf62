import { Inject, Injectable } from '@nestjs/common';
import {
  profileOf,
  profileTableName,
  type Drawing,
  type Intent,
  type Pyramid,
  type Recipe,
  type SeparationTable,
} from '@brachytone/core';
import {
  filesOf,
  type ChannelsView,
  type FileUse,
  type OriginalFacts,
  type OriginalView,
  type ProfileView,
} from '@brachytone/job';
import { and, asc, desc, eq, inArray, sql } from 'drizzle-orm';
import { collectGarbage } from '../collect-garbage.ts';
import { DATABASE, type BytesRow, type Database } from '../database/database.ts';
import { originalBytes, originals } from '../database/schema.ts';
import { notFound } from '../http/problem.ts';
import { RefusedWorkService } from '../work/refused-work.service.ts';
import { WorkService } from '../work/work.service.ts';
import { LRUCache } from 'lru-cache';
import { ReadersService } from '../readers/readers.service.ts';
import { ModelTablesService } from './model-tables.service.ts';
import {
  channelName,
  fileSum,
  paintedName,
  takenName,
  unpackPicture,
  type Kept,
} from '@brachytone/files/read';
import type { SharedMaterials } from '@brachytone/files/write';

/** Bytes are kept in parts of this size, so that none is ever handled whole by the database. */
const PART = 4 << 20;

/** Separations by profiles kept ready in memory, a quarter of a megabyte each. */
const MOST_TABLES = 32;

/** Bytes of a file after which memory is given back at once. */
const LARGE = 16e6;

/** Pictures kept ready in memory, and how long after the last of them was used, ms. */
const KEPT_BYTES = 256e6;
const KEPT_TIME = 120_000;

type Kind = BytesRow['kind'];

const bytesOf = (pyramid: Pyramid): number =>
  pyramid.levels.reduce((sum, level) => sum + (level?.data.byteLength ?? 0), 0);

@Injectable()
export class FilesService {
  private readonly ready = new Map<string, Promise<Pyramid>>();
  /** Those of them that are there, not only begun. */
  private readonly unpacked = new WeakSet<Promise<Pyramid>>();
  /** Files that are being taken in. */
  private takingIn = 0;
  /** Lets go of all pictures once none has been used for a while. */
  private readonly resting = setTimeout(() => {
    this.ready.clear();
    // At rest nothing else would have them collected.
    collectGarbage();
  }, KEPT_TIME).unref();
  private readonly tables = new LRUCache<string, SeparationTable>({ max: MOST_TABLES });

  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(WorkService) private readonly work: WorkService,
    @Inject(ReadersService) private readonly readers: ReadersService,
    @Inject(RefusedWorkService) private readonly refused: RefusedWorkService,
    @Inject(ModelTablesService) private readonly modelTables: ModelTablesService,
  ) {}

  /** Takes a file in; the same bytes twice are the same original. */
  async add(bytes: Uint8Array): Promise<OriginalView> {
    const sha256 = fileSum(bytes);
    const known = await this.find(sha256);
    if (known) {
      // Whoever brings it in is going to use it.
      await this.database.queries
        .update(originals)
        .set({ touched: new Date() })
        .where(eq(originals.sha256, sha256));
      return known;
    }
    this.takingIn++;
    try {
      const made = await this.readers.run('intake', { bytes });
      const kept = await this.keep(sha256, bytes.length, made, parts(sha256, 'source', bytes));
      if (kept.kind === 'picture' && this.takingIn === 1) this.unpackAhead(kept, made.working);
      return kept;
    } finally {
      this.takingIn--;
    }
  }

  /** Unpacks a picture that was just brought in, while its bytes are at hand and threads rest: whoever brought it asks for it next. */
  private unpackAhead(original: OriginalView, working: Uint8Array): void {
    if (this.ready.has(original.sha256) || !this.work.isAtRest) return;
    this.keepReady(original.sha256, this.unpack(original, working.slice()));
    void this.forget(original.sha256);
  }

  /** A CMYK file with its colours taken in another way: an original of its own, without the file's bytes. */
  async retake(sha256: string, intent: Intent, compensate: boolean): Promise<OriginalView> {
    const { facts, byteLength } = await this.get(sha256);
    const from = facts.taken?.from ?? sha256;
    const name = takenName(from, { intent, compensate });
    const known = await this.find(name);
    if (known) return known;
    if (facts.colour !== 'CMYK') throw notFound('CMYK file of this kind');
    const made = await this.readers.run('retake', { bytes: await this.source(from), intent, compensate });
    const taken = { intent, compensate, from };
    return this.keep(name, byteLength, { ...made, facts: { ...made.facts, taken } });
  }

  /** A drawing as a picture with its greys and colours, an original of its own without the file's bytes. */
  async paint(sha256: string, longest: number): Promise<OriginalView> {
    const { kind, byteLength } = await this.get(sha256);
    const name = paintedName(sha256, longest);
    const known = await this.find(name);
    if (known) return known;
    if (kind !== 'drawing') throw notFound('drawing of this kind');
    const made = await this.refused.unlessRefused(`painted ${name}`, async () =>
      this.readers.run('paint', { bytes: await this.source(sha256), longest }),
    );
    const painted = { from: sha256, longest };
    return this.keep(name, byteLength, { ...made, facts: { ...made.facts, painted } });
  }

  /** The channels of a separated file, each an original of its own, and the press's profile in it. */
  async channels(sha256: string): Promise<ChannelsView> {
    const { facts } = await this.get(sha256);
    const from = facts.taken?.from ?? sha256;
    const made = await this.readers.run('channels', { bytes: await this.source(from) });
    const channels: { name: string; picture: OriginalView }[] = [];
    for (const [i, { name, kept }] of made.channels.entries()) {
      const own = channelName(from, i);
      const picture = (await this.find(own)) ?? (await this.keep(own, kept.working.length, kept));
      channels.push({ name, picture });
    }
    return { channels, profile: made.profile ? (await this.add(made.profile)).sha256 : null };
  }

  private async keep(
    sha256: string,
    byteLength: number,
    { picture, kind, facts, working, small, smallLevel }: Kept,
    source: BytesRow[] = [],
  ): Promise<OriginalView> {
    await this.database.storeBytes([
      ...source,
      ...parts(sha256, 'working', working),
      ...(small ? parts(sha256, 'small', small) : []),
    ]);
    await this.database.queries
      .insert(originals)
      .values({ sha256, byteLength, ...picture, kind, smallLevel, facts })
      .onConflictDoNothing();
    // Samples of a large picture would stay until the next one comes.
    if (working.length > LARGE) setImmediate(collectGarbage);
    return this.get(sha256);
  }

  async get(sha256: string): Promise<OriginalView> {
    const found = await this.find(sha256);
    if (!found) throw notFound('original of this kind');
    return found;
  }

  /** Deletes files. */
  async remove(names: readonly string[]): Promise<void> {
    if (names.length === 0) return;
    await this.database.queries.transaction(async (tx) => {
      await tx.delete(originals).where(inArray(originals.sha256, [...names]));
      await tx.delete(originalBytes).where(inArray(originalBytes.sha256, [...names]));
    });
    for (const name of names) this.ready.delete(name);
  }

  /** The original's bytes as they were brought in. */
  async source(sha256: string): Promise<Uint8Array<ArrayBuffer>> {
    const { facts } = await this.get(sha256);
    return this.bytes(madeFrom(facts) ?? sha256, 'source');
  }

  /** What is known of the files named, as far as they are here. */
  async named(uses: readonly FileUse[]): Promise<OriginalView[]> {
    if (uses.length === 0) return [];
    const rows = await this.database.queries
      .select()
      .from(originals)
      .where(
        inArray(
          originals.sha256,
          uses.map(({ sha256 }) => sha256),
        ),
      );
    return rows.map(viewOf);
  }

  /** Those of the files named that are not here, or are of another kind. */
  async missing(uses: readonly FileUse[]): Promise<FileUse[]> {
    const found = await this.named(uses);
    return uses.filter(
      (use) => !found.some(({ sha256, kind }) => sha256 === use.sha256 && kind === use.kind),
    );
  }

  /** The picture brought in last, as a file of its own. */
  async lastPicture(): Promise<string | undefined> {
    const [row] = await this.database.queries
      .select({ sha256: originals.sha256 })
      .from(originals)
      .where(
        and(
          eq(originals.kind, 'picture'),
          sql`${originals.facts} -> 'painted' is null and ${originals.facts} -> 'taken' is null and ${originals.facts} ->> 'format' <> 'channel'`,
        ),
      )
      .orderBy(desc(originals.touched), asc(originals.sha256))
      .limit(1);
    return row?.sha256;
  }

  /** Every typeface that is here, by name. */
  async fonts(): Promise<OriginalView[]> {
    const rows = await this.database.queries.select().from(originals).where(eq(originals.kind, 'font'));
    return rows
      .map(viewOf)
      .sort((a, b) => (a.facts.typeface ?? '').localeCompare(b.facts.typeface ?? '', 'en'));
  }

  /** One level of an original's pyramid; the small one is at hand at once. */
  async level(sha256: string, level: number) {
    const original = await this.get(sha256);
    if (original.kind !== 'picture') throw notFound('picture of this kind');
    const ready = this.ready.get(sha256);
    if (level === original.smallLevel && !(ready && this.unpacked.has(ready))) {
      const deep = original.facts.bitsPerSample === 16;
      return unpackPicture(await this.bytes(sha256, 'small'), deep, original.channels);
    }
    const picture = (await this.pyramid(sha256)).levels[level];
    if (!picture) throw notFound('such level of this original');
    return picture;
  }

  /** The whole pyramid, in memory that threads share. */
  async pyramid(sha256: string): Promise<Pyramid> {
    let promise = this.ready.get(sha256);
    this.resting.refresh();
    if (!promise) {
      promise = this.load(sha256);
      this.keepReady(sha256, promise);
    } else {
      this.ready.delete(sha256);
      this.ready.set(sha256, promise);
    }
    const pyramid = await promise;
    await this.forget(sha256);
    return pyramid;
  }

  /** Lets go of pictures that nothing will ask for soon. */
  letGo(names: readonly string[]): void {
    for (const name of names) this.ready.delete(name);
    collectGarbage();
  }

  /** A drawing's geometry. */
  async drawing(sha256: string): Promise<Drawing> {
    if ((await this.get(sha256)).kind !== 'drawing') throw notFound('drawing of this kind');
    return JSON.parse(new TextDecoder().decode(await this.bytes(sha256, 'working'))) as Drawing;
  }

  /** A font file in a kind that can be read at once. */
  async font(sha256: string): Promise<Uint8Array> {
    if ((await this.get(sha256)).kind !== 'font') throw notFound('typeface of this kind');
    return this.bytes(sha256, 'working');
  }

  /** What a press's profile says of its paper and inks. */
  async profile(sha256: string): Promise<ProfileView> {
    return this.refused.unlessRefused(`profile ${sha256}`, async () =>
      this.readers.run('profile', { profile: await this.profileBytes(sha256) }),
    );
  }

  /** Amounts of the process inks by a press's profile. */
  async separation(sha256: string, intent: Intent, compensate: boolean): Promise<SeparationTable> {
    const name = profileTableName({ profile: sha256, intent, compensate });
    let table = this.tables.get(name);
    if (!table) {
      table = await this.refused.unlessRefused(`separation ${name}`, async () =>
        this.readers.run('separation', { profile: await this.profileBytes(sha256), intent, compensate }),
      );
      this.tables.set(name, table);
    }
    return table;
  }

  private async profileBytes(sha256: string): Promise<Uint8Array> {
    if ((await this.get(sha256)).kind !== 'profile') throw notFound('colour profile of this kind');
    return this.bytes(sha256, 'working');
  }

  /** The press's colour profile that colours of a recipe are separated by, with its name; undefined where there is none. */
  async pressProfile(recipe: Recipe): Promise<{ profile: Uint8Array; name: string } | undefined> {
    const use = recipe.originals.map(({ route }) => profileOf(route)).find(Boolean);
    if (!use) return undefined;
    const profile = await this.profileBytes(use.profile);
    return { profile, name: (await this.profile(use.profile)).name };
  }

  /**
   * Everything the originals of a recipe are made from.
   *
   * @param withoutPictures where those are found elsewhere
   */
  async materials(recipe: Recipe, withoutPictures = false): Promise<SharedMaterials> {
    const out: SharedMaterials = { pictures: {}, drawings: {}, fonts: {}, tables: {} };
    const modelled = this.modelTables.of(recipe);
    // Whoever waits for all of it is told if that fails.
    modelled.catch(() => undefined);
    for (const { sha256, kind } of filesOf(recipe)) {
      if (kind === 'drawing') out.drawings[sha256] = await this.drawing(sha256);
      else if (kind === 'font') out.fonts[sha256] = await this.font(sha256);
      else if (kind === 'picture' && !withoutPictures) out.pictures[sha256] = await this.pyramid(sha256);
    }
    for (const { route } of recipe.originals) {
      const use = profileOf(route);
      if (use)
        out.tables[profileTableName(use)] ??= await this.separation(use.profile, use.intent, use.compensate);
    }
    Object.assign(out.tables, await modelled);
    return out;
  }

  private async load(sha256: string): Promise<Pyramid> {
    return this.unpack(await this.get(sha256), await this.bytes(sha256, 'working'));
  }

  private keepReady(sha256: string, pyramid: Promise<Pyramid>): void {
    this.resting.refresh();
    this.ready.set(sha256, pyramid);
    pyramid.then(
      () => this.unpacked.add(pyramid),
      () => this.ready.delete(sha256),
    );
  }

  /** The thread is given the very bytes, not a copy. */
  private unpack({ facts, channels }: OriginalView, png: Uint8Array<ArrayBuffer>): Promise<Pyramid> {
    const given = { png, deep: facts.bitsPerSample === 16, channels };
    return this.work.run('pyramid', given, { transfer: [png.buffer] });
  }

  /** Lets go of the pictures used longest ago, but for the one in use. */
  private async forget(inUse: string): Promise<void> {
    let total = 0;
    for (const [sha256, promise] of [...this.ready].reverse()) {
      total += bytesOf(await promise.catch(() => ({ width: 0, height: 0, levels: [] })));
      if (total > KEPT_BYTES && sha256 !== inUse) this.ready.delete(sha256);
    }
  }

  private async find(sha256: string): Promise<OriginalView | undefined> {
    const [row] = await this.database.queries.select().from(originals).where(eq(originals.sha256, sha256));
    return row && viewOf(row);
  }

  private async bytes(sha256: string, kind: Kind): Promise<Uint8Array<ArrayBuffer>> {
    const sizes = await this.database.queries
      .select({ size: sql<number>`octet_length(${originalBytes.bytes})` })
      .from(originalBytes)
      .where(and(eq(originalBytes.sha256, sha256), eq(originalBytes.kind, kind)))
      .orderBy(asc(originalBytes.part));
    if (sizes.length === 0) throw notFound('original of this kind');
    const bytes = new Uint8Array(sizes.reduce((sum, { size }) => sum + size, 0));
    for (let part = 0, at = 0; part < sizes.length; at += sizes[part++].size) {
      const piece = await this.database.readBytes({ sha256, kind, part });
      if (!piece) throw notFound('original that is whole');
      bytes.set(piece, at);
    }
    return bytes;
  }
}

function viewOf({
  created: _created,
  touched: _touched,
  ...view
}: typeof originals.$inferSelect): OriginalView {
  return view;
}

/** The file that a picture was made of, where that is another one. */
export const madeFrom = ({ taken, painted }: OriginalFacts): string | undefined =>
  taken?.from ?? painted?.from;

function parts(sha256: string, kind: Kind, bytes: Uint8Array): BytesRow[] {
  const rows: BytesRow[] = [];
  for (let at = 0, part = 0; at < bytes.length; at += PART, part++) {
    rows.push({ sha256, kind, part, bytes: bytes.subarray(at, at + PART) });
  }
  return rows;
}
