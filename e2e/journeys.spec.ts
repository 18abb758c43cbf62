import { expect, test } from '@playwright/test';
import { Resvg } from '@resvg/resvg-js';
import { Hands } from './hands.ts';
import { begun, filmsOf, inked, jobOf, street, told } from './journey.ts';
import { Server } from './server.ts';

/**
 * What practitioners do, each from the board to a checked file, with the number of actions it took: a click, a choice, a drag or a typed value is one.
 */
const server = new Server(4302);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

test('one colour is kept out of a street', async ({ page }) => {
  const hands = await begun(server, page, {
    name: 'street.png',
    mimeType: 'image/png',
    buffer: await street(),
  });
  await hands.key('3');
  await hands.press(page.getByLabel('Docket').getByRole('button', { name: /^Black/ }));
  await hands.button('Exchange…');
  await hands.button('Rosehip', 'menuitem');
  await hands.button('Colour');
  await hands.point([0.49, 0.64]);
  await hands.seen();
  const [film] = await filmsOf(server, hands);
  // The door is inked, houses and sign are bare.
  expect(await inked(film.bytes, [0.46, 0.6, 0.06, 0.35])).toBeGreaterThan(0.4);
  expect(await inked(film.bytes, [0.02, 0.05, 0.38, 0.9])).toBe(0);
  expect(await inked(film.bytes, [0.6, 0.1, 0.38, 0.8])).toBe(0);
  expect((await jobOf(server, page)).document.recipe.inks[0].name).toBe('Rosehip');
  told('One colour kept out of a street', hands, 13);
});

test('a picture in four live flat colours', async ({ page }) => {
  const hands = await begun(server, page, {
    name: 'street.png',
    mimeType: 'image/png',
    buffer: await street(),
  });
  await hands.key('3');
  await hands.choose('How it comes to the inks', { label: 'Flat colours' });
  await hands.seen();
  await hands.type('Grey below, number', '12');
  const films = await filmsOf(server, hands);
  expect(films).toHaveLength(3);
  expect((await jobOf(server, page)).document.recipe.originals[0].route).toMatchObject({
    kind: 'hues',
    grey: 12,
  });
  // Each place is solid in one ink at most.
  const door = await Promise.all(films.map(({ bytes }) => inked(bytes, [0.46, 0.65, 0.05, 0.3])));
  expect(door.filter((share) => share > 0.99)).toHaveLength(1);
  expect(door.filter((share) => share > 0.01)).toHaveLength(1);
  told('Four live flat colours', hands, 11);
});

test('a drawing with greys becomes dots, twisted, as geometry', async ({ page }) => {
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 200"><linearGradient id="g"><stop stop-color="#eee"/><stop offset="1" stop-color="#222"/></linearGradient><circle cx="100" cy="100" r="90" fill="url(#g)"/></svg>';
  const hands = await begun(server, page, {
    name: 'ball.svg',
    mimeType: 'image/svg+xml',
    buffer: Buffer.from(svg),
  });
  await hands.type('Ruling, number', '12');
  await hands.type('Twist, number', '220');
  await hands.type('Twist reaches, number', '60mm');
  await hands.key('6');
  await hands.choose('File kind', 'svg');
  const [film] = await filmsOf(server, hands);
  const drawn = film.bytes.toString();
  expect(drawn.match(/<path/g)!.length).toBeGreaterThan(0);
  const { width, height, pixels } = new Resvg(drawn, {
    fitTo: { mode: 'width', value: 800 },
    background: '#fff',
    font: { loadSystemFonts: false },
  }).render();
  const dark = (x: number, y: number, side: number) => {
    let sum = 0;
    for (let j = 0; j < side; j++)
      for (let i = 0; i < side; i++)
        sum += 255 - pixels[4 * (Math.round(y * height + j) * width + Math.round(x * width + i))];
    return sum / (side * side * 255);
  };
  // Lighter at the left of the ball than at its right, bare beside it.
  expect(dark(0.22, 0.47, 60)).toBeLessThan(dark(0.68, 0.47, 60) - 0.3);
  expect(dark(0.02, 0.02, 60)).toBe(0);
  told('A drawing with greys, twisted', hands, 11);
});

test('a pattern is torn at its edge over a tint, in two inks', async ({ page }) => {
  await page.goto(server.url);
  const hands = new Hands(page);
  await hands.button('New job');
  await hands.choose('Sheet size', 'A6');
  await hands.button('Flat tint');
  await hands.seen();
  await hands.key('1');
  await hands.type('Tone, number', '30');
  await hands.button('Add to the sheet');
  await hands.button(/^Gradient/, 'menuitem');
  await hands.button('Radial', 'radio');
  await hands.button('Cut, shape or dissolve');
  await hands.button(/^Container/, 'menuitem');
  await hands.type('Torn edge, number', '4');
  await hands.seen();
  const { document } = await jobOf(server, page);
  const gradient = document.recipe.originals[1];
  expect(gradient.overprint).toBe(true);
  expect(gradient.container?.torn).toMatchObject({ depth: 4 });
  expect(gradient.content).toMatchObject({ shape: 'radial', from: { x: 0.5, y: 0.5 } });
  const [film] = await filmsOf(server, hands);
  expect(await inked(film.bytes, [0.45, 0.45, 0.1, 0.1])).toBeGreaterThan(0.85);
  expect(await inked(film.bytes, [0, 0, 0.06, 0.06])).toBeGreaterThan(0.2);
  told('A torn pattern over a tint', hands, 15);
});

test('plates are set alike, tried at typed values, and shown again after a reload', async ({ page }) => {
  const hands = await begun(server, page, 'demo/originals/marsh-at-dusk.jpg');
  await hands.key('3');
  await hands.choose('How it comes to the inks', { label: 'Flat colours' });
  await hands.key('4');
  await hands.button('Set all plates alike', 'switch');
  await hands.type('Ruling, number', '18');
  const rulings = async () =>
    (await jobOf(server, page)).document.recipe.plates.map(({ screen }) => screen.settings.ruling);
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await expect.poll(rulings).toEqual([18, 18, 18]);
  await page.getByRole('textbox', { name: 'Ruling, number' }).press('t');
  await hands.type('Ruling, values', '8, 20, 55');
  await expect(page.getByLabel('Bands of the test strip').getByRole('button')).toHaveCount(3);
  await hands.button('Take 55 lpi');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await expect.poll(rulings).toEqual([55, 55, 55]);
  await page.mouse.move(700, 300);
  await page.mouse.wheel(0, -500);
  await page.waitForTimeout(600);
  const zoom = () =>
    page
      .getByLabel('Light table')
      .getByText(/^\d+ %$/)
      .textContent();
  const before = await zoom();
  await page.reload();
  await hands.seen();
  expect(await zoom()).toBe(before);
});
