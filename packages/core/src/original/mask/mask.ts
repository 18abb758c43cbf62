import type { Frame } from '../../raster/frame.ts';
import { after, inverse, moved } from '../../raster/affine.ts';
import { clearBit, type Bits } from '../../raster/bits.ts';
import { createPlane, HALF, SOLID, type Plane } from '../../raster/plane.ts';
import { readInto } from '../../raster/read-rows.ts';
import { wholeOf, type Region } from '../../raster/region.ts';
import type { Container } from '../../recipe/container.ts';
import { materialsKey } from '../../recipe/materials-key.ts';
import type { OriginalRecipe } from '../../recipe/recipe.ts';
import { latticeOf, type Screen } from '../../screen/screen.ts';
import type { Supercell } from '../../screen/supercell.ts';
import { paintStroke } from '../../tone/paint-stroke.ts';
import { toneRows, toTones } from '../../tone/tone-rows.ts';
import type { PlacedContent, PlacedCut, Placing } from '../content-kind.ts';
import { contentKind } from '../contents/index.ts';
import { gridToBox } from '../placed.ts';
import { containerBits, containerDrawing } from './container.ts';
import { fadeBits, fadeGradient, fadeTone, type PlacedRows } from './fade.ts';
import { softShape } from './soft-shape.ts';
import { wholeDots } from './whole-dots.ts';

/** True when something other than an original's own box and alpha says where it is seen. */
export const isMasked = ({ content, container, fade }: OriginalRecipe): boolean =>
  container !== null || fade !== null || (contentKind(content).cut?.(content) ?? null) !== null;

/** Cache key: equal iff an original's container holds the same places of the same grid. */
const containerKey = ({ container, placement }: OriginalRecipe, height: number, frame: Frame): string =>
  JSON.stringify([container, placement, height, frame]);

/** Cache key: equal iff an original is seen in the same places of the same grid, dots cut. */
export function maskKey(placing: Placing, height: number): string {
  const { original, materials, frame } = placing;
  const { content, fade, tone } = original;
  const inContainer = containerKey(original, height, frame);
  if (fade === null && (contentKind(content).cut?.(content) ?? null) === null) return inContainer;
  return JSON.stringify([inContainer, content, fade, fade && tone, materialsKey(materials)]);
}

/**
 * Where an original is seen in a region of a grid: 65535 = there, 0 = not. Its container, cut-out and fade all have their say; its own
 * alpha does not.
 *
 * @param placed  its content on that grid
 * @param placeOn its content on another
 * @param screen  of the plate, whose dots stay whole at a container's edge if it says so
 */
export function maskOf(
  placing: Placing,
  placed: PlacedContent,
  placeOn: (placing: Placing) => PlacedContent,
  region: Region,
  screen?: Screen,
): Plane {
  const { container, fade } = placing.original;
  const out = createPlane(region.width, region.height, SOLID);
  if (container) keepContainer(out, container, placing, placed, region, screen);
  if (placed.cut) keepCut(out, placed.cut, region);
  if (fade) {
    const { width } = placing.original.placement;
    const ratio = placed.height / width;
    const rowsOn = (frame: Frame): PlacedRows => {
      const { tones, toBox } = frame === placing.frame ? placed : placeOn({ ...placing, frame });
      if (fade.by !== 'tone' || !tones) return fadeGradient(fade, width, ratio, toBox);
      const rows = toneRows(tones.source, placing.original.tone);
      return { rows, map: toTones(tones.toSource, tones.source, rows), toBox };
    };
    if (fade.soft && placed.tones)
      keepWhere(
        out,
        fadeTone(fade, rowsOn(placing.frame), ratio, region, createPlane(region.width, region.height)),
      );
    else keepBits(out, fadeBits(fade, rowsOn, ratio, placing.frame, region));
  }
  return out;
}

/** The cells of a screen whose dots stay whole at a container's edge; undefined where they are cut. */
export function wholeCell(container: Container | null, screen: Screen, frame: Frame): Supercell | undefined {
  if (container?.edge !== 'whole' || container.feather > 0) return undefined;
  const lattice = latticeOf(screen);
  return lattice?.mark === 'dot' ? lattice.supercell?.(frame.resolution, frame.draft) : undefined;
}

/** Takes away what lies outside of a container. */
function keepContainer(
  out: Plane,
  container: Container,
  { original, materials, frame }: Placing,
  { height, toBox }: PlacedContent,
  region: Region,
  screen: Screen | undefined,
): void {
  const { placement } = original;
  const drawing = containerDrawing(original, materials);
  const ratio = height / placement.width;
  const paint = (on: Frame, part: Region): Bits => {
    const map = on === frame ? toBox : gridToBox(original, height, on);
    return containerBits(container, drawing, original, ratio, map, on, part);
  };
  if (container.feather > 0) {
    const reach =
      Math.max(0, container.margin) + (container.torn?.depth ?? 0) + Math.max(placement.width, height) / 2;
    const box = {
      x: placement.x + placement.width / 2 - reach * Math.SQRT2,
      y: placement.y + height / 2 - reach * Math.SQRT2,
      width: 2 * reach * Math.SQRT2,
      height: 2 * reach * Math.SQRT2,
    };
    const key = JSON.stringify(['container', container, placement, height]);
    keepWhere(out, softShape(key, box, container.feather / 2, paint, frame, region));
  } else {
    const cell = screen && wholeCell(container, screen, frame);
    if (cell) {
      keepBits(
        out,
        wholeDots(
          cell,
          {
            in: (part) => {
              const plane = createPlane(part.width, part.height, SOLID);
              keepBits(plane, paint(frame, part));
              return plane;
            },
            sheet: wholeOf(frame),
            key: () => containerKey(original, height, frame),
          },
          region,
        ),
      );
      return;
    }
    keepBits(out, paint(frame, region));
  }
}

/** Takes away what is cut out. */
function keepCut(
  out: Plane,
  { rows, toRows, soft, strokes, strokesToRows }: PlacedCut,
  region: Region,
): void {
  const cut = createPlane(region.width, region.height);
  readInto(rows, toRows, region, cut);
  const toRegion = after(strokesToRows, after(inverse(toRows), moved(-region.x, -region.y)));
  for (const stroke of strokes) paintStroke(cut, stroke, toRegion);
  if (!soft) for (let i = 0; i < cut.data.length; i++) cut.data[i] = cut.data[i] >= HALF ? SOLID : 0;
  keepWhere(out, cut);
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
      if (mask.data[i] < HALF) clearBit(bits, x, y);
    }
  }
}

/** Where an original with a container may be seen beyond its own box, in mm. */
export const maskReach = ({ container }: OriginalRecipe): number =>
  container ? Math.max(0, container.margin) + container.feather * 2 + (container.torn?.depth ?? 0) : 0;
