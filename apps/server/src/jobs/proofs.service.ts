import { createHash, randomUUID } from 'node:crypto';
import { mkdir, readFile, rename, rm, utimes, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import {
  filmLayout,
  MM_PER_INCH,
  pictureSize,
  present,
  stripsOf,
  type OriginalRecipe,
  type Recipe,
} from '@brachytone/core';
import { filesOf, PICTURE_FORMATS, plainName, type JobDocument, type PictureRequest } from '@brachytone/job';
import { Inject, Injectable, Logger } from '@nestjs/common';
import { notFound, Problem } from '../http/problem.ts';
import { FilesService } from '../files/files.service.ts';
import { SETTINGS, type Settings } from '../settings.ts';
import { RefusedWorkService } from '../work/refused-work.service.ts';
import type { SharedMaterials } from '@brachytone/files/write';
import { WorkService } from '../work/work.service.ts';
import { SmallPictures } from '../treatments/small-pictures.service.ts';
import { JobsService } from './jobs.service.ts';

/** Pixels across the widest transparent picture. */
const MOST_ACROSS = 16_000;

/** Film resolution of small proofs that something is chosen by, dots per inch, and pixels of their films' longer side at most. */
const LOOK_RESOLUTION = 300;
const LOOK_PIXELS = 2900;

/** A part of a proof: film pixels, and pixels of the picture for each. */
export interface ProofPart {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly scale: number;
  /** As it will be printed, or the originals before there were dots. */
  readonly look: 'print' | 'before';
}

/** A picture that is being made, and how many wait for it. */
interface Making {
  made: Promise<Uint8Array>;
  wanted: number;
}

/** Makes a picture, as long as it is wanted. */
type Make = (materials: SharedMaterials, isWanted: () => boolean) => Promise<Uint8Array>;

/** Pictures of jobs: made once for every state and size, then kept as files that can always be made again. */
@Injectable()
export class ProofsService {
  private readonly log = new Logger('Proofs');
  private readonly making = new Map<string, Making>();

  constructor(
    @Inject(SETTINGS) private readonly settings: Settings,
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(FilesService) private readonly originals: FilesService,
    @Inject(WorkService) private readonly work: WorkService,
    @Inject(RefusedWorkService) private readonly refused: RefusedWorkService,
    @Inject(SmallPictures) private readonly smallPictures: SmallPictures,
  ) {}

  /** PNG of the job's exact proof, `longer` pixels on its longer side. */
  async proof(id: string, longer: number, gone?: AbortSignal): Promise<Uint8Array> {
    return this.picture((await this.jobs.get(id)).document.recipe, longer, gone);
  }

  /**
   * PNG of a recipe's exact proof, `longer` pixels on its longer side.
   *
   * @param gone when whoever asked waits no longer, as a board that was left: what has not been begun is not made then
   */
  async picture(recipe: Recipe, longer: number, gone?: AbortSignal): Promise<Uint8Array> {
    return this.kept(
      [recipe, longer],
      () => this.originals.materials(recipe),
      gone,
      (materials, isWanted) => this.work.run('proof', { recipe, materials, longer }, { isWanted }),
    );
  }

  /**
   * PNG of a small proof, off films that are just fine enough for it and pictures' small levels: there long before whole pictures are read.
   */
  async look(recipe: Recipe, longer: number, gone?: AbortSignal): Promise<Uint8Array> {
    const { sheet } = recipe;
    const inches = (Math.max(sheet.width, sheet.height) + 2 * sheet.bleed) / MM_PER_INCH;
    const resolution = Math.max(36, Math.min(sheet.resolution, LOOK_RESOLUTION, LOOK_PIXELS / inches));
    const coarse = { ...recipe, sheet: { ...sheet, resolution } };
    const materials = async (): Promise<SharedMaterials> => {
      const pictures = filesOf(recipe).filter(({ kind }) => kind === 'picture');
      return {
        ...(await this.originals.materials(coarse, true)),
        pictures: await this.smallPictures.pyramids(pictures.map(({ sha256 }) => sha256)),
      };
    };
    return this.kept([coarse, longer, 'small'], materials, gone, (found, isWanted) =>
      this.work.run('proof', { recipe: coarse, materials: found, longer }, { isWanted, isUrgent: true }),
    );
  }

  /** PNG of a part of a recipe's exact proof. */
  async part(recipe: Recipe, part: ProofPart, gone?: AbortSignal): Promise<Uint8Array> {
    return this.kept(
      [recipe, part],
      () => this.originals.materials(recipe),
      gone,
      (materials, isWanted) => this.work.run('proofPart', { recipe, materials, part }, { isWanted }),
    );
  }

  /** A picture that was made before, or is being made, or is made now. */
  private async kept(
    of: unknown,
    materials: () => Promise<SharedMaterials>,
    gone: AbortSignal | undefined,
    make: Make,
  ): Promise<Uint8Array> {
    const key = createHash('sha256').update(JSON.stringify(of)).digest('hex');
    const folder = join(this.settings.dataFolder, 'proofs');
    const file = join(folder, `${key}.png`);
    const kept = await readFile(file).catch(() => undefined);
    if (kept) {
      // Those shown longest ago are the first to be cleaned away.
      const now = new Date();
      await utimes(file, now, now).catch(() => undefined);
      return kept;
    }
    const making = this.making.get(key) ?? this.begin(key, materials, file, make);
    if (gone?.aborted !== true) {
      making.wanted++;
      gone?.addEventListener('abort', () => making.wanted--, { once: true });
    }
    return making.made;
  }

  private begin(key: string, materials: () => Promise<SharedMaterials>, file: string, make: Make): Making {
    const making: Making = { made: Promise.resolve(new Uint8Array()), wanted: 0 };
    making.made = this.refused
      .unlessRefused(`proof ${key}`, async () => {
        const png = await make(await materials(), () => making.wanted > 0);
        await this.keep(file, png);
        return png;
      })
      .finally(() => this.making.delete(key));
    this.making.set(key, making);
    return making;
  }

  /** Keeps a picture for the next time; where there is no room it is made again then. */
  private async keep(file: string, png: Uint8Array): Promise<void> {
    try {
      await mkdir(dirname(file), { recursive: true });
      // Written aside first: a file under its final name is always whole.
      await writeFile(`${file}.part`, png);
      await rename(`${file}.part`, file);
    } catch (error) {
      this.log.warn(`A picture could not be kept: ${(error as Error).message}`);
    }
  }

  /**
   * A picture of a job's print in a file of its own, with a name for it; the file is the caller's, to be thrown away.
   */
  async saved(id: string, request: PictureRequest): Promise<{ path: string; name: string }> {
    const { document } = await this.jobs.get(id);
    const { recipe, name } = document;
    const format = present(
      PICTURE_FORMATS.find((one) => one.id === request.format),
      'picture format',
    );
    const { columns, rows } = pictureSize(recipe.sheet, request);
    if (Math.max(columns, rows) > format.most) {
      throw new Problem(
        422,
        'Too large',
        `The picture would be ${columns} × ${rows} pixels; ${format.name} is made up to ${format.most} a side. Ask for fewer pixels an inch.`,
      );
    }
    if (request.transparent && !format.canBeClear)
      throw new Problem(422, 'Never clear', `${format.name} cannot be clear. Choose another format.`);
    const shown =
      request.plate === undefined ? undefined : recipe.plates.find((one) => one.id === request.plate);
    if (request.plate !== undefined && !shown) throw notFound('plate of this name in the job');
    const materials = await this.originals.materials(recipe);
    const ink = shown && recipe.inks.find((one) => one.id === shown.ink)?.name;
    const path = await this.made(format.ending, (path) =>
      this.work.run('picture', { recipe, materials, picture: request, title: name, path }),
    );
    return { path, name: `${plainName([name, ink].filter(Boolean).join(' ')) || 'print'}.${format.ending}` };
  }

  /**
   * A job's print in its panels as a PDF in a file of its own, with a name for it; the file is the caller's, to be thrown away.
   *
   * @param ppi pixels per inch of the print
   * @throws Problem 422 where the job is not cut into panels
   */
  async panels(id: string, ppi: number): Promise<{ path: string; name: string }> {
    const document = await this.jobs.document(id);
    const { recipe, films } = document;
    if (!films.panels || !stripsOf(films.panels, filmLayout(recipe)))
      throw new Problem(
        422,
        'Not in panels',
        'This job is not cut into panels, or its paper is too small for them. Choose the printer’s paper under Panels first.',
      );
    const materials = await this.originals.materials(recipe);
    const day = new Date().toISOString().slice(0, 10);
    const path = await this.made('pdf', (path) =>
      this.work.run('panelPicture', { document, materials, ppi, day, path }),
    );
    return { path, name: `${plainName(document.name) || 'print'}-panels.pdf` };
  }

  /** A file of its own that something is written into; nothing is left of one that cannot be made. */
  private async made(ending: string, write: (path: string) => Promise<unknown>): Promise<string> {
    const folder = join(this.settings.dataFolder, 'proofs');
    await mkdir(folder, { recursive: true });
    const path = join(folder, `${randomUUID()}.${ending}`);
    try {
      await write(path);
    } catch (error) {
      await rm(path, { force: true });
      throw error;
    }
    return path;
  }

  /**
   * An original of a job by itself as a transparent PNG, with a name for its file.
   *
   * @param resolution pixels per inch
   */
  async cutOut(id: string, name: string, resolution: number): Promise<{ png: Uint8Array; name: string }> {
    const { document, original } = await this.find(id, name);
    const { recipe } = document;
    // As long as it is wide at most: an upper bound that needs no file to be read.
    const across = (original.placement.width / MM_PER_INCH) * resolution;
    if (across > MOST_ACROSS) {
      throw new Problem(
        422,
        'Too large',
        `At ${resolution} ppi the picture would be ${Math.round(across)} pixels wide; up to ${MOST_ACROSS} are made. Ask for a lower resolution.`,
      );
    }
    const materials = await this.originals.materials(recipe);
    const png = await this.work.run('cutOut', { recipe, original: name, materials, resolution });
    return { png, name: fileName(document, original, 'png') };
  }

  /** The colour dots of an original of a job as SVG, with a name for its file. */
  async colourDots(id: string, name: string): Promise<{ svg: string; name: string }> {
    const { document, original } = await this.find(id, name);
    if (!original.colourDots || original.content.kind !== 'picture') {
      throw notFound('colour dots of this original');
    }
    const { recipe } = document;
    const materials = await this.originals.materials(recipe);
    const svg = await this.work.run('colourDots', { recipe, original: name, materials });
    return { svg, name: fileName(document, original, 'svg') };
  }

  private async find(id: string, name: string): Promise<{ document: JobDocument; original: OriginalRecipe }> {
    const { document } = await this.jobs.get(id);
    const original = document.recipe.originals.find((one) => one.id === name);
    if (!original) throw notFound('original of this name in the job');
    return { document, original };
  }
}

/** The job's name and the original's, in letters that any disk takes. */
const fileName = ({ name }: JobDocument, original: OriginalRecipe, ending: string): string =>
  `${name} ${original.name}`.replace(/[^\p{L}\p{N} .-]/gu, '').slice(0, 80) + `.${ending}`;
