import { frameOf } from '../recipe/frame.ts';
import type { Scene } from '../recipe/scene.ts';
import { bands } from '../raster/region.ts';
import type { Frame } from '../raster/frame.ts';
import { cutRows, rowsOf } from '../raster/rows.ts';
import { SOLID, type Plane } from '../raster/plane.ts';
import { screenKind } from '../screen/kinds/index.ts';
import type { Excess } from '../screen/kinds/kind.ts';
import { latticeOf, limitsOf, screenTransfer, type Screen } from '../screen/screen.ts';
import { clipped } from './clipped.ts';
import { rectangle, without, type Area } from '../path/area.ts';
import { latticePath } from './lattice-path.ts';
import { levelPath } from './level-path.ts';
import type { PathData } from './path-data.ts';
import { edgeDistance } from './edge-distance.ts';
import { bitsIn, tonesOf, tonesWithin } from './tone-field.ts';
import type { Units } from './units.ts';

/** Pixels of tone along a cell of a straight lattice. */
const PER_CELL = 3;
/** Points along a cell at which the edges of dots are looked for; the thinnest lines must not fall between two. */
const PER_BENT_CELL = { dot: 16, line: 24 };
/** From so many points on half as many do. */
const MANY_POINTS = 150e6;
/** Cells that an outline may stray from a dot's edge, to save points. */
const STRAYS = 0.002;
/** Pixels whose tones are had at once. */
const TONE_PIXELS = 1 << 21;

/** How a screen's dots are geometry: each by its size, or by where coverage passes a threshold; undefined where they are pixels. */
export function dotsManner(screen: Screen): 'lattice' | 'contours' | undefined {
  if (screen.coarse > 0) return undefined;
  if (latticeOf(screen)?.supercell) return 'lattice';
  return screenKind(screen.kind).contours ? 'contours' : undefined;
}

/** Draws a plate's dots as geometry out of its tones, each part of the sheet by itself and cut to it. */
export function dotsPath(
  scene: Scene,
  plate: number,
  faces: readonly Area[],
  units: Units,
  out: PathData,
): void {
  const { screen } = scene.recipe.plates[plate];
  const draw = dotsManner(screen) === 'lattice' ? latticeDots : contourDots;
  const whole = faces.length === 1 && isWhole(faces[0], units);
  for (const face of faces) draw(scene, plate, whole ? undefined : face, units, out);
}

/** True for a part that has no edge on the sheet. */
const isWhole = (face: Area, { frame }: Units): boolean =>
  without(rectangle({ left: 0, top: 0, right: frame.width, foot: frame.height }), face).length === 0;

type Draw = (scene: Scene, plate: number, face: Area | undefined, units: Units, out: PathData) => void;

/** Dots of a straight lattice, by the tone at each. */
const latticeDots: Draw = (scene, plate, face, units, out) => {
  const { recipe } = scene;
  const { screen } = recipe.plates[plate];
  const { film } = units;
  const lattice = latticeOf(screen)!;
  const supercell = lattice.supercell!(film.resolution);
  const grid = frameOf(recipe.sheet, supercell.ruling * PER_CELL);
  const tone = planeOf(scene, plate, face, units, grid);
  const { film: made } = screenTransfer(screen);
  const step = grid.resolution / film.resolution;
  const read = (x: number, y: number): number => {
    const column = Math.min(grid.width - 1, Math.max(0, Math.floor(x)));
    const row = Math.min(grid.height - 1, Math.max(0, Math.floor(y)));
    return tone.data[row * grid.width + column];
  };
  const toneAt = (x: number, y: number): number => {
    // The mean over most of the cell; a dot whose middle is bare is none.
    const [u, v] = [x * step, y * step];
    const middle = read(u, v);
    if (middle === 0) return 0;
    let asked = 0;
    for (let j = -1; j <= 1; j++) for (let i = -1; i <= 1; i++) asked += read(u + i, v + j);
    asked = Math.round(asked / 9);
    return made(asked) / SOLID;
  };
  const { spot, spotKey } = lattice;
  const cut = face ? clipped(out, face) : undefined;
  latticePath(
    supercell,
    spotKey,
    spot.outline,
    film,
    toneAt,
    units.frame.resolution / film.resolution,
    cut ?? out,
  );
  cut?.finish();
};

/** A plate's tones, or those of a part of the sheet, on a whole grid. */
function planeOf(scene: Scene, plate: number, face: Area | undefined, units: Units, grid: Frame): Plane {
  const whole = { x: 0, y: 0, width: grid.width, height: grid.height };
  const tones = tonesOf(scene, plate, grid, whole);
  return face ? tonesWithin(tones, bitsIn(face, units, grid, whole)) : tones;
}

/** Dots that stand in no straight lattice, by where coverage passes their threshold. */
const contourDots: Draw = (scene, plate, face, units, out) => {
  const { recipe } = scene;
  const { screen } = recipe.plates[plate];
  const { ruling, mark } = latticeOf(screen)!;
  const fine = frameOf(recipe.sheet, ruling * PER_BENT_CELL[mark]);
  const perCell = PER_BENT_CELL[mark] / (fine.width * fine.height > MANY_POINTS ? 2 : 1);
  const grid = frameOf(recipe.sheet, ruling * perCell);
  const { margin, over } = screenKind(screen.kind).contours!(screen.settings, limitsOf(screen), grid);
  const rows = excessRows(scene, plate, face, units, grid, margin, over);
  const scale = units.frame.resolution / grid.resolution;
  levelPath(
    { edge: 0, width: grid.width + 1, height: grid.height + 1, ...rows },
    scale,
    STRAYS * perCell,
    out,
  );
};

/** Rows of how far coverage at the corners of pixels is above its threshold, and where between two of them it is just that. */
function excessRows(
  scene: Scene,
  plate: number,
  face: Area | undefined,
  units: Units,
  grid: Frame,
  margin: number,
  over: (coverage: Plane, region: { x: number; y: number; width: number; height: number }) => Excess,
) {
  const whole = { x: 0, y: 0, width: grid.width, height: grid.height };
  const parts = [...bands(whole, TONE_PIXELS, Math.max(16, 3 * margin))];
  let band = -1;
  let [tones, excess, top]: [Plane | undefined, Excess | undefined, number] = [undefined, undefined, 0];
  let depths: Float32Array | undefined;
  /** Two rows above a band are still looked at from it. */
  const reach = margin + 2;
  const enter = (y: number): void => {
    // The last row of corners belongs to the last row of pixels.
    const row = Math.min(grid.height - 1, y);
    if (band >= 0 && row < parts[band].y + parts[band].height) return;
    while (band < 0 || row >= parts[band].y + parts[band].height) band++;
    const part = parts[band];
    const around = {
      x: -margin,
      y: part.y - reach,
      width: grid.width + 2 * margin,
      height: part.height + 2 * reach,
    };
    const art = tonesOf(scene, plate, grid, around);
    const own = face ? tonesWithin(art, bitsIn(face, units, grid, around)) : art;
    const region = { x: 0, y: part.y - 2, width: grid.width, height: part.height + 4 };
    excess = over(own, region);
    tones =
      margin === 0
        ? own
        : cutRows(rowsOf(own), { x: margin, y: margin, width: grid.width, height: region.height });
    top = region.y;
    if (face) depths = edgeDistance(face, units, grid, { ...region, width: grid.width + 1 });
  };
  /** How deep inside its part of the sheet a corner lies, as steep as dots are. */
  const depthAt = (x: number, y: number): number =>
    depths ? depths[(y - top) * (grid.width + 1) + x] * STEEP : Infinity;
  /** The mean of the pixels that meet at a corner. */
  const toneAt = (x: number, y: number): number => {
    const left = Math.max(0, x - 1);
    const right = Math.min(grid.width - 1, x);
    const above = (Math.max(0, y - 1) - top) * grid.width;
    const below = (Math.min(grid.height - 1, y) - top) * grid.width;
    const { data } = tones!;
    return (data[above + left] + data[above + right] + data[below + left] + data[below + right]) / 4;
  };
  const buffers = [new Float32Array(grid.width + 1), new Float32Array(grid.width + 1)];
  return {
    row(y: number): Float32Array {
      enter(y);
      const out = buffers[y & 1];
      for (let x = 0; x < out.length; x++) {
        const depth = depthAt(x, y);
        out[x] = depth > -STEEP ? Math.min(depth, excess!(x, y, toneAt(x, y))) : depth;
      }
      return out;
    },
    crossing(x: number, y: number, below: boolean, from: number, to: number): number {
      const [a, b] = [toneAt(x, y), below ? toneAt(x, y + 1) : toneAt(x + 1, y)];
      const [deep, deeper] = [depthAt(x, y), below ? depthAt(x, y + 1) : depthAt(x + 1, y)];
      let [low, high, atLow, atHigh] = [0, 1, from, to];
      let at = 0.5;
      for (let turn = 0; turn < TURNS; turn++) {
        // Where the line between the two ends passes 0, kept off them, so that every turn gains something.
        at = Math.min(
          high - (high - low) * 0.1,
          Math.max(low + (high - low) * 0.1, low + ((high - low) * atLow) / (atLow - atHigh)),
        );
        const over = excess!(below ? x : x + at, below ? y + at : y, a + (b - a) * at);
        const value = depths ? Math.min(over, deep + (deeper - deep) * at) : over;
        if (value > 0 === from > 0) [low, atLow] = [at, value];
        else [high, atHigh] = [at, value];
      }
      return (
        low + (high - low) * (atLow === atHigh ? 0.5 : Math.min(1, Math.max(0, atLow / (atLow - atHigh))))
      );
    },
  };
}

/** Coverage that a pixel's depth counts as: about what tones need more of, a pixel farther from the middle of a dot. */
const STEEP = 6000;

/** Turns of looking for a crossing. */
const TURNS = 3;
