import type { Lab } from '@brachytone/core';
import {
  bySuit,
  filesOf,
  isFileOfTreatment,
  layTreatment,
  readTreatment,
  SHIPPED_TREATMENTS,
  treatedJob,
  UnreadableDocument,
  usualSheet,
  type FirstLook,
  type JobDocument,
  type Laid,
  type OriginalView,
  type SheetWish,
  type ShelfTreatment,
  type Treatment,
  type TreatmentView,
} from '@brachytone/job';
import { Inject, Injectable, Logger } from '@nestjs/common';
import { FilesService } from '../files/files.service.ts';
import { notFound, Problem } from '../http/problem.ts';
import { ProofsService } from '../jobs/proofs.service.ts';
import { ShelfService } from '../shelf/shelf.service.ts';
import { LaidMaterials } from './laid-materials.service.ts';
import { SmallPictures } from './small-pictures.service.ts';

/** Longer side of the picture that a drawing is painted as to be looked at, pixels. */
const LOOK_PAINTED = 1536;
/** Longer side of the picture that a drawing becomes in a job, pixels: 600 for each inch of an A4 sheet. */
const FINE_PAINTED = 7168;
/** Treatments offered at a first look. */
const OFFERED = 12;

/** Treatments: the shelf of them, and what they make of a picture or a job. */
@Injectable()
export class TreatmentsService {
  private readonly log = new Logger('Treatments');

  constructor(
    @Inject(ShelfService) private readonly shelf: ShelfService,
    @Inject(FilesService) private readonly files: FilesService,
    @Inject(ProofsService) private readonly proofs: ProofsService,
    @Inject(SmallPictures) private readonly small: SmallPictures,
    @Inject(LaidMaterials) private readonly materials: LaidMaterials,
  ) {}

  /** Every treatment, those of this studio first, the newest of them first. */
  async all(): Promise<TreatmentView[]> {
    return [...(await this.kept()).toReversed(), ...SHIPPED_TREATMENTS].map(viewOf);
  }

  /** @throws Problem 404 when there is no such treatment */
  async get(id: string): Promise<Treatment> {
    const shipped = SHIPPED_TREATMENTS.find((one) => one.id === id);
    if (shipped) {
      const { suits: _suits, id: _id, ...treatment } = shipped;
      return treatment;
    }
    if (!/^[0-9a-f-]{36}$/.test(id)) throw notFound('treatment of this name');
    return readTreatment(await this.shelf.get('treatment', id));
  }

  /** Puts a treatment on the shelf. */
  async keep(value: unknown): Promise<TreatmentView> {
    const treatment = readTreatment(value);
    const missing = await this.files.missing(
      filesOf(treatment.job.recipe).filter(
        ({ sha256, kind }) => isFileOfTreatment(sha256) && kind !== 'font' && kind !== 'profile',
      ),
    );
    if (missing.length > 0)
      throw new Problem(
        422,
        'Not a treatment',
        `It names a ${missing[0].kind} that is not here. Keep it as a treatment from a job again.`,
      );
    return viewOf(await this.shelf.keep('treatment', treatment));
  }

  drop(id: string): Promise<void> {
    return this.shelf.drop('treatment', id);
  }

  /** A job's document with a treatment laid on it. */
  async laid(document: JobDocument, id: string): Promise<Laid> {
    const treatment = await this.get(id);
    return layTreatment(document, treatment, await this.materials.of([document, treatment.job]));
  }

  /** What a picture that was brought in may become. */
  async firstLook(sha256: string): Promise<FirstLook> {
    const original = await this.seenPicture(sha256);
    const { look } = await this.small.seen(original);
    const kept = (await this.kept()).toReversed();
    return {
      look,
      sheet: usualSheet(original),
      treatments: [...kept.slice(0, 3), ...bySuit(SHIPPED_TREATMENTS, look)].slice(0, OFFERED).map(viewOf),
    };
  }

  /** A new job of a picture in a treatment. */
  async begun(
    picture: { readonly sha256: string; readonly name: string },
    id: string,
    wish?: SheetWish,
  ): Promise<Laid> {
    const treatment = await this.get(id);
    const { sha256, width, height } = await this.pictureOf(picture.sha256);
    const materials = await this.materials.of([treatment.job], [sha256]);
    return treatedJob(treatment, { name: picture.name, sha256, width, height }, materials, wish);
  }

  /** PNG of a picture in a treatment; `longer` pixels on its longer side. */
  async seen(
    id: string,
    original: string,
    wish: SheetWish | undefined,
    longer: number,
    gone?: AbortSignal,
  ): Promise<Uint8Array> {
    const { sha256 } = await this.seenPicture(original);
    const { document } = await this.begun({ sha256, name: 'Picture' }, id, wish);
    return this.proofs.look(document.recipe, longer, gone);
  }

  /** The picture that somebody brought in last. */
  async lastPicture(): Promise<string> {
    const last = await this.files.lastPicture();
    if (last === undefined) throw notFound('picture yet');
    return last;
  }

  /** PNG of a job in a treatment. */
  async seenOnJob(
    document: JobDocument,
    id: string,
    longer: number,
    gone?: AbortSignal,
  ): Promise<Uint8Array> {
    return this.proofs.look((await this.laid(document, id)).document.recipe, longer, gone);
  }

  /** The picture that an original is treated as: a drawing is painted, fine enough for the largest sheet that it is shown on at first. */
  private pictureOf(sha256: string): Promise<OriginalView> {
    return this.painted(sha256, FINE_PAINTED);
  }

  /** The picture that an original is looked at by. */
  private seenPicture(sha256: string): Promise<OriginalView> {
    return this.painted(sha256, LOOK_PAINTED);
  }

  private async painted(sha256: string, longest: number): Promise<OriginalView> {
    const original = await this.files.get(sha256);
    if (original.kind === 'picture') return original;
    if (original.kind === 'drawing') return this.files.paint(sha256, longest);
    throw new Problem(422, 'Not an original', 'A treatment is seen on a picture or on line art.');
  }

  private async kept(): Promise<ShelfTreatment[]> {
    return (await this.shelf.all('treatment')).flatMap(({ id, ...item }) => {
      try {
        return [{ id, ...readTreatment(item) }];
      } catch (error) {
        if (!(error instanceof UnreadableDocument)) throw error;
        // It stays, and is there again once a program that can read it is.
        this.log.warn(`A treatment on the shelf cannot be read: ${error.message}`);
        return [];
      }
    });
  }
}

const viewOf = ({ id, name, says, job }: ShelfTreatment): TreatmentView => ({
  id,
  name,
  says,
  isShipped: SHIPPED_TREATMENTS.some((one) => one.id === id),
  inks: job.recipe.plates
    .filter(({ printed }) => printed)
    .flatMap(({ ink }) => job.recipe.inks.filter((one) => one.id === ink))
    .map((ink): { name: string; colour: Lab } => ({ name: ink.name, colour: ink.lab })),
  stock: { name: job.recipe.stock.name, lab: job.recipe.stock.lab },
});
