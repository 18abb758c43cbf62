import { createPlane, SOLID, type Plane } from '../../raster/plane.ts';
import { bands, type Region } from '../../raster/region.ts';
import { findSupercell } from '../../screen/supercell.ts';
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

it.each([1, 4, 15])('a film in strips looks at fewer pixels of a shape than it has, at %d lpi', (ruling) => {
  const sheet = { x: 0, y: 0, width: 1200 + ruling, height: 1200 };
  const cell = findSupercell(ruling, 30, 1200);
  const { asked, shape } = disc(sheet);
  let [tones, kept] = [0, 0];
  for (const strip of bands(sheet, 32 * sheet.width)) {
    const tone = wholeTones(cell, strip, (part) => createPlane(part.width, part.height, 40000), shape);
    tones += tone.data.filter((value) => value === 40000).length;
    kept += wholeDots(cell, shape, strip).data.filter((byte) => byte !== 0).length;
  }
  expect(tones).toBe(sheet.width * sheet.height);
  expect(kept).toBeGreaterThan(0);
  expect(asked.pixels).toBeLessThan(sheet.width * sheet.height);
});
