import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  buildPyramid,
  pictureEnds,
  present,
  profileOf,
  profileTableName,
  type Drawing,
  type Picture,
  type Pyramid,
  type Recipe,
  type SeparationTable,
  type Typeface,
} from '@brachytone/core';
import {
  channelName,
  fileSum,
  isDrawing,
  isFont,
  isProfile,
  paintedName,
  paintSvg,
  profileTable,
  profileView,
  readChannels,
  readDrawing,
  readFont,
  readManyInks,
  readPicture,
  readProfile,
  takenName,
} from '@brachytone/files/read';
import type { SharedMaterials } from '@brachytone/files/write';
import {
  filesOf,
  Problem,
  SHIPPED_TYPEFACES,
  type FileKind,
  type LaidWith,
  type Taking,
} from '@brachytone/job';
import { readTypeface } from '@brachytone/typeface';
import { typefacesFolder } from './paths.ts';

/** Pixels of the level that a picture's tones are looked at on. */
const LOOKED_AT = 0.8e6;

/** What is known of a file that was brought in. */
export interface Original {
  readonly sha256: string;
  readonly kind: FileKind;
  /** Pixels, or a drawing's own units; 0 where it has no size. */
  readonly width: number;
  readonly height: number;
  /** True for a drawing with greys or colours. */
  readonly hasShades: boolean;
}

/** Files that jobs are made from, read and kept while they are needed. */
export class Originals {
  private readonly known = new Map<string, Original>();
  private readonly bytes = new Map<string, Uint8Array>();
  private readonly pictures = new Map<string, Pyramid>();
  private readonly drawings = new Map<string, Drawing>();
  private readonly fonts = new Map<string, Uint8Array>();
  private readonly profiles = new Map<string, Uint8Array>();
  private readonly tables = new Map<string, SeparationTable>();

  /**
   * Takes a file in, by its content.
   *
   * @throws Problem that says what is wrong with it
   */
  async add(bytes: Uint8Array): Promise<Original> {
    const sha256 = fileSum(bytes);
    const known = this.known.get(sha256);
    if (known) return known;
    this.bytes.set(sha256, bytes);
    if (isDrawing(bytes)) {
      const { drawing, facts } = readDrawing(bytes);
      this.drawings.set(sha256, drawing);
      return this.keep({ sha256, kind: 'drawing', ...drawing, hasShades: facts.shades === true });
    }
    if (isFont(bytes)) {
      this.fonts.set(sha256, (await readFont(bytes)).font);
      return this.keep({ sha256, kind: 'font', width: 0, height: 0, hasShades: false });
    }
    if (isProfile(bytes)) {
      await readProfile(bytes);
      this.profiles.set(sha256, bytes);
      return this.keep({ sha256, kind: 'profile', width: 0, height: 0, hasShades: false });
    }
    const { picture } = (await readManyInks(bytes)) ?? (await readPicture(bytes));
    return this.keepPicture(sha256, picture);
  }

  /** A CMYK file with its colours taken another way. */
  async take(from: string, taking: Taking): Promise<Original> {
    const { picture } = await readPicture(this.source(from), taking);
    return this.keepPicture(takenName(from, taking), picture);
  }

  /** A drawing as a picture. */
  async paint(drawing: string, longest: number): Promise<Original> {
    const { picture } = await paintSvg(this.source(drawing), longest);
    return this.keepPicture(paintedName(drawing, longest), picture);
  }

  /** The channels of a separated file as pictures. */
  async separate(from: string): Promise<void> {
    let at = 0;
    for await (const { picture } of readChannels(this.source(from)))
      this.keepPicture(channelName(from, at++), picture);
  }

  get(sha256: string): Original | undefined {
    return this.known.get(sha256);
  }

  /** Lets go of everything but typefaces. */
  forget(): void {
    for (const { sha256, kind } of this.known.values()) if (kind !== 'font') this.known.delete(sha256);
    for (const held of [this.pictures, this.drawings, this.profiles, this.tables]) held.clear();
    this.bytes.clear();
  }

  /** What a treatment is laid with. */
  async laidWith(): Promise<LaidWith> {
    await this.addTypefaces();
    const pictures = new Map(
      [...this.pictures].map(([sha256, pyramid]) => {
        const { width, height, levels } = pyramid;
        const seen = levels.find((one) => one && one.width * one.height <= LOOKED_AT) ?? levels.at(-1);
        return [sha256, { width, height, ends: pictureEnds(present(seen, 'small level')) }] as const;
      }),
    );
    const typefaces = new Map<string, Typeface>(
      [...this.fonts].map(([sha256, font]) => [sha256, readTypeface(font)]),
    );
    return { pictures, typefaces, hasProfile: (sha256) => this.profiles.has(sha256) };
  }

  /**
   * Everything a recipe is made from.
   *
   * @throws Problem where something is missing
   */
  async materials(recipe: Recipe): Promise<SharedMaterials> {
    await this.addTypefaces();
    const out: SharedMaterials = { pictures: {}, drawings: {}, fonts: {}, tables: {} };
    for (const { sha256, kind } of filesOf(recipe)) {
      if (kind === 'picture') out.pictures[sha256] = this.found(this.pictures.get(sha256), kind, sha256);
      else if (kind === 'drawing') out.drawings[sha256] = this.found(this.drawings.get(sha256), kind, sha256);
      else if (kind === 'font') out.fonts[sha256] = this.found(this.fonts.get(sha256), kind, sha256);
    }
    for (const { route } of recipe.originals) {
      const use = profileOf(route);
      if (use) out.tables[profileTableName(use)] = await this.table(use);
    }
    return out;
  }

  /** The press's colour profile that colours of a recipe are separated by. */
  async pressProfile(recipe: Recipe): Promise<{ profile: Uint8Array; name: string } | undefined> {
    const use = recipe.originals.map(({ route }) => profileOf(route)).find(Boolean);
    if (!use) return undefined;
    const profile = this.found(this.profiles.get(use.profile), 'profile', use.profile);
    return { profile, name: (await profileView(profile)).name };
  }

  private async table(use: NonNullable<ReturnType<typeof profileOf>>): Promise<SeparationTable> {
    const name = profileTableName(use);
    let table = this.tables.get(name);
    if (!table) {
      const profile = this.found(this.profiles.get(use.profile), 'profile', use.profile);
      this.tables.set(name, (table = await profileTable(profile, use.intent, use.compensate)));
    }
    return table;
  }

  private found<One>(one: One | undefined, kind: FileKind, sha256: string): One {
    if (one === undefined)
      throw new Problem(
        422,
        'Original missing',
        `The job is made from a ${kind} that was not given (SHA-256 ${sha256.slice(0, 12)}…). Name its file with --original.`,
      );
    return one;
  }

  private async addTypefaces(): Promise<void> {
    for (const { sha256, file } of SHIPPED_TYPEFACES)
      if (!this.fonts.has(sha256)) await this.add(readFileSync(join(typefacesFolder(), file)));
  }

  private source(sha256: string): Uint8Array {
    return this.found(this.bytes.get(sha256), 'picture', sha256);
  }

  private keepPicture(sha256: string, picture: Picture): Original {
    this.pictures.set(sha256, buildPyramid(picture));
    const { width, height } = picture;
    return this.keep({ sha256, kind: 'picture', width, height, hasShades: false });
  }

  private keep({ sha256, kind, width, height, hasShades }: Original): Original {
    const original = { sha256, kind, width, height, hasShades };
    this.known.set(sha256, original);
    return original;
  }
}
