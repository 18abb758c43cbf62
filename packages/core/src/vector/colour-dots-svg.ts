import { HALF } from '../raster/plane.ts';
import { frameOf } from '../recipe/frame.ts';
import { after, moved, scaled } from '../raster/affine.ts';
import { MM_PER_INCH } from '../raster/frame.ts';
import { placeOriginal } from '../original/place-original.ts';
import type { OriginalRecipe } from '../recipe/recipe.ts';
import type { Scene } from '../recipe/scene.ts';
import { spotKey } from '../screen/kinds/dot-fields.ts';
import { spotOf } from '../screen/spot/index.ts';
import { escaped } from './escaped.ts';
import { outlinesOf } from './lattice-dot.ts';
import { drawLoop } from './lattice-path.ts';
import { pathData, type PathData } from './path-data.ts';
import { cellColours } from '../original/colour-dots/cell-colours.ts';
import type { ColourDots } from '../recipe/colour-dots.ts';
import { dotLattice } from '../original/colour-dots/dot-lattice.ts';

/** Units of the file across a cell, at least. */
const PER_PITCH = 800;
/** Pixels along a cell of the grid that says which dots are there. */
const PER_CELL = 4;

const hex = (value: number): string => value.toString(16).padStart(2, '0');

/**
 * An original's colour dots as SVG: dots of one colour are one path, and each dot is true geometry. A dot is there, whole,
 * when its middle is.
 */
export function colourDotsSvg(original: OriginalRecipe, dots: ColourDots, scene: Scene): string {
  const { sheet } = scene.recipe;
  const frame = frameOf(sheet, dots.ruling * PER_CELL);
  const { region, mask: maskIn } = placeOriginal({ original, materials: scene, frame });
  const mask = maskIn(region);
  const colourOf = cellColours(original, dots, scene, frame);
  const { toCells, toGrid, cell } = dotLattice(dots, frame);
  const perMm = 10 ** Math.ceil(Math.log10((PER_PITCH / MM_PER_INCH) * dots.ruling));
  const scale = (MM_PER_INCH / frame.resolution) * perMm;
  const [xx, yx] = toGrid(1, 0);
  const [xy, yy] = toGrid(0, 1);
  const toPath = after({ xx, xy, x0: 0, yx, yy, y0: 0 }, scaled(scale));
  const outline = outlinesOf(spotKey(dots), spotOf(dots.spot, dots).outline);
  const corners = [0, 1, 2, 3].map((k) =>
    toCells(region.x + (k & 1) * region.width, region.y + (k >> 1) * region.height),
  );
  const span = (axis: 0 | 1) => {
    const values = corners.map((corner) => corner[axis]);
    return [Math.floor(Math.min(...values)), Math.ceil(Math.max(...values))];
  };
  const [left, right] = span(0);
  const [top, foot] = span(1);
  const paths = new Map<string, PathData>();
  for (let j = top; j < foot; j++) {
    for (let i = left; i < right; i++) {
      const { red, green, blue, covers } = colourOf(i, j);
      if (covers <= 0) continue;
      const [x, y] = toGrid(i + 0.5, j + 0.5);
      const column = Math.floor(x) - region.x;
      const row = Math.floor(y) - region.y;
      if (column < 0 || row < 0 || column >= region.width || row >= region.height) continue;
      if (mask && mask.data[row * region.width + column] < HALF) continue;
      const name = `#${hex(red)}${hex(green)}${hex(blue)}`;
      let path = paths.get(name);
      if (!path) paths.set(name, (path = pathData()));
      const ofCell = after(moved(i + 0.5, j + 0.5), toPath);
      for (const loop of outline(covers).loops) drawLoop(loop, ofCell, cell * scale, -dots.angle, path);
    }
  }
  const width = sheet.width + 2 * sheet.bleed;
  const height = sheet.height + 2 * sheet.bleed;
  const drawn = [...paths].map(
    ([colour, path]) => `<path fill="${colour}" d="${path.text().replace(/^m/, 'M')}"/>`,
  );
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${Math.round(width * perMm)} ${Math.round(height * perMm)}">` +
    `<title>${escaped(original.name)}</title><g fill-rule="evenodd">${drawn.join('')}</g></svg>\n`
  );
}
