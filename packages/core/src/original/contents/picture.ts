import { present } from '../../base/present.ts';
import { MissingMaterial } from '../../base/errors.ts';
import { after, scaled } from '../../raster/affine.ts';
import { mmToPixels } from '../../raster/frame.ts';
import { hasAlpha, type Picture } from '../../raster/picture.ts';
import { chooseLevel, type Pyramid } from '../../raster/pyramid.ts';
import { rowsOf, type Rows } from '../../raster/rows.ts';
import type { CutOut } from '../../recipe/cut-out.ts';
import type { PictureContent } from '../../recipe/recipe.ts';
import type { Materials } from '../../recipe/scene.ts';
import { opacity } from '../../tone/grey.ts';
import { pictureSource } from '../../tone/picture-source.ts';
import { defineContent, type PlacedCut, type PlacedTones, type Placing, type Size } from '../content-kind.ts';
import { cutPlane } from '../cut/cut-rows.ts';
import { tracedBits } from '../traced.ts';
import { boxToPicture, effectiveResolution, gridToBox, regionOf } from '../placed.ts';

/** @throws MissingMaterial */
export function pyramidOf({ picture }: PictureContent, name: string, { pictures }: Materials): Pyramid {
  const found = pictures.get(picture);
  if (!found) throw new MissingMaterial('picture', name, picture);
  return found;
}

/** A pyramid's level with samples; `chooseLevel` names one that has them. */
function levelOf({ levels }: Pyramid, level: number): Picture {
  const picture = levels[level];
  if (!picture) throw new RangeError(`Level ${level} of the picture has no samples.`);
  return picture;
}

const heightOf = ({ crop }: PictureContent, width: number, picture: Size): number =>
  (width * crop.height * picture.height) / (crop.width * picture.width);

function alphaRows(picture: Picture): Rows {
  const { width, height } = picture;
  return {
    width,
    height,
    row: (y) => present(opacity(picture, { x: 0, y, width, height: 1 }), 'transparency').data,
  };
}

function placedCut(
  content: PictureContent,
  cut: CutOut,
  pyramid: Pyramid,
  toBox: PlacedCut['toRows'],
  { original, frame }: Placing,
): PlacedCut {
  const { crop } = content;
  const across = (crop.width * pyramid.width) / mmToPixels(original.placement.width, frame);
  const { plane, scale } = cutPlane(pyramid, cut, across);
  const toPicture = after(toBox, boxToPicture(crop, pyramid));
  return {
    rows: rowsOf(plane),
    toRows: after(toPicture, scaled(1 / scale)),
    soft: cut.softness > 0,
    strokes: cut.strokes,
    strokesToRows: scaled(pyramid.width / scale),
  };
}

/** A photograph, or any picture with tones; line work, once it has a line. */
export const pictureContent = defineContent<PictureContent>({
  kind: 'picture',
  file: ({ picture }) => ({ sha256: picture, kind: 'picture' }),
  height(content, width, picture) {
    if (!picture) throw new RangeError('The size of the picture is not known.');
    return heightOf(content, width, picture);
  },
  hasTones: ({ line }) => line === null,
  hasLine: ({ line }) => line !== null,
  isAllLine: ({ line }) => line !== null,
  hasColours: ({ line }) => line === null,
  cut: ({ cut }) => cut,
  uncut: (content) => ({ ...content, cut: null }),
  place(content, placing) {
    const { original, materials, frame } = placing;
    const { crop, line, cut } = content;
    const { width } = original.placement;
    const pyramid = pyramidOf(content, original.name, materials);
    const height = heightOf(content, width, pyramid);
    const toBox = gridToBox(original, height, frame);
    // A first picture makes do with half as fine a one.
    const coarser = frame.draft ? 2 : 1;
    const level = chooseLevel(pyramid, (coarser * crop.width * pyramid.width) / mmToPixels(width, frame));
    const picture = levelOf(pyramid, level);
    const scale = 2 ** level;
    const tones: PlacedTones = {
      toSource: after(after(toBox, boxToPicture(crop, pyramid)), scaled(1 / scale)),
      source: pictureSource(picture, scale, effectiveResolution(crop, width, pyramid)),
      ...(hasAlpha(picture) ? { alpha: alphaRows(picture) } : {}),
    };
    return {
      height,
      toBox,
      region: regionOf(toBox),
      tones,
      ...(line ? { line: (part) => tracedBits(line, original.tone, tones, toBox, part) } : {}),
      ...(cut ? { cut: placedCut(content, cut, pyramid, toBox, placing) } : {}),
    };
  },
  smallSource(content, { name, placement }, materials, pixels) {
    const pyramid = pyramidOf(content, name, materials);
    const level = chooseLevel(pyramid, 2 * Math.sqrt((pyramid.width * pyramid.height) / pixels));
    return pictureSource(
      levelOf(pyramid, level),
      2 ** level,
      effectiveResolution(content.crop, placement.width, pyramid),
    );
  },
});
