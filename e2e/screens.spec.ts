import { expect, test, type Page } from '@playwright/test';
import { newScreen, SCREEN_KINDS, type Bits, type Screen } from '@brachytone/core';
import type { JobView, RunView } from '@brachytone/job';
import sharp from 'sharp';
import { dropFile, exact, softPicture, startPlain } from './pictures.ts';
import { Server } from './server.ts';

const server = new Server(4295);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

const json = (body: unknown): RequestInit => ({
  method: 'POST',
  headers: { 'Content-Type': 'application/json' },
  body: JSON.stringify(body),
});

async function startJob(page: Page, name: string): Promise<string> {
  await page.goto(`${server.url}/`);
  await dropFile(page, name, await softPicture(400, 500));
  await startPlain(page);
  await page.waitForURL(/screens$/);
  await page.getByRole('complementary', { name: 'Docket' }).waitFor();
  return /jobs\/([^/]+)/.exec(page.url())![1];
}

const saved = (page: Page) => expect(page.getByRole('status', { name: 'Saving' })).toHaveText('saved');

const screenOf = async (id: string): Promise<Screen> =>
  (await server.json<JobView>(`jobs/${id}`)).document.recipe.plates[0].screen;

const originalOf = async (id: string) =>
  (await server.json<JobView>(`jobs/${id}`)).document.recipe.originals[0];

/** A copy of a job, small, with a plate for each of these screens. */
async function withScreens(id: string, screens: readonly Screen[], format: string): Promise<JobView> {
  const { document } = await server.json<JobView>(`jobs/${id}`);
  const { recipe, films } = document;
  const [original] = recipe.originals;
  const { id: made } = await server.json<JobView>(
    'jobs',
    json({
      document: {
        ...document,
        films: { ...films, format },
        recipe: {
          ...recipe,
          sheet: { width: 40, height: 50, bleed: 0, resolution: 600 },
          // The same picture once for every ink, each printed over the others.
          originals: screens.map((_, i) => ({
            ...original,
            id: `original-${i}`,
            placement: { ...original.placement, x: 0, y: 0, width: 40 },
            route: { kind: 'ink' as const, ink: `ink-${i}` },
            overprint: i > 0,
          })),
          inks: screens.map((_, i) => ({ ...recipe.inks[0], id: `ink-${i}` })),
          plates: screens.map((screen, i) => ({
            ...recipe.plates[0],
            id: `plate-${i}`,
            ink: `ink-${i}`,
            screen,
          })),
        },
      },
    }),
  );
  return server.json<JobView>(`jobs/${made}`);
}

async function filmsOf(jobId: string): Promise<Buffer[]> {
  const { id } = await server.json<RunView>('runs', json({ jobId }));
  const done = () => server.json<RunView>(`runs/${id}`);
  await expect.poll(async () => (await done()).status).toBe('done');
  return Promise.all(
    (await done()).films.map(async ({ file }) =>
      Buffer.from(await (await fetch(`${server.url}/api/runs/${id}/films/${file}`)).arrayBuffer()),
    ),
  );
}

/** Screens whose films are made in the browser too: every kind as it starts, and others that go ways of their own. */
const COMPARED = [
  ...SCREEN_KINDS.map(({ kind }) => newScreen(kind)),
  newScreen('dots', { spot: 'motif', place: 30, size: 30, ragged: 40 }),
  newScreen('lines', { path: 'spiral', spot: 'round' }),
  newScreen('lines', { path: 'wave', wobble: 40, crossed: 50 }),
  newScreen('lines', { path: 'arc' }, { coarse: 120 }),
  newScreen('diffused', { kernel: 'even', loosen: 40 }),
  newScreen('grain', { manner: 'streaked' }),
  newScreen('threshold', { specks: 0.6, holes: 0.6 }),
];
/** Plates of one job, few enough to be proofed quickly. */
const TOGETHER = 3;

for (let at = 0; at < COMPARED.length; at += TOGETHER) {
  const screens = COMPARED.slice(at, at + TOGETHER);
  const names = screens.map(({ kind }) => kind).join(', ');
  test(`the browser makes the very bits of the server’s film: ${at + 1} · ${names}`, async ({ page }) => {
    const id = await startJob(page, 'kinds.png');
    await saved(page);
    const job = await withScreens(id, screens, 'png');
    const films = await filmsOf(job.id);
    await page.goto(`${server.url}/jobs/${job.id}/screens`);
    await exact(page);
    for (const [plate, film] of films.entries()) expect(await differingBits(page, job, plate, film)).toBe(0);
  });
}

/** Pixels in which a film differs from what the browser makes of the plate. */
async function differingBits(page: Page, job: JobView, plate: number, film: Buffer): Promise<number> {
  const { data, info } = await sharp(film).toColourspace('b-w').raw().toBuffer({ resolveWithObject: true });
  const bits = await page.evaluate(
    async ([recipe, at]) => {
      const { brachytone } = window as unknown as {
        brachytone: { filmBits(recipe: unknown, plate: number): Promise<Bits> };
      };
      const made = await brachytone.filmBits(recipe, at);
      return { ...made, data: Array.from(made.data) };
    },
    [job.document.recipe, plate] as const,
  );
  let different = 0;
  for (let i = 0; i < info.width * info.height; i++) {
    const [x, y] = [i % info.width, Math.floor(i / info.width)];
    const bit = (bits.data[y * bits.stride + (x >> 3)] >> (7 - (x & 7))) & 1;
    if (bit !== (data[i] < 128 ? 1 : 0)) different++;
  }
  return different;
}

test('a test strip tries a number, two make a grid, and a band is taken as one step', async ({ page }) => {
  const id = await startJob(page, 'strip.png');
  await exact(page);
  await page.getByRole('textbox', { name: 'Ruling, number' }).focus();
  await page.keyboard.press('t');
  const bands = page.getByRole('button', { name: /^Take \d/ });
  await expect(bands).toHaveCount(5);
  await expect(bands.nth(2)).toHaveAccessibleName('Take 30 lpi');
  await page.getByRole('textbox', { name: 'Ruling from' }).fill('10');
  await page.getByRole('textbox', { name: 'Ruling from' }).press('Enter');
  await page.getByRole('textbox', { name: 'Ruling to' }).fill('40 lpi');
  await page.getByRole('textbox', { name: 'Ruling to' }).press('Enter');
  await page.getByRole('radio', { name: '3', exact: true }).click();
  await expect(bands).toHaveCount(3);
  await page.getByRole('button', { name: 'Test strip of angle' }).click();
  await expect(bands).toHaveCount(9);
  // Every band comes to hold every bit of its own film.
  await expect
    .poll(() => bands.evaluateAll((all) => all.map((one) => one.dataset.sharpness)))
    .toEqual(Array.from({ length: 9 }, () => 'exact'));
  const [ruling, angle] = (await bands.nth(4).getAttribute('aria-label'))!
    .replace('Take ', '')
    .split(' · ')
    .map(parseFloat);
  expect(ruling).toBe(20);
  await bands.nth(4).click();
  await expect(bands).toHaveCount(0);
  await saved(page);
  expect((await screenOf(id)).settings).toMatchObject({ ruling, angle });
  await page.keyboard.press('Control+z');
  await saved(page);
  expect((await screenOf(id)).settings).toMatchObject({ ruling: 30, angle: 45 });
  await page.getByRole('button', { name: 'Test strip of angle' }).click();
  await page.keyboard.press('Escape');
  await expect(bands).toHaveCount(0);
});

test('dots of a mix and colour dots are tried on strips too', async ({ page }) => {
  const id = await startJob(page, 'parts.png');
  await page.keyboard.press('1');
  await exact(page);
  const bands = page.getByRole('button', { name: /^Take \d/ });
  await page.getByRole('button', { name: 'Cut, shape or dissolve' }).click();
  await page.getByRole('menuitem', { name: /^Mix/ }).click();
  await page.getByRole('button', { name: 'Test strip of strength' }).click();
  await page.getByRole('button', { name: 'Test strip of ruling' }).click();
  await expect(bands).toHaveCount(15);
  const tried = (await bands.nth(10).getAttribute('aria-label'))!
    .replace('Take ', '')
    .split(' · ')
    .map(parseFloat);
  await bands.nth(10).click();
  await expect(bands).toHaveCount(0);
  await saved(page);
  const { mix } = await originalOf(id);
  expect([mix!.strength, mix!.screen.settings.ruling]).toEqual(tried);
  expect(tried[1]).toBeGreaterThan(16);
  await page.getByRole('button', { name: 'Cut, shape or dissolve' }).click();
  await page.getByRole('menuitem', { name: /^Colour dots/ }).click();
  await page.getByRole('button', { name: 'Test strip of ruling' }).click();
  await expect(bands).toHaveCount(5);
  const taken = (await bands.first().getAttribute('aria-label'))!;
  // The bands differ where they are shown: on the original.
  const pictures = () =>
    bands
      .locator('canvas')
      .evaluateAll((all) => new Set(all.map((one) => (one as HTMLCanvasElement).toDataURL())).size);
  await expect.poll(pictures).toBe(5);
  await bands.first().click();
  await saved(page);
  expect((await originalOf(id)).colourDots!.ruling).toBeCloseTo(parseFloat(taken.replace('Take ', '')), 1);
});

test('the lattice turns and stretches the screen, and kinds and shapes are picked by their pictures', async ({
  page,
}) => {
  const id = await startJob(page, 'lattice.png');
  await exact(page);
  const knob = page.locator('[aria-label="Turn and stretch the screen"]');
  const box = (await knob.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 40, box.y + 70, { steps: 6 });
  await page.mouse.up();
  await saved(page);
  const turned = (await screenOf(id)).settings as { ruling: number; angle: number };
  expect(turned.angle).toBeLessThan(40);
  expect(turned.ruling).not.toBe(30);
  await page.keyboard.press('Control+z');
  await saved(page);
  expect((await screenOf(id)).settings).toMatchObject({ ruling: 30, angle: 45 });
  await page.getByRole('radio', { name: 'Lines', exact: true }).click();
  await page.getByRole('radio', { name: 'Spiral' }).click();
  await expect(page.getByRole('textbox', { name: 'Centre across, number' })).toBeVisible();
  await exact(page);
  await page.getByRole('radio', { name: 'Diffused' }).click();
  await exact(page);
  await saved(page);
  expect((await screenOf(id)).kind).toBe('diffused');
  await expect(page.locator('aside')).toContainText('12 × 12 px');
  await page.getByRole('radio', { name: 'Dots', exact: true }).click();
  await page.getByRole('radio', { name: 'Motif' }).click();
  await page.getByRole('radio', { name: 'Heart' }).click();
  const own = Buffer.from(
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><path d="M0 0H10V3H3V10H0Z"/></svg>',
  );
  await page
    .getByLabel('SVG file of a motif')
    .setInputFiles({ name: 'angle.svg', mimeType: 'image/svg+xml', buffer: own });
  await expect(page.getByRole('radio', { name: 'Your own' })).toBeChecked();
  // A ruling may be typed as the pitch of its dots.
  const ruling = page.getByRole('textbox', { name: 'Ruling, number' });
  await ruling.fill('2mm');
  await ruling.press('Enter');
  await expect(ruling).toHaveValue('12.7 lpi');
  await exact(page);
});

test('screens are kept on the shelf and taken from it', async ({ page }) => {
  const id = await startJob(page, 'shelf.png');
  await page.getByRole('button', { name: 'Take one from the shelf' }).click();
  await page.getByRole('button', { name: 'Stippled stone' }).click();
  await saved(page);
  expect(await screenOf(id)).toMatchObject({ kind: 'grain', settings: { manner: 'stippled' } });
  await page.getByRole('button', { name: /^Keep this screen/ }).click();
  await page.getByRole('textbox', { name: 'Name of the screen' }).fill('Marsh fog');
  await page.keyboard.press('Enter');
  await expect(page.getByText('“Marsh fog” is on the shelf.')).toBeVisible();
  await page.getByRole('radio', { name: 'Dots', exact: true }).click();
  await page.getByRole('button', { name: 'Take one from the shelf' }).click();
  await page.getByRole('button', { name: 'Marsh fog', exact: true }).click();
  await saved(page);
  expect((await screenOf(id)).kind).toBe('grain');
  await page.getByRole('button', { name: 'Take one from the shelf' }).click();
  await page.getByRole('button', { name: 'Take Marsh fog off the shelf' }).click();
  await expect(page.getByRole('button', { name: 'Marsh fog', exact: true })).toHaveCount(0);
});

test('a plate leaves as geometry that Chromium draws as the film is', async ({ page }) => {
  const id = await startJob(page, 'geometry.png');
  await saved(page);
  const screens = [
    newScreen('dots', { ruling: 20, angle: 30 }),
    newScreen('diffused', { spot: 0.5 }),
    newScreen('lines', { path: 'wave', ruling: 16 }),
    newScreen('dots', { ruling: 16, place: 40 }),
  ];
  const svgs = await filmsOf((await withScreens(id, screens, 'svg')).id);
  const films = await filmsOf((await withScreens(id, screens, 'png')).id);
  for (const [plate, svg] of svgs.entries()) {
    const { data, info } = await sharp(films[plate])
      .toColourspace('b-w')
      .raw()
      .toBuffer({ resolveWithObject: true });
    await page.setViewportSize({ width: info.width, height: info.height });
    const text = svg
      .toString()
      .replace(/width="[^"]*mm" height="[^"]*mm"/, `width="${info.width}" height="${info.height}"`);
    await page.setContent(`<style>body{margin:0}svg{display:block}</style>${text}`);
    const shot = await sharp(await page.screenshot())
      .toColourspace('b-w')
      .raw()
      .toBuffer();
    // Light of squares of 10 mm, the ink being nearly black.
    const side = Math.floor(info.width / 4);
    for (let k = 0; k < 20; k++) {
      const [left, top] = [(k % 4) * side, Math.floor(k / 4) * side];
      const mean = (pixels: Buffer) => {
        let sum = 0;
        for (let y = top; y < top + side; y++)
          for (let x = left; x < left + side; x++) sum += pixels[y * info.width + x];
        return sum / side ** 2 / 255;
      };
      const ink = 0.105;
      const inked = 1 - mean(data);
      expect(Math.abs(1 - mean(shot) - inked * (1 - ink))).toBeLessThan(0.012);
    }
  }
});

test('a photograph becomes dots in its own colours, and leaves as geometry', async ({ page }) => {
  const id = await startJob(page, 'colours.png');
  await page.keyboard.press('1');
  await page.getByRole('button', { name: 'Cut, shape or dissolve' }).click();
  await page.getByRole('menuitem', { name: /^Colour dots/ }).click();
  // They are seen where the original is: each of them in one colour.
  await expect(page.getByRole('radio', { name: 'Original' })).toBeChecked();
  await exact(page);
  await page
    .getByRole('radiogroup', { name: 'Size of the colour dots' })
    .getByRole('radio', { name: 'By tone' })
    .click();
  const sharedBy = page.getByRole('textbox', { name: 'One colour for, number' });
  await sharedBy.fill('2');
  await sharedBy.press('Enter');
  await expect(page.getByText('2 × 2 dots share a colour.')).toBeVisible();
  await saved(page);
  const [original] = (await server.json<JobView>(`jobs/${id}`)).document.recipe.originals;
  expect(original.colourDots).toMatchObject({ by: 'tone', coarse: 2 });
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'SVG', exact: true }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('colours.svg');
  await page.getByRole('button', { name: 'Remove colour dots' }).click();
  await saved(page);
  const gone = await fetch(`${server.url}/api/jobs/${id}/originals/${original.id}/colour-dots.svg`);
  expect(gone.status).toBe(404);
});
