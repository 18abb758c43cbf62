import { createPlane, SOLID, type Plane } from '../../raster/plane.ts';
import { bands, type Region } from '../../raster/region.ts';
import { findSupercell } from '../../screen/supercell.ts';
import { bitAt } from '../../raster/bits.ts';
import { cellGrid, cellRuns } from './cell-grid.ts';
import { wholeDots } from './whole-dots.ts';
import { wholeTones } from './whole-tones.ts';

/** A disc in the middle of a sheet, that counts the pixels it is asked for. */
function disc(sheet: Region) {
  const asked = { pixels: 0 };
  const middle = sheet.width / 2;
  const shapeIn = ({ x, y, width, height }: Region): Plane => {
    asked.pixels += width * height;
    const plane = createPlane(width, height);
    for (let j = 0, i = 0; j < height; j++)
      for (let k = 0; k < width; k++, i++)
        if (Math.hypot(x + k - middle, y + j - middle) < 0.4 * sheet.width) plane.data[i] = SOLID;
    return plane;
  };
  return { asked, shape: { in: shapeIn, sheet, key: () => `disc on ${sheet.width}` } };
}

/** A tone for every column. */
const tone = (x: number): number => 3000 + x;
const columnsOf = ({ x, width, height }: Region): Plane => {
  const plane = createPlane(width, height);
  for (let i = 0; i < plane.data.length; i++) plane.data[i] = tone(x + (i % width));
  return plane;
};

it.each([1, 4, 15])(
  'dots stand whole by their cells’ middles, and strips look at fewer pixels of a shape than a film has, at %d lpi',
  (ruling) => {
    const sheet = { x: 0, y: 0, width: 1200 + ruling, height: 1200 };
    const cell = findSupercell(ruling, 30, 1200);
    const { asked, shape } = disc(sheet);
    const grid = cellGrid(cell);
    const isIn = (x: number, y: number) => shape.in({ x, y, width: 1, height: 1 }).data[0] === SOLID;
    let [wrong, kept, flat] = [0, 0, 0];
    for (const strip of bands(sheet, 32 * sheet.width)) {
      const tones = wholeTones(cell, strip, columnsOf, shape);
      const dots = wholeDots(cell, shape, strip);
      const pixels = asked.pixels;
      cellRuns(grid, strip, (from, to, y, column, row) => {
        const [x, down] = grid.middleOf(column, row);
        const whole = isIn(x, down);
        if ((bitAt(dots, from, y) === 1) !== whole || (bitAt(dots, to - 1, y) === 1) !== whole) wrong++;
        if (whole) kept++;
        const [first, last] = [from, to - 1].map((at) => tones.data[y * strip.width + at]);
        const isFlat = to - from > 1 && first === last;
        if (isFlat) flat++;
        if (to - from > 1 && first !== (isFlat ? tone(x) : tone(from))) wrong++;
      });
      asked.pixels = pixels;
    }
    expect({ wrong, kept: kept > 0, flat: flat > 0 }).toEqual({ wrong: 0, kept: true, flat: true });
    expect(asked.pixels).toBeLessThan(sheet.width * sheet.height);
  },
);
