/// <reference path="./maxrects-packer.d.ts" />
import { filmLayout, markKind, MM_PER_INCH, newMark, type Marks } from '@brachytone/core';
import { MaxRectsPacker } from 'maxrects-packer/dist/maxrects-packer.mjs';
import type { JobDocument } from './document.ts';
import { LABEL_TYPEFACE } from './typefaces.ts';

/** Jobs that are to share a film. Lengths are mm. */
export interface GangWish {
  /** The film they are laid on. */
  readonly sheet: { readonly width: number; readonly height: number };
  /** Between them. */
  readonly gap: number;
  readonly jobs: readonly { readonly jobId: string; readonly copies: number }[];
}

/** One of them where it lies: film pixels from the left top corner. */
export interface GangPlace {
  /** Its job, by its place in the wish. */
  readonly job: number;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** How jobs lie on a film together. */
export interface GangPlan {
  /** Pixels per inch. */
  readonly resolution: number;
  /** The film, in its pixels. */
  readonly width: number;
  readonly height: number;
  readonly places: readonly GangPlace[];
  /** Names of the inks, each a film, in printing order. */
  readonly inks: readonly string[];
}

/** A plan to be looked at: where each job’s trimmed sheet lies on its own film, film pixels from the film’s left top corner, in the wish’s order. */
export interface GangPreview extends GangPlan {
  readonly trims: readonly {
    readonly x: number;
    readonly y: number;
    readonly width: number;
    readonly height: number;
  }[];
}

/** What a run of a shared film is made from. */
export interface Gang {
  readonly wish: GangWish;
  readonly documents: readonly JobDocument[];
  readonly plan: GangPlan;
}

/** Jobs in words, as “4 × Ticket, 1 × Card”. */
export const gangName = ({ wish, documents }: Pick<Gang, 'wish' | 'documents'>): string =>
  documents.map(({ name }, i) => `${wish.jobs[i].copies} × ${name}`).join(', ');

/** Why jobs cannot share a film; the message is for the person at the screen. */
export class CannotGang extends Error {}

/** Marks that part jobs on a shared film: where each is cut, and what it is. */
const GANG_MARKS: Marks = {
  font: LABEL_TYPEFACE,
  uses: [
    { kind: 'crop', settings: { offset: 2, length: 3, weight: 0.1 } },
    { ...newMark(markKind('label')), settings: { size: 1.6 } },
  ],
};

/** A job as it lies on a shared film: with cutting marks and a label, whatever marks its own films have. */
export const onGang = (document: JobDocument): JobDocument => ({
  ...document,
  recipe: { ...document.recipe, marks: GANG_MARKS },
});

/** A plan as it is looked at. */
export const gangPreview = ({ plan, documents }: Gang): GangPreview => ({
  ...plan,
  trims: documents.map((document) => {
    const { trim } = filmLayout(onGang(document).recipe);
    const pixels = (length: number) => (length / MM_PER_INCH) * plan.resolution;
    return {
      x: pixels(trim.x),
      y: pixels(trim.y),
      width: pixels(trim.width),
      height: pixels(trim.height),
    };
  }),
});

const inkNames = ({ recipe }: JobDocument): string[] =>
  recipe.plates
    .filter(({ printed }) => printed)
    .map(({ ink }) => recipe.inks.find(({ id }) => id === ink)?.name ?? ink);

/**
 * Lays jobs on a film, as many of each as are asked for, none turned: their screens keep their angles.
 *
 * @param documents of the wish's jobs, in their order
 * @throws CannotGang with a sentence that says why not
 */
export function gangPlan(wish: GangWish, documents: readonly JobDocument[]): GangPlan {
  if (documents.length === 0) throw new CannotGang('Choose a job, and how many of it are wanted.');
  const [first] = documents;
  for (const one of documents) {
    const { recipe, name } = one;
    if (recipe.sheet.resolution !== first.recipe.sheet.resolution)
      throw new CannotGang(
        `“${name}” is filmed at ${recipe.sheet.resolution} dpi, “${first.name}” at ${first.recipe.sheet.resolution}: films have one resolution.`,
      );
    if (recipe.stock.name !== first.recipe.stock.name)
      throw new CannotGang(
        `“${name}” is printed on ${recipe.stock.name}, “${first.name}” on ${first.recipe.stock.name}.`,
      );
  }
  const inks = sharedInks(documents);
  const { resolution } = first.recipe.sheet;
  const pixels = (mm: number) => Math.round((mm / 25.4) * resolution);
  const [width, height] = [pixels(wish.sheet.width), pixels(wish.sheet.height)];
  const packer = new MaxRectsPacker(width, height, pixels(wish.gap), {
    smart: false,
    pot: false,
    square: false,
    allowRotation: false,
  });
  const wanted = wish.jobs.reduce((sum, { copies }) => sum + copies, 0);
  for (const [job, document] of documents.entries()) {
    const layout = filmLayout(onGang(document).recipe);
    if (layout.width > width || layout.height > height)
      throw new CannotGang(`“${document.name}” is larger than the film, with its cutting marks.`);
    for (let copy = 0; copy < wish.jobs[job].copies; copy++) packer.add(layout.width, layout.height, job);
  }
  if (packer.bins.length > 1) {
    const held = packer.bins[0].rects.length;
    throw new CannotGang(`The film holds ${held} of the ${wanted}. Take a larger one, or fewer.`);
  }
  const places = packer.bins[0].rects.map(({ data, x, y, width: wide, height: high }): GangPlace => ({
    job: data as number,
    x,
    y,
    width: wide,
    height: high,
  }));
  return { resolution, width, height, places, inks };
}

/** Inks of all jobs; in each they are printed in the same order. */
function sharedInks(documents: readonly JobDocument[]): string[] {
  const all = documents.map(inkNames);
  const longest = all.reduce((a, b) => (b.length > a.length ? b : a));
  for (const [i, inks] of all.entries()) {
    const places = inks.map((ink) => longest.indexOf(ink));
    const stray = inks[places.indexOf(-1)];
    if (stray !== undefined)
      throw new CannotGang(`“${documents[i].name}” has an ink, ${stray}, that the others have not.`);
    if (places.some((place, k) => k > 0 && place < places[k - 1]))
      throw new CannotGang(`“${documents[i].name}” prints its inks in another order.`);
  }
  return longest;
}
