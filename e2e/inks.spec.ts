import { expect, test, type Page } from '@playwright/test';
import type { Bits, Recipe } from '@brachytone/core';
import type { JobView, PullView, RunView } from '@brachytone/job';
import sharp from 'sharp';
import { dropFile, exact, softPicture, startPlain } from './pictures.ts';
import { Server } from './server.ts';

/** What differs from all its neighbours (a Laplacian). */
const EDGES = { width: 3, height: 3, kernel: [0, -1, 0, -1, 4, -1, 0, -1, 0], offset: 128 };

const server = new Server(4296);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

const json = (body: unknown, method = 'POST'): RequestInit => ({
  method,
  headers: { 'Content-Type': 'application/json' },
  body: JSON.stringify(body),
});

/** A job of 40 × 50 mm at 600 dpi with the page on its inks, so that all of it is quickly exact. */
async function startJob(page: Page, name: string): Promise<string> {
  await page.goto(`${server.url}/`);
  await dropFile(page, name, await softPicture(400, 500));
  await startPlain(page);
  await page.waitForURL(/screens$/);
  const id = /jobs\/([^/]+)/.exec(page.url())![1];
  const { document, revision } = await server.json<JobView>(`jobs/${id}`);
  const { recipe } = document;
  const [original] = recipe.originals;
  await server.json(
    `jobs/${id}`,
    json(
      {
        revision,
        document: {
          ...document,
          films: { ...document.films, format: 'png' },
          recipe: {
            ...recipe,
            sheet: { width: 40, height: 50, bleed: 0, resolution: 600 },
            originals: [{ ...original, placement: { ...original.placement, x: 0, y: 0, width: 40 } }],
          },
        },
        history: { from: 0, steps: [], position: 0 },
      },
      'PUT',
    ),
  );
  await page.goto(`${server.url}/jobs/${id}/inks`);
  await exact(page);
  return id;
}

const saved = (page: Page) => expect(page.getByRole('status', { name: 'Saving' })).toHaveText('saved');
const recipeOf = async (id: string): Promise<Recipe> =>
  (await server.json<JobView>(`jobs/${id}`)).document.recipe;
const cards = (page: Page) =>
  page.getByRole('region', { name: 'Plate rack' }).getByRole('group', { name: /^Plate / });

/** The table's pixels over the middle of the sheet. */
/** 120 × 120 pixels in the middle of the table, as a canvas on it shows them: a picture moves with its sheet. */
const middleOf = (page: Page, canvas: string): Promise<number[]> =>
  page.evaluate((name) => {
    const element = document.querySelector<HTMLCanvasElement>(`[data-testid=${name}]`)!;
    const table = document.querySelector('main')!.getBoundingClientRect();
    const { left, top } = element.getBoundingClientRect();
    const [x, y] = [table.left + table.width / 2 - left, table.top + table.height / 2 - top];
    return Array.from(element.getContext('2d')!.getImageData(x - 60, y - 60, 120, 120).data);
  }, canvas);

const tablePixels = (page: Page): Promise<number[]> => middleOf(page, 'table-canvas');

const mean = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

/** Bits that differ between films from the server and what the page makes of the same plates. */
async function differing(page: Page, id: string): Promise<number[]> {
  const run = await server.json<RunView>('runs', json({ jobId: id }));
  const done = () => server.json<RunView>(`runs/${run.id}`);
  await expect.poll(async () => (await done()).status).toBe('done');
  const recipe = await recipeOf(id);
  const counts: number[] = [];
  for (const { file, plates } of (await done()).films) {
    const [plate] = plates;
    const film = Buffer.from(
      await (await fetch(`${server.url}/api/runs/${run.id}/films/${file}`)).arrayBuffer(),
    );
    const { data, info } = await sharp(film).toColourspace('b-w').raw().toBuffer({ resolveWithObject: true });
    const bits = await page.evaluate(
      async ([one, at]) => {
        const { brachytone } = window as unknown as {
          brachytone: { filmBits(recipe: unknown, plate: number): Promise<Bits> };
        };
        const made = await brachytone.filmBits(one, at);
        return { ...made, data: Array.from(made.data) };
      },
      [recipe, recipe.plates.findIndex((one) => one.id === plate)] as const,
    );
    let different = 0;
    for (let i = 0; i < info.width * info.height; i++) {
      const [x, y] = [i % info.width, Math.floor(i / info.width)];
      const bit = (bits.data[y * bits.stride + (x >> 3)] >> (7 - (x & 7))) & 1;
      if (bit !== (data[i] < 128 ? 1 : 0)) different++;
    }
    counts.push(different);
  }
  return counts;
}

test('a photograph becomes four plates, whose films are the browser’s bit for bit', async ({ page }) => {
  const id = await startJob(page, 'process.png');
  await page.getByRole('combobox', { name: 'How it comes to the inks' }).selectOption('process');
  await expect(cards(page)).toHaveCount(4);
  await exact(page);
  await saved(page);
  const { inks, plates, originals } = await recipeOf(id);
  expect(inks.map(({ name }) => name)).toEqual(['Black', 'Cyan', 'Magenta', 'Yellow']);
  expect(plates).toHaveLength(4);

  // Plates print in the order of their cards, which keys move too; the card that moves keeps the focus.
  const order = async () => (await recipeOf(id)).plates.map(({ id: plate }) => plate);
  const [first, second, ...rest] = await order();
  await cards(page).first().getByRole('button').first().focus();
  await page.keyboard.press('Shift+ArrowRight');
  await saved(page);
  await expect.poll(order).toEqual([second, first, ...rest]);
  await page.keyboard.press('Shift+ArrowLeft');
  await expect.poll(order).toEqual([first, second, ...rest]);
  // Each was a step of its own.
  await page.keyboard.press('Control+z');
  await expect.poll(order).toEqual([second, first, ...rest]);
  await page.keyboard.press('Control+z');
  await expect.poll(order).toEqual([first, second, ...rest]);
  await saved(page);
  expect(originals[0].route.kind).toBe('process');
  expect(await differing(page, id)).toEqual([0, 0, 0, 0]);

  // The readout stays within the limit, and tells how near the colour comes.
  const table = (await page.getByRole('main', { name: 'Light table' }).boundingBox())!;
  await page.mouse.move(table.x + table.width / 2, table.y + table.height / 2);
  const readout = page.getByLabel('Readout');
  await expect(readout).toContainText('of 320 %');
  await expect(readout).toContainText('ΔE');

  // One undo brings the one ink back.
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(cards(page)).toHaveCount(1);
});

test('films within an ink limit are the browser’s too', async ({ page }) => {
  const id = await startJob(page, 'limited.png');
  await page.getByRole('combobox', { name: 'How it comes to the inks' }).selectOption('process');
  await expect(cards(page)).toHaveCount(4);
  const limit = page.getByRole('textbox', { name: 'Ink limit, number' });
  await limit.fill('180');
  await limit.press('Enter');
  await exact(page);
  await saved(page);
  expect(await differing(page, id)).toEqual([0, 0, 0, 0]);
});

test('spot inks are picked from the picture, an ink blended, a plate moved, painted, left out and printed sooner', async ({
  page,
}) => {
  const id = await startJob(page, 'spot.png');
  await page.getByRole('combobox', { name: 'How it comes to the inks' }).selectOption('spot');
  await expect(cards(page)).toHaveCount(4);
  await exact(page);
  const reach = page.getByRole('button', { name: /Show what is out of reach/ });
  await expect(reach).toContainText(/ΔE \d/);
  const proof = await tablePixels(page);
  await reach.click();
  // Greys and ruby alone: nothing has more green or blue than red.
  const isMap = (values: number[]) =>
    values.every((value, i) => i % 4 === 0 || i % 4 === 3 || value <= values[i - (i % 4)] + 1);
  expect(isMap(proof)).toBe(false);
  await expect.poll(async () => isMap(await tablePixels(page))).toBe(true);
  await page.getByRole('button', { name: /Back to the proof/ }).click();

  const first = (await recipeOf(id)).inks.length;
  expect(first).toBeGreaterThan(0);
  const docket = page.getByRole('complementary', { name: 'Docket' });
  await saved(page);
  const [ink] = (await recipeOf(id)).plates.map((plate) => plate.ink);
  const { name } = (await recipeOf(id)).inks.find((one) => one.id === ink)!;
  await docket.getByRole('button', { name: new RegExp(`^${name} \\d`) }).click();
  await docket.getByRole('switch', { name: 'Blended across the sheet' }).click();
  await docket.getByRole('textbox', { name: 'Move right, number' }).fill('1.5');
  await docket.getByRole('textbox', { name: 'Move right, number' }).press('Enter');
  const spread = docket.getByRole('textbox', { name: 'Edge spread, number' });
  await spread.fill('0.2');
  await spread.press('Enter');

  // A stroke on the table takes a part of the plate away.
  await docket.getByRole('button', { name: 'Paint', exact: true }).click();
  const brush = page.getByRole('application', { name: 'Brush' });
  const box = (await brush.boundingBox())!;
  await page.mouse.move(box.x + box.width * 0.3, box.y + box.height * 0.5);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.7, box.y + box.height * 0.5, { steps: 6 });
  await page.mouse.up();
  await docket.getByRole('button', { name: 'Done' }).click();
  await expect(docket.getByText('Stroke 1')).toBeVisible();
  await saved(page);
  const worked = await recipeOf(id);
  expect(worked.inks.find((one) => one.id === ink)!.fountain?.stops).toHaveLength(2);
  expect(worked.plates[0]).toMatchObject({ edgeSpread: 0.2, shift: { x: 1.5 } });
  expect(worked.plates[0].strokes).toHaveLength(1);
  expect(await differing(page, id)).toEqual([0, 0, 0, 0]);

  // Left out, it is in no film; its card says so.
  await page.getByRole('button', { name: `${name}, left out` }).click();
  await saved(page);
  expect((await recipeOf(id)).plates[0].printed).toBe(false);
  expect(await differing(page, id)).toEqual([0, 0, 0]);

  // Dragged past its neighbour, it prints later.
  const before = (await recipeOf(id)).plates.map((plate) => plate.id);
  const [from, to] = [(await cards(page).nth(0).boundingBox())!, (await cards(page).nth(1).boundingBox())!];
  await page.mouse.move(from.x + 40, from.y + 40);
  await page.mouse.down();
  await page.mouse.move(from.x + 60, from.y + 40, { steps: 4 });
  await page.mouse.move(to.x + to.width * 0.7, to.y + 40, { steps: 8 });
  await page.mouse.up();
  await saved(page);
  await expect
    .poll(async () => (await recipeOf(id)).plates.map((plate) => plate.id))
    .toEqual([before[1], before[0], before[2], before[3]]);
});

test('a separated file is taken by an intent, goes to its own plates, and its films hold its numbers', async ({
  page,
}) => {
  await page.goto(`${server.url}/`);
  // A flat field in all four inks, with the usual profile of the library that writes it.
  const colour = { create: { width: 300, height: 400, channels: 3, background: '#7a5a3c' } } as const;
  const file = await sharp(colour).withIccProfile('cmyk').toColourspace('cmyk').tiff().toBuffer();
  const { data } = await sharp(file, { ignoreIcc: true })
    .pipelineColourspace('cmyk')
    .toColourspace('cmyk')
    .raw()
    .toBuffer({ resolveWithObject: true });
  await dropFile(page, 'field.tif', file);
  await startPlain(page);
  await page.waitForURL(/screens$/);
  const id = /jobs\/([^/]+)/.exec(page.url())![1];
  await page.goto(`${server.url}/jobs/${id}/original`);
  const before = (await recipeOf(id)).originals[0].content;
  await page.getByLabel('Rendering intent').selectOption('absolute');
  await saved(page);
  await expect.poll(async () => (await recipeOf(id)).originals[0].content).not.toEqual(before);
  await page.getByLabel('Rendering intent').selectOption('relative');
  await expect.poll(async () => (await recipeOf(id)).originals[0].content).toEqual(before);
  await page.goto(`${server.url}/jobs/${id}/inks`);
  await page.getByLabel('How it comes to the inks').selectOption({ label: 'As separated' });
  await expect(cards(page)).toHaveCount(4);
  await saved(page);
  const recipe = await recipeOf(id);
  expect(recipe.inks.map(({ name }) => name)).toEqual(['Cyan', 'Magenta', 'Yellow', 'Black']);
  await exact(page);
  for (let k = 0; k < 4; k++) {
    const share = ((data[k] / 255) * 100).toFixed(0);
    const said = /covers? ?(\d+(?:\.\d)?) %|(\d+(?:\.\d)?) %/;
    await expect
      .poll(async () => {
        const [, a, b] = said.exec((await cards(page).nth(k).textContent()) ?? '') ?? [];
        return Math.abs(Number(a ?? b) - Number(share)) <= 1.5;
      })
      .toBe(true);
  }
});

test('pulls are kept, wiped against and taken up; the proof is seen from afar and on its product', async ({
  page,
}) => {
  const id = await startJob(page, 'pulls.png');
  await page.locator('body').press('p');
  const pulls = page.getByRole('region', { name: 'Pulls' });
  await expect(pulls.getByRole('textbox', { name: 'Name of the pull' })).toHaveValue('Pull 1');
  // The table makes room for them.
  await page.waitForTimeout(300);
  await exact(page);
  const before = await tablePixels(page);
  const stock = page.getByRole('textbox', { name: 'Stock colour, Lab' });
  await stock.fill('60 20 40');
  await stock.press('Enter');
  await exact(page);
  await expect.poll(async () => Math.abs(mean(await tablePixels(page)) - mean(before))).toBeGreaterThan(5);
  await page.getByRole('main', { name: 'Light table' }).hover();
  await page.getByRole('button', { name: 'Undo', exact: true }).focus();
  await page.keyboard.press('x');
  await page.locator('[data-testid=wipe-canvas][data-sharpness=exact]').waitFor();
  const wiped = await middleOf(page, 'wipe-canvas');
  // The pull's own proof, not the present one.
  expect(Math.abs(mean(wiped) - mean(before))).toBeLessThan(1);
  await pulls.getByRole('button', { name: 'Take up' }).click();
  await saved(page);
  expect((await recipeOf(id)).stock.lab).toEqual([100, 0, 0]);
  await page.keyboard.press('x');
  await pulls.getByRole('button', { name: 'Discard' }).click();
  await expect(pulls.getByRole('textbox', { name: 'Name of the pull' })).toHaveCount(0);
  expect(await server.json<PullView[]>(`jobs/${id}/pulls`)).toEqual([]);
  await page.getByRole('button', { name: 'Put the pulls away' }).click();

  // From afar the dots run together.
  await exact(page);
  const spreadOf = (values: number[]) =>
    Math.sqrt(mean(values.map((value) => value ** 2)) - mean(values) ** 2);
  const near = spreadOf(await tablePixels(page));
  await page.getByRole('button', { name: 'From a distance…' }).click();
  await page.getByRole('button', { name: '10 m' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'from 10 m' })).toBeVisible();
  await exact(page);
  await expect.poll(async () => spreadOf(await tablePixels(page))).toBeLessThan(near * 0.6);

  await page.getByRole('radio', { name: 'Product' }).click();
  await page.locator('[data-testid=product-canvas][data-sharpness=exact]').waitFor();
  await expect(page.getByText('40 × 50 mm, true to scale')).toBeVisible();
  for (const name of ['Wall', 'Shirt', 'Tote', 'Flag']) {
    await page.getByRole('radio', { name }).click();
    await page.locator('[data-testid=product-canvas][data-sharpness=exact]').waitFor();
  }
  // It is saved as large as is asked for, and drawn anew for that.
  await page.getByLabel('Width of the saved picture').selectOption('4000');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save picture', exact: true }).click(),
  ]);
  const picture = sharp(await download.path());
  expect((await picture.metadata()).width).toBe(4000);
  // Dots of a pixel or two are seen, which a picture of the screen’s size that was enlarged has none of.
  const { channels } = await picture.greyscale().convolve(EDGES).stats();
  expect(channels[0].stdev).toBeGreaterThan(4);
  await expect(page.getByRole('button', { name: 'Save picture', exact: true })).toBeEnabled();
});
