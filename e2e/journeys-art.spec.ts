import { expect, test } from '@playwright/test';
import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';
import { begun, filmsOf, inked, jobOf, told } from './journey.ts';
import { Server } from './server.ts';

/** Logos, clip art, figures and lettering: each from the board to checked files, with the number of actions it took. */
const server = new Server(4305);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

const svg = (body: string, size = 200) => ({
  name: 'art.svg',
  mimeType: 'image/svg+xml',
  buffer: Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${size} ${size}">${body}</svg>`),
});
const LOGO = svg('<path d="M30 30H170V90H110V170H30Z"/>');
const BURST = svg(
  `<path d="${Array.from({ length: 24 }, (_, k) => {
    const [r, turn] = [k % 2 === 0 ? 98 : 70, (Math.PI * k) / 12];
    return `${k === 0 ? 'M' : 'L'}${(100 + r * Math.cos(turn)).toFixed(1)} ${(100 + r * Math.sin(turn)).toFixed(1)}`;
  }).join('')}Z"/>`,
);

/** Mean darkness of a square of a drawing, in shares of its size. */
function darkness(drawing: string, [x, y, side]: readonly [number, number, number]): number {
  const { width, height, pixels } = new Resvg(drawing, {
    fitTo: { mode: 'width', value: 1000 },
    background: '#fff',
    font: { loadSystemFonts: false },
  }).render();
  let sum = 0;
  const count = Math.round(side * width);
  for (let j = 0; j < count; j++)
    for (let i = 0; i < count; i++)
      sum += 255 - pixels[4 * (Math.round(y * height + j) * width + Math.round(x * width + i))];
  return sum / (count * count * 255);
}

test('a logo’s soft shadow becomes dots, as pixels and as geometry', async ({ page }) => {
  const hands = await begun(server, page, LOGO);
  await hands.key('2');
  await hands.button('Print as tone');
  await hands.button('Add a step');
  await hands.button(/^Blur/, 'menuitem');
  await hands.type('Radius, number', '8mm');
  await hands.key('4');
  await hands.type('Ruling, number', '15');
  await hands.seen();
  await hands.key('6');
  await hands.choose('File kind', 'png');
  const [pixels] = await filmsOf(server, hands);
  // Solid within, bare far off, dots across the edge between.
  expect(await inked(pixels.bytes, [0.35, 0.39, 0.08, 0.04])).toBeGreaterThan(0.9);
  expect(await inked(pixels.bytes, [0.75, 0.75, 0.2, 0.2])).toBeLessThan(0.05);
  const edge = await inked(pixels.bytes, [0.255, 0.5, 0.024, 0.1]);
  expect(edge).toBeGreaterThan(0.2);
  expect(edge).toBeLessThan(0.8);
  await hands.choose('File kind', 'svg');
  const [geometry] = await filmsOf(server, hands);
  const drawn = geometry.bytes.toString();
  expect(drawn.match(/<path/g)!.length).toBeGreaterThan(0);
  expect(darkness(drawn, [0.35, 0.39, 0.05])).toBeGreaterThan(0.85);
  expect(darkness(drawn, [0.75, 0.75, 0.1])).toBeLessThan(0.05);
  told('A logo’s shadow as PNG and SVG', hands, 15);
});

test('clip art lies over its soft shadow, in two inks', async ({ page }) => {
  const hands = await begun(server, page, LOGO);
  await hands.key('1');
  await hands.button(/^Duplicate art/);
  // The one below is the shadow.
  await hands.button(/^art\.svg$/);
  await hands.type('Left edge', '41');
  await hands.key('2');
  await hands.button('Print as tone');
  await hands.button('Add a step');
  await hands.button(/^Blur/, 'menuitem');
  await hands.type('Radius, number', '5mm');
  await hands.key('3');
  await hands.button('Add an ink');
  await hands.button('Rosehip', 'menuitem');
  await hands.choose('Ink of this original', { label: 'Rosehip' });
  await hands.seen();
  const films = await filmsOf(server, hands);
  expect(films.map(({ name }) => name).sort()).toEqual([
    expect.stringContaining('black'),
    expect.stringContaining('rosehip'),
  ]);
  const [black, shadow] = ['black', 'rosehip'].map(
    (ink) => films.find(({ name }) => name.includes(ink))!.bytes,
  );
  expect(await inked(black, [0.35, 0.38, 0.08, 0.06])).toBe(1);
  expect(await inked(black, [0.7, 0.75, 0.2, 0.2])).toBe(0);
  const soft = await inked(shadow, [0.74, 0.36, 0.03, 0.06]);
  expect(soft).toBeGreaterThan(0.05);
  expect(soft).toBeLessThan(0.95);
  told('Clip art over its soft shadow', hands, 23);
});

test('a figure in four live bands, with burst, glow and type, on a dark shirt', async ({ page }) => {
  const hands = await begun(server, page, 'demo/originals/moon-over-reeds.jpg');
  await hands.key('3');
  await hands.choose('How it comes to the inks', { label: 'Flat bands' });
  for (const ink of ['White, covering', 'Ember']) {
    await hands.button('Add an ink');
    await hands.button(ink, 'menuitem');
  }
  await hands.button('Add a band');
  await hands.choose('Ink of band 1', { label: 'White, covering' });
  await hands.choose('Ink of band 2', { label: 'Ember' });
  await hands.button('From the shelf');
  await hands.button('Peat cloth', 'menuitem');
  await hands.seen();
  await hands.key('1');
  await hands.button('Add to the sheet');
  await hands.file(() => hands.button(/^From a file/, 'menuitem'), BURST);
  await hands.seen();
  await hands.button('Add to the sheet');
  await hands.button(/^Lettering/, 'menuitem');
  await hands.type('Text', 'NIGHT');
  await hands.type('Glow, number', '60');
  await hands.seen();
  const films = await filmsOf(server, hands);
  expect(films.length).toBeGreaterThanOrEqual(4);
  const { document } = await jobOf(server, page);
  expect(document.recipe.originals).toHaveLength(3);
  told('A figure in four bands on a dark shirt', hands, 83);
});

test('an engraved portrait is printed in a blend of inks', async ({ page }) => {
  const hands = await begun(server, page, 'demo/originals/moon-over-reeds.jpg');
  await hands.key('1');
  await hands.type('Film, number', '600');
  await hands.key('4');
  await hands.button('Take one from the shelf');
  await hands.button('Engraved portrait');
  await hands.key('3');
  await hands.press(page.getByLabel('Docket').getByRole('button', { name: /^Black/ }));
  await hands.button('Blended across the sheet', 'switch');
  await hands.seen();
  const [film] = await filmsOf(server, hands);
  const { document } = await jobOf(server, page);
  expect(document.recipe.inks[0].fountain).not.toBeNull();
  expect(document.recipe.plates[0].screen.kind).toBe('lines');
  // The moon is light, the sky dark.
  expect(await inked(film.bytes, [0.45, 0.25, 0.1, 0.1])).toBeLessThan(
    (await inked(film.bytes, [0.02, 0.02, 0.1, 0.1])) - 0.2,
  );
  told('An engraved portrait in a blend', hands, 32);
});

test('an illustration gets the look of print', async ({ page }) => {
  const hands = await begun(
    server,
    page,
    svg(
      '<rect width="200" height="200" fill="#f4d35e"/><circle cx="100" cy="90" r="60" fill="#d1495b"/><path d="M0 150L200 120V200H0Z" fill="#30638e"/>',
    ),
  );
  await hands.key('1');
  await hands.choose('Sheet size', 'A6');
  await hands.type('Film, number', '600');
  await hands.button('Fill');
  await hands.key('3');
  await hands.choose('How it comes to the inks', { label: 'Spot inks' });
  await hands.seen();
  await hands.key('4');
  await hands.button('Take one from the shelf');
  await hands.button('Worn print');
  await hands.seen();
  const films = await filmsOf(server, hands);
  expect(films.length).toBeGreaterThan(1);
  await hands.key('6');
  await hands.type('Longer side', '800');
  const [download] = await Promise.all([page.waitForEvent('download'), hands.button('Save picture')]);
  const picture = await sharp(
    await (await import('node:fs/promises')).readFile(await download.path()),
  ).stats();
  // A picture in colours: its channels are not alike.
  const means = picture.channels.slice(0, 3).map(({ mean }) => mean);
  expect(Math.max(...means) - Math.min(...means)).toBeGreaterThan(10);
  told('An illustration with the look of print', hands, 17);
});

test('stars', async ({ page }) => {
  const hands = await begun(server, page, 'demo/originals/moon-over-reeds.jpg');
  await hands.button('Motif', 'radio');
  await hands.type('Ruling, number', '8');
  await hands.key('6');
  await hands.choose('File kind', 'svg');
  const [film] = await filmsOf(server, hands);
  const drawn = film.bytes.toString();
  // Stars have ten corners: far more lines than a lattice of squares.
  expect((await jobOf(server, page)).document.recipe.plates[0].screen.settings.spot).toBe('motif');
  expect(darkness(drawn, [0.02, 0.02, 0.1])).toBeGreaterThan(darkness(drawn, [0.45, 0.25, 0.1]) + 0.2);
  told('Stars', hands, 9);
});

test('crosses on squares of five by five film pixels', async ({ page }) => {
  const hands = await begun(server, page, 'demo/originals/moon-over-reeds.jpg');
  await hands.button('Cross', 'radio');
  await hands.type('Ruling, number', '10');
  await hands.button('Draw it on a coarse grid…');
  const { resolution } = (await jobOf(server, page)).document.recipe.sheet;
  await hands.type('Coarse grid, number', '5px');
  await hands.seen();
  await hands.key('6');
  await hands.choose('File kind', 'png');
  const [film] = await filmsOf(server, hands);
  expect((await jobOf(server, page)).document.recipe.plates[0].screen.coarse).toBeCloseTo(resolution / 5, 0);
  const { data, info } = await sharp(film.bytes)
    .toColourspace('b-w')
    .raw()
    .toBuffer({ resolveWithObject: true });
  let odd = 0;
  for (let y = 0; y < Math.min(1000, info.height); y++)
    for (let x = 0; x < Math.min(1000, info.width); x++)
      if (
        data[(y * info.width + x) * info.channels] !==
        data[((y - (y % 5)) * info.width + x - (x % 5)) * info.channels]
      )
        odd++;
  expect(odd).toBe(0);
  told('Crosses at 5 × 5', hands, 10);
});
