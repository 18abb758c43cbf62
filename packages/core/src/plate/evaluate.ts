import type { LineBits } from '../drawing/paint-drawing.ts';
import { addBits, clearBits, createBits, enlargeBits, type Bits } from '../raster/bits.ts';
import { createPlane } from '../raster/plane.ts';
import { cutRows, rowsOf } from '../raster/rows.ts';
import { bands, grownRegion, intersect, type Region } from '../raster/region.ts';
import { withWorkPlane } from '../raster/work-memory.ts';
import { screenKind } from '../screen/kinds/index.ts';
import type { PlaceScreener } from '../screen/kinds/kind.ts';
import { BAND_PIXELS, coarseRegion, screened, type CoverageReader } from '../screen/screened.ts';
import { canScreenRows, screenRows } from '../screen/screen-rows.ts';
import { lineGridOf, screenerFor, screenGridOf, type Screen } from '../screen/screen.ts';
import type { Thresholds } from '../screen/thresholds.ts';
import { prepareSequential, sequentialPrint } from './sequential.ts';
import { composedArt } from './composed-art.ts';
import { withSharpFlats } from './flat-plate.ts';
import { hasLines, plainPlateArt, plateArt } from './plate-art.ts';
import { dotTransfer, plateTransfer, printedByFilm } from './plate-transfer.ts';
import { knockOutThreads } from './mesh-bits.ts';
import { edgeGrowth, grownLine, withGrownEdges } from './printed-edges.ts';
import type { Frame } from '../raster/frame.ts';
import { asFilms } from '../recipe/as-printed.ts';
import type { Scene } from '../recipe/scene.ts';

/** Pixels of line work drawn at once. */
const LINE_PIXELS = 1 << 20;

/** True when a plate has to be made from its top down, whatever part of it is wanted. */
export const isSequential = ({ kind, settings }: Screen): boolean => screenKind(kind).sequential(settings);

/**
 * The one way from a recipe to a plate: the bits of any region of any plate on any grid. The table, the loupe, the
 * rack, pictures of jobs and films all come from here; on the film's own grid it gives the film's own bits.
 *
 * @param out bits of the region's size that may be written over and given back
 */
export function plateBits(given: Scene, plate: number, frame: Frame, region: Region, out?: Bits): Bits {
  const bits = inkedBits(given, plate, frame, region, out);
  const { throughMesh, press } = given.recipe;
  if (throughMesh && press?.press.mesh) knockOutThreads(bits, press.press.mesh, frame, region);
  return bits;
}

/** The same without what a mesh stops of it. */
function inkedBits(given: Scene, plate: number, frame: Frame, region: Region, out?: Bits): Bits {
  const scene = withSharpFlats(given, plate, frame);
  const { screen } = scene.recipe.plates[plate];
  const growth = edgeGrowth(scene.recipe, frame);
  if (!isSequential(screen) && screenGridOf(screen, frame).times === 1 && hasOwnDots(screen, growth)) {
    const screener = screenerFor(screen, frame, dotTransfer(scene.recipe, plate));
    if (!screener.sequential && screener.margin === 0)
      return inOnePass(scene, plate, frame, region, screener, out);
  }
  const bits = toneBits(scene, plate, frame, region);
  if (hasLines(scene, plate)) {
    layLines(bits, region, growth, (part) => lineWork(scene, plate, frame, part));
  }
  return bits;
}

/** A plate's line work in a region, on the film's own grid or enlarged from its screen's coarse one. */
function lineWork(scene: Scene, plate: number, frame: Frame, region: Region): LineBits | undefined {
  const grid = lineGridOf(scene.recipe.plates[plate].screen, frame);
  const part = grid.times === 1 ? region : coarseRegion(region, grid.times, grid.frame);
  const line = withWorkPlane(
    part.width,
    part.height,
    (work) => plateArt(scene, plate, grid.frame, part, work).line,
  );
  if (!line || grid.times === 1) return line;
  const enlarged = (bits: Bits) => enlargeBits(bits, part.x, part.y, grid.times, region);
  return { ink: enlarged(line.ink), bare: enlarged(line.bare) };
}

/** True where what is printed of a screen's tones are dots of printed tones, not the film's own bits with their edges moved. */
const hasOwnDots = ({ kind }: Screen, growth: number): boolean =>
  growth === 0 || screenKind(kind).hasDots !== false;

/** The same without line work: what the screen makes of the plate's tones. */
export function toneBits(given: Scene, plate: number, frame: Frame, region: Region): Bits {
  const scene = withSharpFlats(given, plate, frame);
  const { screen } = scene.recipe.plates[plate];
  const read = toneReader(scene, plate);
  const { recipe } = scene;
  const growth = edgeGrowth(recipe, frame);
  if (!hasOwnDots(screen, growth)) {
    const film = { ...scene, recipe: asFilms(recipe) };
    return withGrownEdges((part) => toneBits(film, plate, frame, part), growth, frame, region);
  }
  return isSequential(screen)
    ? sequentialPrint(scene, plate, frame, region, read, printedByFilm(recipe, plate))
    : screened(screen, frame, region, read, dotTransfer(recipe, plate));
}

/** Tones and line work out of one pass over the originals. */
function inOnePass(
  scene: Scene,
  plate: number,
  frame: Frame,
  region: Region,
  screener: PlaceScreener,
  out: Bits = createBits(region.width, region.height),
): Bits {
  const thresholds = quickThresholds(scene, plate, frame);
  const growth = edgeGrowth(scene.recipe, frame);
  const reach = hasLines(scene, plate) ? Math.floor(Math.abs(growth)) : 0;
  const plain = thresholds && plainPlateArt(scene, plate, frame, withinSheet(region, reach, frame));
  if (plain) {
    const { tones, lines } = plain;
    if (!tones) out.data.fill(0);
    else {
      const { rows, map } = tones;
      const [across, down] = [
        { origin: map.x0, step: map.xx },
        { origin: map.y0, step: map.yy },
      ];
      screenRows(rows, across, down, region, thresholds, out);
    }
    if (lines.length === 0) return out;
    const over = { ...scene, recipe: { ...scene.recipe, originals: lines } };
    // They lay no tones, so none are given.
    layLines(out, region, growth, (part) => composedArt(over, plate, frame, part, createPlane(0, 0)).line);
    return out;
  }
  for (const band of bands(region, BAND_PIXELS, Math.max(8, 3 * reach))) {
    const around = grownRegion(band, reach);
    withWorkPlane(around.width, around.height, (work) => {
      const { tone, line } = plateArt(scene, plate, frame, around, work);
      const inner = reach === 0 ? tone : cutRows(rowsOf(tone), { ...band, x: reach, y: reach });
      out.data.set(screener.screen(inner, band).data, (band.y - region.y) * out.stride);
      if (line) layLine(out, grownLine(line, growth, reach), band.y - region.y);
    });
  }
  return out;
}

/** A region with so many pixels more on every side, as far as the sheet goes. */
const withinSheet = (region: Region, by: number, { width, height }: Frame): Region =>
  by === 0 ? region : intersect(grownRegion(region, by), { x: 0, y: 0, width, height });

/**
 * Lays line work over the bits of a region, band by band.
 *
 * @param growth how far its edges are moved, in pixels
 * @param lineIn gives the line work of a region
 */
function layLines(
  bits: Bits,
  region: Region,
  growth: number,
  lineIn: (part: Region) => LineBits | undefined,
): void {
  const reach = Math.floor(Math.abs(growth));
  // Bands of a multiple of four rows begin with a whole word in memory, so that bits are laid word by word.
  const rows = (Math.max(8, 3 * reach, LINE_PIXELS / Math.max(1, region.width)) + 3) & ~3;
  for (const band of bands(region, 0, rows)) {
    const line = lineIn(grownRegion(band, reach));
    if (line) layLine(bits, grownLine(line, growth, reach), band.y - region.y);
  }
}

/** Thresholds that a plate's whole transfer is folded into, where its screen is a comparison and that can be. */
function quickThresholds({ recipe }: Scene, plate: number, frame: Frame): Thresholds | undefined {
  const own = recipe.plates[plate];
  const transfer = plateTransfer(recipe, plate);
  if (!transfer.foldable) return undefined;
  const screener = screenerFor(own.screen, frame, transfer);
  if (screener.sequential || !screener.thresholds) return undefined;
  return canScreenRows(screener.thresholds) ? screener.thresholds : undefined;
}

/** Lays line work over rows of bits from `row` on. */
function layLine(bits: Bits, line: LineBits, row: number): void {
  const { stride, height } = line.ink;
  const rows = { ...line.ink, data: bits.data.subarray(row * stride, (row + height) * stride) };
  clearBits(rows, line.bare);
  addBits(rows, line.ink);
}

/** Reads a plate's coverage. */
const toneReader =
  (scene: Scene, plate: number): CoverageReader =>
  (frame, region, out) =>
    plateArt(scene, plate, frame, region, out).tone;

/**
 * Makes a plate whose screen carries something on a little further, so that long work can be left in between.
 *
 * @param row    of the film that is wanted
 * @param pixels made at most, about
 * @returns true when it has come as far as wanted; at once for plates that carry nothing on
 */
export function preparePlate(
  scene: Scene,
  plate: number,
  frame: Frame,
  row: number,
  pixels: number,
): boolean {
  if (!isSequential(scene.recipe.plates[plate].screen)) return true;
  return prepareSequential(scene, plate, frame, row, pixels, toneReader(scene, plate));
}
