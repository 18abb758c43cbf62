import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import sharp from 'sharp';
import { Hands } from './hands.ts';
import { begun, filmsOf, inked, jobOf, told } from './journey.ts';
import { Server } from './server.ts';

/** Photographs, gradients and grain: each from the board to checked files, with the number of actions it took. */
const server = new Server(4306);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

const MARSH = 'demo/originals/marsh-at-dusk.jpg';

/** What a press of a button gives to save. */
async function saved(page: Page, press: () => Promise<void>): Promise<Buffer> {
  const [download] = await Promise.all([page.waitForEvent('download'), press()]);
  return readFile(await download.path());
}

test('process, large and coarse, with solid black and yellow painted out', async ({ page }) => {
  const hands = await begun(server, page, MARSH);
  await hands.key('3');
  await hands.choose('How it comes to the inks', { label: 'Process' });
  await hands.seen();
  await hands.key('4');
  await hands.button('Set all plates alike', 'switch');
  await hands.type('Ruling, number', '12');
  await hands.button('Set all plates alike', 'switch');
  await hands.button('Black', 'radio');
  await hands.button('Threshold', 'radio');
  await hands.key('3');
  await hands.press(page.getByLabel('Docket').getByRole('button', { name: /^Yellow \d/ }));
  await hands.press(page.getByLabel('Docket').getByRole('button', { name: 'Paint', exact: true }).last());
  await hands.type('Radius, number', '40mm');
  await hands.point([0.4, 0.5], [0.6, 0.5]);
  await hands.button('Done');
  await hands.seen();
  const films = await filmsOf(server, hands);
  expect(films).toHaveLength(4);
  const { recipe } = (await jobOf(server, page)).document;
  expect(recipe.plates.map(({ screen }) => screen.kind).sort()).toEqual([
    'dots',
    'dots',
    'dots',
    'threshold',
  ]);
  const yellow = films.find(({ name }) => name.includes('yellow'))!.bytes;
  expect(await inked(yellow, [0.48, 0.48, 0.04, 0.04])).toBe(0);
  expect(await inked(yellow, [0.3, 0.02, 0.4, 0.1])).toBeGreaterThan(0.05);
  told('Process, coarse, solid black, yellow painted out', hands, 21);
});

test('a pattern over a photograph, driven to two levels and twisted, under a flat colour', async ({
  page,
}) => {
  const hands = await begun(server, page, MARSH);
  await hands.key('1');
  await hands.type('Film, number', '600');
  await hands.button('Cut, shape or dissolve');
  await hands.button(/^Mix/, 'menuitem');
  await hands.choose('Blend', 'two-levels');
  await hands.type('Soft edges, number', '1.5mm');
  await hands.type('Ruling, number', '10');
  await hands.type('Twist, number', '120');
  await hands.button('Add to the sheet');
  await hands.button(/^Flat tint/, 'menuitem');
  await hands.type('Tone, number', '100');
  await hands.key('3');
  await hands.button('Add an ink');
  await hands.button('Rosehip', 'menuitem');
  await hands.choose('Ink of this original', { label: 'Rosehip' });
  await hands.seen();
  const films = await filmsOf(server, hands);
  const [black, flat] = ['black', 'rosehip'].map(
    (ink) => films.find(({ name }) => name.includes(ink))!.bytes,
  );
  expect(await inked(flat, [0.1, 0.1, 0.8, 0.8])).toBe(1);
  const share = await inked(black, [0.05, 0.05, 0.9, 0.9]);
  expect(share).toBeGreaterThan(0.15);
  expect(share).toBeLessThan(0.85);
  told('A pattern over a photograph, pulp and twisted', hands, 19);
});

test('a photograph fades into dots, as a transparent PNG', async ({ page }) => {
  const hands = await begun(server, page, MARSH);
  await hands.key('1');
  await hands.button('Cut, shape or dissolve');
  await hands.button(/^Fade/, 'menuitem');
  await hands.type('Ruling, number', '12');
  await hands.seen();
  const png = await saved(page, () => hands.button('Transparent PNG'));
  const { data, info } = await sharp(png).raw().toBuffer({ resolveWithObject: true });
  expect(info.channels).toBe(4);
  const opaque = (from: number, to: number) => {
    let sum = 0;
    let count = 0;
    for (let y = Math.round(from * info.height); y < to * info.height; y += 3)
      for (let x = 0; x < info.width; x += 3, count++) sum += data[4 * (y * info.width + x) + 3] / 255;
    return sum / count;
  };
  const sides = [opaque(0, 0.1), opaque(0.45, 0.55), opaque(0.9, 1)];
  // Whole at one end, gone at the other, by dots between.
  expect(Math.abs(sides[0] - sides[2])).toBeGreaterThan(0.6);
  expect(sides[1]).toBeGreaterThan(Math.min(sides[0], sides[2]));
  told('A fade to PNG', hands, 9);
});

test('dots lie over the smooth photograph', async ({ page }) => {
  const hands = await begun(server, page, MARSH);
  await hands.key('1');
  await hands.button(/^Duplicate /);
  await hands.button('marsh-at-dusk.jpg');
  await hands.key('3');
  await hands.choose('How it comes to the inks', { label: 'Already on the stock' });
  await hands.key('4');
  await hands.type('Ruling, number', '10');
  await hands.seen();
  const films = await filmsOf(server, hands);
  expect(films).toHaveLength(1);
  await hands.key('6');
  await hands.type('Longer side', '800');
  const picture = await saved(page, () => hands.button('Save picture'));
  const { channels } = await sharp(picture).stats();
  const [red, , blue] = channels.map(({ mean }) => mean);
  expect(Math.abs(red - blue)).toBeGreaterThan(5);
  told('Dots over a smooth photograph', hands, 15);
});

test('a giant poster is looked at from ten metres, and cut into panels', async ({ page }) => {
  const hands = await begun(server, page, MARSH);
  await hands.key('1');
  await hands.type('Sheet width', '2m');
  await hands.type('Sheet height', '2m');
  await hands.button('Fill');
  await hands.key('4');
  await hands.type('Ruling, number', '2');
  await hands.button('From a distance…');
  await hands.type('Distance, number', '10');
  await hands.seen();
  await hands.key('Escape');
  await hands.key('6');
  const { recipe } = (await jobOf(server, page)).document;
  expect(recipe.sheet).toMatchObject({ width: 2000, height: 2000 });
  const films = await filmsOf(server, hands);
  const { width } = await sharp(films[0].bytes, { limitInputPixels: false }).metadata();
  expect(width).toBe(Math.round((2000 / 25.4) * recipe.sheet.resolution));
  told('A giant poster at ten metres', hands, 13);
});

test('grain is clipped to a shape', async ({ page }) => {
  await page.goto(server.url);
  const hands = new Hands(page);
  await hands.button('New job');
  await hands.choose('Sheet size', 'A6');
  await hands.button('Gradient');
  await hands.seen();
  await hands.key('1');
  await hands.button('Cut, shape or dissolve');
  await hands.button(/^Container/, 'menuitem');
  await hands.button('Ellipse', 'radio');
  await hands.key('4');
  await hands.button('Grain', 'radio');
  await hands.seen();
  const [film] = await filmsOf(server, hands);
  // Nothing in the corners, grain in the middle.
  expect(await inked(film.bytes, [0, 0, 0.08, 0.08])).toBe(0);
  const middle = await inked(film.bytes, [0.4, 0.4, 0.2, 0.2]);
  expect(middle).toBeGreaterThan(0.2);
  expect(middle).toBeLessThan(0.8);
  told('Grain clipped to a shape', hands, 13);
});

test('a photograph becomes circles of colour', async ({ page }) => {
  const hands = await begun(server, page, MARSH);
  await hands.key('1');
  await hands.button('Cut, shape or dissolve');
  await hands.button(/^Colour dots/, 'menuitem');
  await hands.seen();
  const drawn = (await saved(page, () => hands.button('SVG'))).toString();
  const colours = new Set(drawn.match(/#[0-9a-f]{6}/g));
  expect(colours.size).toBeGreaterThan(100);
  told('Colour circles', hands, 6);
});
