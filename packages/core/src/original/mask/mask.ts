import { cutPlane } from '../cut/cut-rows.ts';
import { containerBits, containerDrawing } from './container.ts';
import { fadeBits, fadeGradient, type PlacedRows } from './fade.ts';
import { softShape } from './soft-shape.ts';
import { wholeDots } from './whole-dots.ts';
import { after, scaled } from '../../raster/affine.ts';
import type { Bits } from '../../raster/bits.ts';
import { createPlane, SOLID, type Plane } from '../../raster/plane.ts';
import type { Region } from '../../raster/region.ts';
import { rowsOf } from '../../raster/rows.ts';
import { readInto } from '../../raster/read-rows.ts';
import { latticeOf, type Screen } from '../../screen/screen.ts';
import { toneRows, toTones } from '../../tone/tone-rows.ts';
import { mmToPixels, type Frame } from '../../raster/frame.ts';
import { boxToPicture, gridToBox, placedHeight } from '../placed.ts';
import { pictureOf, readOriginal } from '../read-original.ts';
import type { OriginalRecipe } from '../../recipe/recipe.ts';
import type { Materials } from '../../recipe/scene.ts';

/** True when something other than an original's own box and alpha says where it is seen. */
export const isMasked = ({ content, container, fade }: OriginalRecipe): boolean =>
  container !== null || fade !== null || (content.kind === 'picture' && content.cut !== null);

/**
 * Where an original is seen in a region of a grid: 65535 = there, 0 = not. Its container, cut-out and fade all have their
 * say; its own alpha does not.
 *
 * @param screen of the plate, whose dots stay whole at a container's edge if it says so; none for a picture on screen
 * @returns undefined when nothing hides any of it
 */
export function maskOf(
  original: OriginalRecipe,
  materials: Materials,
  screen: Screen | undefined,
  frame: Frame,
  region: Region,
): Plane | undefined {
  if (!isMasked(original)) return undefined;
  const { content, placement, container, fade } = original;
  const height = placedHeight(original, pictureOf(original, materials));
  const toBox = gridToBox(original, height, frame);
  const out = createPlane(region.width, region.height, SOLID);
  const lattice = screen && latticeOf(screen);
  if (container) {
    const drawing = containerDrawing(original, materials);
    const ratio = height / placement.width;
    const paint = (on: Frame, part: Region): Bits =>
      containerBits(
        container,
        drawing,
        original,
        ratio,
        on === frame ? toBox : gridToBox(original, height, on),
        on,
        part,
      );
    if (container.feather > 0) {
      const reach = Math.max(0, container.margin) + Math.max(placement.width, height) / 2;
      const box = {
        x: placement.x + placement.width / 2 - reach * Math.SQRT2,
        y: placement.y + height / 2 - reach * Math.SQRT2,
        width: 2 * reach * Math.SQRT2,
        height: 2 * reach * Math.SQRT2,
      };
      const key = JSON.stringify(['container', container, placement, height]);
      keepWhere(out, softShape(key, box, container.feather / 2, paint, frame, region));
    } else if (container.edge === 'whole' && lattice?.supercell && lattice.mark === 'dot') {
      const cell = lattice.supercell(frame.resolution, frame.draft);
      keepBits(
        out,
        wholeDots(cell, (part) => paint(frame, part), region),
      );
    } else {
      keepBits(out, paint(frame, region));
    }
  }
  if (content.kind === 'picture' && content.cut) {
    const pyramid = pictureOf(original, materials)!;
    const toPicture = after(toBox, boxToPicture(content.crop, pyramid));
    const across = (content.crop.width * pyramid.width) / mmToPixels(placement.width, frame);
    const { plane, scale } = cutPlane(pyramid, content.cut, across);
    const cut = createPlane(region.width, region.height);
    readInto(rowsOf(plane), after(toPicture, scaled(1 / scale)), region, cut);
    if (content.cut.softness === 0) {
      for (let i = 0; i < cut.data.length; i++) cut.data[i] = cut.data[i] >= 32768 ? SOLID : 0;
    }
    keepWhere(out, cut);
  }
  if (fade) {
    const ratio = height / placement.width;
    const byTone = fade.by === 'tone' && (content.kind === 'picture' || content.kind === 'gradient');
    const placed = (on: Frame): PlacedRows => {
      const box = on === frame ? toBox : gridToBox(original, height, on);
      if (!byTone) return fadeGradient(fade, placement.width, ratio, box);
      const { source, toSource } = readOriginal(original, materials, on);
      const rows = toneRows(source, original.tone);
      return { rows, map: toTones(toSource, source, rows), toBox: box };
    };
    keepBits(out, fadeBits(fade, placed, ratio, frame, region));
  }
  return out;
}

function keepWhere(plane: Plane, other: Plane): void {
  for (let i = 0; i < plane.data.length; i++) {
    const value = other.data[i];
    plane.data[i] = value === SOLID ? plane.data[i] : Math.round((plane.data[i] * value) / SOLID);
  }
}

function keepBits(plane: Plane, bits: Bits): void {
  for (let y = 0; y < plane.height; y++) {
    const base = y * plane.width;
    for (let x = 0; x < plane.width; x += 8) {
      const byte = bits.data[y * bits.stride + (x >> 3)];
      if (byte === 255) continue;
      const end = Math.min(plane.width, x + 8);
      if (byte === 0) plane.data.fill(0, base + x, base + end);
      else for (let k = x; k < end; k++) if (!(byte & (0x80 >> (k & 7)))) plane.data[base + k] = 0;
    }
  }
}

/** Takes away the bits where more is hidden than seen. */
export function keepMasked(bits: Bits, mask: Plane): void {
  for (let y = 0, i = 0; y < mask.height; y++) {
    for (let x = 0; x < mask.width; x++, i++) {
      if (mask.data[i] < 32768) bits.data[y * bits.stride + (x >> 3)] &= ~(0x80 >> (x & 7));
    }
  }
}

/** Where an original with a container may be seen beyond its own box, in mm. */
export const maskReach = ({ container }: OriginalRecipe): number =>
  container ? Math.max(0, container.margin) + container.feather * 2 : 0;
