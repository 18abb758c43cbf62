import { present } from '../base/present.ts';
import { mapArea, shared, without, type Area } from '../path/area.ts';
import { dotTransfer } from '../plate/plate-transfer.ts';
import { after, moved, scaled } from '../raster/affine.ts';
import type { Frame } from '../raster/frame.ts';
import { filmFrame, frameOf } from '../recipe/frame.ts';
import type { Recipe } from '../recipe/recipe.ts';
import type { Scene } from '../recipe/scene.ts';
import { screenKind } from '../screen/kinds/index.ts';
import { latticeOf, type Screen } from '../screen/screen.ts';
import { CellContours } from './cell-contours.ts';
import { CellShares, toneFrame } from './cell-shares.ts';
import { STRAYS } from './cell-field.ts';
import { DotRows, type DotOf } from './dot-rows.ts';
import { edgeIndex } from './edge-index.ts';
import { ExcessRows } from './excess-rows.ts';
import { outlinesOf } from './lattice-dot.ts';
import { LatticeGrid } from './lattice-grid.ts';
import { latticePath, type RowsOf } from './lattice-path.ts';
import { levelPath, type LevelField } from './level-path.ts';
import type { Paths } from './path-data.ts';
import { tileTones, type TileTones } from './tile-tones.ts';
import { Tiles, TileStore } from './tiles.ts';
import { filmArea, type Units } from './units.ts';

/** Points along a straight cell, at least, that a dot's outline is looked for at: `dotManners` makes them finer where a shape asks for it. */
const PER_STRAIGHT_CELL = 8;
/** The same of a bent lattice; the thinnest lines must not fall between two. */
const PER_BENT_CELL = { dot: 16, line: 24 };
/** Pixels per inch of a picture that outlines follow inside coarse cells, as far as the film has them. */
const DETAIL = 300;
/** From so many points of a bent lattice on half as many do. */
const MANY_POINTS = 150e6;

/** How the dots of a straight lattice are drawn. */
export type DotOutlines =
  /** Each the screen's own shape, as large as what the film inks in its cell. */
  | 'pure'
  /** Cut by the picture's detail inside the cell, as the film has them. */
  | 'film';

/** True for a screen whose dots are geometry. */
export const hasDots = (screen: Screen): boolean =>
  screen.coarse === 0 && screenKind(screen.kind).contours !== undefined;

/** A plate's dots as geometry, in parts of some rows each that are drawn apart. */
export interface DotParts {
  readonly count: number;
  readonly draw: (part: number, out: Paths) => void;
}

/** In how many parts a plate's dots are drawn, by its recipe alone. */
export const dotPartCount = ({ recipe }: Pick<Scene, 'recipe'>, plate: number): number =>
  rowsOfParts(recipe, plate).length;

/** A plate's dots out of its tones, each part of the sheet by itself and cut to it and to the film. */
export function dotParts(
  scene: Scene,
  plate: number,
  faces: readonly Area[],
  units: Units,
  outlines: DotOutlines,
): DotParts {
  const film = filmArea(units);
  const rows = rowsOfParts(scene.recipe, plate);
  const dots: Dots = { scene, plate, units };
  const drawRows = straightLattice(scene.recipe, plate)
    ? latticeDots(dots, outlines)
    : (face: Face) => contourDots(dots, face);
  const draws = faces
    .map((whole, number): Face => ({ number, whole, onFilm: shared(whole, film) }))
    .filter(({ onFilm }) => onFilm.length > 0)
    .map(drawRows);
  return {
    count: rows.length,
    draw(part, out) {
      for (const draw of draws) draw(rows[part], out);
    },
  };
}

/** Whose dots are drawn. */
interface Dots {
  readonly scene: Scene;
  readonly plate: number;
  readonly units: Units;
}

/** A part of the sheet, in units of the file. */
interface Face {
  readonly number: number;
  readonly whole: Area;
  readonly onFilm: Area;
}

type DrawRows = (rows: RowsOf, out: Paths) => void;

/** Rows of a straight lattice that are drawn apart at least, for one is drawn twice where two parts meet, and parts of a film at most. */
const LEAST_ROWS = 16;
const MOST_PARTS = 24;

/** Rows of cells of a straight lattice, or of points of another, that are drawn apart. */
function rowsOfParts(recipe: Recipe, plate: number): RowsOf[] {
  const grid = straightLattice(recipe, plate);
  if (grid)
    return rowsBy(Math.max(LEAST_ROWS, Math.ceil((grid.foot - grid.top) / MOST_PARTS)), grid.top, grid.foot);
  const { frame, perCell } = contourGrid(recipe, plate);
  return rowsBy(Math.max(64, Math.round((PATH_CELLS * perCell * perCell) / frame.width)), 0, frame.height);
}

const rowsBy = (count: number, top: number, foot: number): RowsOf[] =>
  Array.from({ length: Math.ceil((foot - top) / count) }, (_, i) => ({
    from: top + i * count,
    to: Math.min(foot, top + (i + 1) * count),
  }));

/** The cells of a plate's lattice on its film; undefined where it is not straight. */
function straightLattice(recipe: Recipe, plate: number): LatticeGrid | undefined {
  const film = filmFrame(recipe);
  const supercell = latticeOf(recipe.plates[plate].screen)?.supercell;
  return supercell && new LatticeGrid(supercell(film.resolution), film);
}

/** Dots of a straight lattice, by what the film inks of each cell. */
function latticeDots({ scene, plate, units }: Dots, outlines: DotOutlines): (face: Face) => DrawRows {
  const { recipe } = scene;
  const { film } = units;
  const { spot, spotKey, ruling } = present(latticeOf(recipe.plates[plate].screen), 'lattice');
  const grid = present(straightLattice(recipe, plate), 'straight lattice');
  const shape = outlinesOf(spotKey, spot.outline);
  const transfer = dotTransfer(recipe, plate);
  const wanted = Math.max(PER_STRAIGHT_CELL, Math.min(film.resolution, DETAIL) / ruling);
  const side = 2 * Math.ceil(wanted / 2);
  const tones =
    outlines === 'film'
      ? frameOf(recipe.sheet, (film.resolution * side) / grid.side)
      : toneFrame(scene, grid.side, film);
  const store = new TileStore<TileTones>(tones);
  const scale = units.frame.resolution / film.resolution;
  return ({ number, whole, onFilm }) => {
    const isWhole = without(filmArea(units), whole).length === 0;
    const area = mapArea(whole, scaled(tones.resolution / units.frame.resolution));
    const drawn = isWhole ? undefined : { area, near: edgeIndex(area) };
    const tilesOf = (reach: number, goesOn: boolean) =>
      new Tiles(store, number, tones, reach, (part) => tileTones(scene, plate, tones, drawn, part, goesOn));
    const near = edgeIndex(onFilm);
    let dotOf: DotOf;
    if (outlines === 'film') {
      const contours = new CellContours(spot, spotKey, grid, tones, transfer, side, shape, tilesOf);
      dotOf = (column, row) => contours.dot(column, row);
    } else {
      const shares = new CellShares(spot, grid, tones, transfer, tilesOf);
      dotOf = (column, row, place) => shape(shares.share(column, row, place));
    }
    const dots = new DotRows(grid, scale, near, dotOf);
    return (rows, out) => latticePath({ grid, dots, scale, area: onFilm, near }, rows, out);
  };
}

/** Cells of contours in one path: about a megabyte. */
const PATH_CELLS = 6000;

/** The grid of points that dots of a bent or scattered lattice are found on, and how many lie along a cell. */
function contourGrid(recipe: Recipe, plate: number): { frame: Frame; perCell: number } {
  const { ruling, mark } = present(latticeOf(recipe.plates[plate].screen), 'lattice');
  const wanted = Math.max(PER_BENT_CELL[mark], Math.min(recipe.sheet.resolution, DETAIL) / ruling);
  const fine = frameOf(recipe.sheet, ruling * wanted);
  const perCell = fine.width * fine.height > MANY_POINTS ? PER_BENT_CELL[mark] / 2 : wanted;
  return { frame: frameOf(recipe.sheet, ruling * perCell), perCell };
}

/** Dots of a bent or scattered lattice, by where coverage passes their threshold. */
function contourDots({ scene, plate, units }: Dots, { onFilm }: Face): DrawRows {
  const { recipe } = scene;
  const { screen } = recipe.plates[plate];
  const { frame: grid, perCell } = contourGrid(recipe, plate);
  const { margin, over } = present(screenKind(screen.kind).contours, 'screen with contours')(
    screen.settings,
    dotTransfer(recipe, plate),
    grid,
  );
  const isWhole = without(filmArea(units), onFilm).length === 0;
  const face = isWhole ? undefined : mapArea(onFilm, scaled(grid.resolution / units.frame.resolution));
  let field: ExcessRows | undefined;
  const scale = units.frame.resolution / grid.resolution;
  // Each part but the last goes on for a row, so that no seam shows between it and the next.
  return ({ from, to }, out) => {
    const rows = (field ??= new ExcessRows({ scene, plate, face, grid, margin, over }, from));
    const height = Math.min(rows.height - from, to - from + 2);
    const map = after(moved(0, from), scaled(scale));
    levelPath(partOf(rows, from, height), map, STRAYS * perCell, out.next());
  };
}

/** Some rows of a field. */
const partOf = (field: ExcessRows, from: number, height: number): LevelField => ({
  edge: field.edge,
  width: field.width,
  height,
  row: (y, out) => field.row(from + y, out),
  crossing: (x, y, ...rest) => field.crossing(x, from + y, ...rest),
});
