import { labToHex } from '../colour/lab.ts';
import { plateBits } from '../plate/evaluate.ts';
import { hasLines, isEdged, plateArt } from '../plate/plate-art.ts';
import { filmFrame, frameOf } from '../plate/frame.ts';
import { MM_PER_INCH } from '../raster/frame.ts';
import type { OriginalRecipe } from '../plate/recipe.ts';
import type { Scene } from '../plate/scene.ts';
import { countInk } from '../raster/bits.ts';
import { SOLID } from '../raster/plane.ts';
import { limitTable } from '../screen/dot-limits.ts';
import { latticeOf } from '../screen/screen.ts';
import { escaped } from './escaped.ts';
import { cellShapeOf } from './cell-shapes.ts';
import { latticePath } from './lattice-path.ts';
import { pathData, type PathData } from './path-data.ts';
import { pixelPath } from './pixel-path.ts';

/** Units of the file in a millimetre, for outlines of pixels: 1 µm each. */
const PER_MM = 1000;
/** A cell has at least so many units across, so that rounding changes no dot by anything that counts. */
const PER_PITCH = 800;
/** Pixels of tone along a cell. */
const PER_CELL = 3;

/** How a plate's geometry came about: dots computed from the tone, or the outlines of its film's pixels. */
export type VectorManner = 'dots' | 'outlines';

export interface PlateSvg {
  readonly text: string;
  readonly manner: VectorManner;
  /** Share of the film that is inked, 0–1. */
  readonly inked: number;
}

/** True when an original is there with whole dots or not at all, so that its dots follow from its tones alone. */
const isPlainTone = ({ container, fade, mix, content, route }: OriginalRecipe): boolean =>
  route.kind !== 'bands' &&
  fade === null &&
  mix === null &&
  (container === null || container.edge === 'whole' || container.feather > 0) &&
  (content.kind !== 'picture' || content.cut === null);

/** How a plate's geometry is made. */
export function vectorManner(scene: Pick<Scene, 'recipe'>, plate: number): VectorManner {
  const { screen } = scene.recipe.plates[plate];
  const straight = screen.coarse === 0 && latticeOf(screen)?.supercell !== undefined;
  const plain = scene.recipe.originals.every((original) => !original.shown || isPlainTone(original));
  return straight && plain && !isEdged(scene.recipe, plate) && !hasLines(scene, plate) ? 'dots' : 'outlines';
}

/**
 * A plate as SVG: one compound path in its ink's colour, filled by the even-odd rule; what is not ink is nothing. Dots on a
 * straight lattice are true geometry computed from the tone; everything else is outlined from the film's own pixels.
 *
 * @param smooth how far outlines of pixels may stray from them, in film pixels; 0 for their very sides
 */
export function plateSvg(scene: Scene, plate: number, title: string, smooth: number): PlateSvg {
  const { recipe } = scene;
  const ink = recipe.inks.find(({ id }) => id === recipe.plates[plate].ink)!;
  const frame = filmFrame(recipe);
  const manner = vectorManner(scene, plate);
  const out = pathData();
  const ruling = latticeOf(recipe.plates[plate].screen)?.ruling ?? 0;
  const perMm = manner === 'dots' ? 10 ** Math.ceil(Math.log10((PER_PITCH / MM_PER_INCH) * ruling)) : PER_MM;
  const inked =
    manner === 'dots' ? drawDots(scene, plate, perMm, out) : drawOutlines(scene, plate, perMm, smooth, out);
  const mm = (pixels: number) => Number(((pixels / frame.resolution) * MM_PER_INCH).toFixed(4));
  const [width, height] = [mm(frame.width), mm(frame.height)];
  const box = `${Math.round(width * perMm)} ${Math.round(height * perMm)}`;
  const text =
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${box}">` +
    `<title>${escaped(title)}</title><g id="${escaped(ink.name.replace(/\s+/g, '-'))}" fill="${labToHex(ink.lab)}">` +
    `<path fill-rule="evenodd" d="${out.text().replace(/^m/, 'M')}"/></g></svg>\n`;
  return { text, manner, inked };
}

function drawOutlines(scene: Scene, plate: number, perMm: number, smooth: number, out: PathData): number {
  const frame = filmFrame(scene.recipe);
  const bits = plateBits(scene, plate, frame, { x: 0, y: 0, width: frame.width, height: frame.height });
  pixelPath(bits, smooth, (MM_PER_INCH / frame.resolution) * perMm, out);
  return countInk(bits) / (bits.width * bits.height);
}

function drawDots(scene: Scene, plate: number, perMm: number, out: PathData): number {
  const { recipe } = scene;
  const { screen } = recipe.plates[plate];
  const film = filmFrame(recipe);
  const lattice = latticeOf(screen)!;
  const supercell = lattice.supercell!(film.resolution);
  const grid = frameOf(recipe.sheet, supercell.ruling * PER_CELL);
  const { tone } = plateArt(scene, plate, grid, { x: 0, y: 0, width: grid.width, height: grid.height });
  const table = limitTable(lattice.limited(screen));
  const step = grid.resolution / film.resolution;
  const read = (x: number, y: number): number => {
    const column = Math.min(grid.width - 1, Math.max(0, Math.floor(x)));
    const row = Math.min(grid.height - 1, Math.max(0, Math.floor(y)));
    return tone.data[row * grid.width + column];
  };
  let sum = 0;
  const toneAt = (x: number, y: number): number => {
    // The mean over most of the cell; a dot whose middle is bare is none.
    const [u, v] = [x * step, y * step];
    const middle = read(u, v);
    if (middle === 0) return 0;
    let asked = 0;
    for (let j = -1; j <= 1; j++) for (let i = -1; i <= 1; i++) asked += read(u + i, v + j);
    asked = Math.round(asked / 9);
    const made = (table ? table[asked] : asked) / SOLID;
    if (x >= 0 && y >= 0 && x < film.width && y < film.height) sum += made;
    return made;
  };
  const key = JSON.stringify([screen.settings.spot, screen.settings.aspect, screen.settings.motif]);
  const shape = cellShapeOf(screen.settings as unknown as Parameters<typeof cellShapeOf>[0])!;
  latticePath(supercell, key, shape, film, toneAt, (MM_PER_INCH / film.resolution) * perMm, out);
  return Math.min(1, (sum * (supercell.pixels / supercell.cells)) / (film.width * film.height));
}
