import {
  MM_PER_INCH,
  placedHeight,
  type Crop,
  type OriginalRecipe,
  type PictureContent,
  type Placement,
} from '@brachytone/core';

/** All of a picture. */
export const WHOLE_CROP: Crop = { x: 0, y: 0, width: 1, height: 1, turn: 0 };

interface Size {
  readonly width: number;
  readonly height: number;
}

/** A sheet as far as placing goes; without bleed unless it says so. */
export interface Page extends Size {
  readonly bleed?: number;
}

/** The sheet with its bleed: what art has to cover, in mm from the trimmed sheet's corner. */
export const printedArea = ({ width, height, bleed = 0 }: Page) => ({
  x: 0 - bleed,
  y: 0 - bleed,
  width: width + 2 * bleed,
  height: height + 2 * bleed,
});

/** The largest crop of a picture, in its middle, that has the shape of the sheet with its bleed. */
export function cropToSheet(sheet: Page, picture: Size): Crop {
  const area = printedArea(sheet);
  const wanted = area.width / area.height;
  const has = picture.width / picture.height;
  const width = Math.min(1, wanted / has);
  const height = Math.min(1, has / wanted);
  return { x: (1 - width) / 2, y: (1 - height) / 2, width, height, turn: 0 };
}

/** A cropped picture as large as the sheet with its bleed allows, in its middle. */
export function placeOnSheet(sheet: Page, picture: Size, crop: Pick<Crop, 'width' | 'height'>): Placement {
  const shape = (crop.width * picture.width) / (crop.height * picture.height);
  const area = printedArea(sheet);
  const width = Math.min(area.width, area.height * shape);
  return {
    x: (sheet.width - width) / 2,
    y: (sheet.height - width / shape) / 2,
    width,
    turn: 0,
    mirrored: false,
  };
}

/** Longest side of a sheet that takes a picture's shape, mm. */
const LONGEST = 297;
const SHORTEST = 20;

/**
 * A sheet of a picture's shape: nothing of it is cut off.
 *
 * @param longest side, mm; it is shorter where the picture would have fewer than one and a half pixels for each line of the ruling
 * @param ruling  lpi
 */
export function sheetFor(picture: Size, ruling: number, longest = LONGEST): Size {
  const most = Math.max(picture.width, picture.height);
  const sharp = ruling > 0 ? (most / (1.5 * ruling)) * MM_PER_INCH : Infinity;
  const long = Math.max(SHORTEST, Math.min(longest, sharp));
  const tenths = (length: number) => Math.max(SHORTEST / 2, Math.round((length * long * 10) / most) / 10);
  return { width: tenths(picture.width), height: tenths(picture.height) };
}

/** A box of a shape, as large as another box allows, in its middle. */
export function placeWithin(
  box: Size & { readonly x: number; readonly y: number },
  shape: number,
): Placement {
  const width = Math.min(box.width, box.height * shape);
  return {
    x: box.x + (box.width - width) / 2,
    y: box.y + (box.height - width / shape) / 2,
    width,
    turn: 0,
    mirrored: false,
  };
}

/** True when a straight box is as large as the sheet with its bleed allows, in its middle. */
export function fillsSheet(sheet: Page, { placement }: OriginalRecipe, height: number): boolean {
  const near = (a: number, b: number) => Math.abs(a - b) < 0.1;
  const { x, y, width, turn } = placement;
  const area = printedArea(sheet);
  return (
    turn === 0 &&
    near(x + width / 2, sheet.width / 2) &&
    near(y + height / 2, sheet.height / 2) &&
    (near(width, area.width) || near(height, area.height))
  );
}

/**
 * A picture with another crop. One that filled the sheet still does; any other keeps its scale, and the part that stays
 * visible stays where it is.
 */
export function recrop<One extends OriginalRecipe>(
  original: One,
  sheet: Page,
  picture: Size,
  crop: Crop,
): One {
  const content = original.content as PictureContent;
  const { placement } = original;
  const height = placedHeight(original, picture);
  if (fillsSheet(sheet, original, height)) {
    const refilled = placeOnSheet(sheet, picture, crop);
    return {
      ...original,
      content: { ...content, crop },
      placement: { ...refilled, mirrored: placement.mirrored },
    };
  }
  const before = content.crop;
  const perPixel = placement.width / (before.width * picture.width);
  const width = crop.width * picture.width * perPixel;
  const moved = (share: 'x' | 'y', size: number, length: 'width' | 'height') =>
    (crop[share] + crop[length] / 2 - before[share] - before[length] / 2) * size * perPixel;
  const by = { x: moved('x', picture.width, 'width'), y: moved('y', picture.height, 'height') };
  const straight = placement.turn === 0 && !placement.mirrored && crop.turn === before.turn;
  const middle = {
    x: placement.x + placement.width / 2 + (straight ? by.x : 0),
    y: placement.y + height / 2 + (straight ? by.y : 0),
  };
  const high = crop.height * picture.height * perPixel;
  return {
    ...original,
    content: { ...content, crop },
    placement: { ...placement, x: middle.x - width / 2, y: middle.y - high / 2, width },
  };
}

const FULL = { width: 1, height: 1 };

/** Originals on a sheet of another size: those that filled it fill it again, the others keep their share of it. */
export function refit(
  originals: readonly OriginalRecipe[],
  before: Page,
  after: Page,
  sizes: ReadonlyMap<string, Size>,
): OriginalRecipe[] {
  return originals.map((original) => {
    const { content, placement } = original;
    const picture = content.kind === 'picture' ? sizes.get(content.picture) : undefined;
    if (content.kind === 'picture' && !picture) return original;
    const height = placedHeight(original, picture);
    if (fillsSheet(before, original, height)) {
      if (content.kind === 'gradient' || content.kind === 'tint') {
        const area = printedArea(after);
        return {
          ...original,
          content: { ...content, ratio: area.height / area.width },
          placement: { ...placement, x: area.x, y: area.y, width: area.width },
        };
      }
      if (content.kind !== 'picture') {
        return { ...original, placement: placeOnSheet(after, { width: 1, height: content.ratio }, FULL) };
      }
      if (!picture) return original;
      const crop = { ...cropToSheet(after, picture), turn: content.crop.turn };
      return { ...original, content: { ...content, crop }, placement: placeOnSheet(after, picture, crop) };
    }
    const middle = {
      x: ((placement.x + placement.width / 2) * after.width) / before.width,
      y: ((placement.y + height / 2) * after.height) / before.height,
    };
    return {
      ...original,
      placement: { ...placement, x: middle.x - placement.width / 2, y: middle.y - height / 2 },
    };
  });
}
