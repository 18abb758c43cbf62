import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { blendOf, COLOUR_BLEND_NAMES } from '@brachytone/core';
import sharp from 'sharp';
import { Server } from './server.ts';

const server = new Server(4288, true);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

async function idOf(name: string): Promise<string> {
  return (await server.jobs()).find(({ document }) => document.name === name)!.id;
}
const exact = async (page: Page) => {
  await page.waitForTimeout(300);
  await page.locator('[data-testid=table-canvas][data-sharpness=exact]').waitFor();
};

/** Share of the dark pixels of a strip along the table's top, where the film's slug is. */
const darkAbove = (page: Page) =>
  page.evaluate(() => {
    const canvas = document.querySelector<HTMLCanvasElement>('[data-testid=table-canvas]')!;
    const { data } = canvas.getContext('2d')!.getImageData(0, 60, canvas.width, 120);
    let dark = 0;
    for (let i = 0; i < data.length; i += 4) if (data[i + 3] > 0 && data[i] < 190) dark++;
    return dark;
  });

test('what is already on the stock is seen in its own colours under the inks, and is on no film', async ({
  page,
}) => {
  await page.goto(`${server.url}/jobs/${await idOf('Season leaflet')}/inks`);
  await exact(page);
  const cards = page.getByRole('region', { name: 'Plate rack' }).getByRole('group', { name: /^Plate / });
  await expect(cards).toHaveCount(4);
  await page.getByLabel('How it comes to the inks').selectOption('stock');
  await exact(page);
  // Of four inks the black of the lettering is left.
  await expect(cards).toHaveCount(1);
  const colours = await page.evaluate(() => {
    const canvas = document.querySelector<HTMLCanvasElement>('[data-testid=table-canvas]')!;
    const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
    let most = 0;
    for (let i = 0; i < data.length; i += 4) if (data[i + 3]) most = Math.max(most, data[i] - data[i + 2]);
    return most;
  });
  expect(colours).toBeGreaterThan(80);
  await page.getByLabel('Blend with the stock').selectOption('multiply');
  await page.getByLabel('Opacity, number').fill('50');
  await page.keyboard.press('Enter');
  await exact(page);
  await page.getByRole('button', { name: 'Make films' }).first().click();
  await expect(page.getByRole('link', { name: /season-leaflet-.*\.tif/ })).toHaveCount(1);
});

test('marks are switched on, seen on the film, and leave in a PDF of all plates, which is cleaned away by rule', async ({
  page,
}) => {
  await page.goto(`${server.url}/jobs/${await idOf('Members’ ticket')}/films`);
  await page.getByRole('radio', { name: 'Film', exact: true }).click();
  await exact(page);
  const facts = page.getByText(/× 4063 px/);
  await expect(facts).toBeVisible();
  await page.getByRole('button', { name: 'Those most printers ask for' }).click();
  await expect(facts).toBeHidden();
  await exact(page);
  await expect.poll(() => darkAbove(page)).toBeGreaterThan(200);
  await page.getByRole('switch', { name: 'Ruler' }).click();
  await page.getByRole('button', { name: 'Sizes of step wedge' }).click();
  await page.getByRole('textbox', { name: 'Steps, number' }).fill('6');
  await page.keyboard.press('Enter');
  await page.getByLabel('File kind').selectOption('pdf-films');
  await expect(page.getByText(/about .*kB/)).toBeVisible();
  await page.getByRole('button', { name: 'Make films' }).last().click();
  const link = page.getByRole('link', { name: 'members-ticket-all-inks.pdf' });
  const [download] = await Promise.all([page.waitForEvent('download'), link.click()]);
  const pdf = readFileSync(await download.path());
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  expect(pdf.toString('latin1')).toContain('/Separation /Lantern');
  // Changed since, it says so.
  await page.getByRole('switch', { name: 'Ruler' }).click();
  await expect(page.getByText('The job has changed since.')).toBeVisible();
  // And is cleaned away by a rule that says first what it frees.
  await page.goto(`${server.url}/runs`);
  await expect(page.getByRole('article').first()).toBeVisible();
  await page.getByLabel('Films are kept').selectOption('runs');
  await page.getByRole('textbox', { name: 'Runs' }).fill('0');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/Cleans away the films of \d+ runs? now and frees/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep to this' }).click();
  await expect(page.getByText('made, then cleaned away').first()).toBeVisible();
});

test('the print is saved as a picture without its stock', async ({ page }) => {
  await page.goto(`${server.url}/jobs/${await idOf('Night walk badge')}/films`);
  await page.getByRole('radio', { name: 'Clear' }).click();
  await page.getByRole('textbox', { name: 'Longer side' }).fill('600');
  await page.keyboard.press('Enter');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save picture' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('night-walk-badge.png');
  const { width, height, channels } = await sharp(await download.path()).metadata();
  expect([Math.max(width, height), channels]).toEqual([600, 4]);
});

test('a job is cut for a small printer, and the print leaves in its panels', async ({ page }) => {
  await page.goto(`${server.url}/jobs/${await idOf('Moon over the reeds')}/films`);
  await exact(page);
  const save = page.getByRole('button', { name: 'Save the print in panels' });
  await expect(save).toHaveCount(0);
  await page.getByLabel('Printer’s paper').selectOption({ label: 'A4, upright' });
  const begun = page.waitForEvent('download');
  await save.click();
  const download = await begun;
  expect(download.suggestedFilename()).toBe('moon-over-the-reeds-panels.pdf');
  const file = readFileSync(await download.path());
  expect(file.subarray(0, 5).toString()).toBe('%PDF-');
  // A page to put them together by, and two panels at least.
  expect(file.toString('latin1').match(/\/Type \/Page\b/g)!.length).toBeGreaterThan(2);
});

test('a job is packed and opened again from the board; its ticket is a page', async ({ page }) => {
  await page.goto(`${server.url}/jobs/${await idOf('Low tide card')}/films`);
  const [ticket] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Job ticket' }).click(),
  ]);
  expect(ticket.suggestedFilename()).toBe('low-tide-card-ticket.pdf');
  const [archive] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Job archive' }).click(),
  ]);
  expect(archive.suggestedFilename()).toBe('low-tide-card.zip');
  await page.goto(`${server.url}/`);
  await expect(page.getByRole('link', { name: 'Open Low tide card' })).toHaveCount(1);
  await page.getByLabel('Choose a picture').setInputFiles(await archive.path());
  await page.getByRole('complementary', { name: 'Docket' }).waitFor();
  await exact(page);
  await page.goto(`${server.url}/`);
  await expect(page.getByRole('link', { name: 'Open Low tide card' })).toHaveCount(2);
});

test('blends are those of the browser’s canvas, with alpha', async ({ page }) => {
  const under = [0.85, 0.35, 0.15] as const;
  const over = [0.2, 0.5, 0.95] as const;
  const opacity = 0.6;
  const css = (colour: readonly number[]) => `rgb(${colour.map((one) => Math.round(one * 255)).join(' ')})`;
  for (const name of COLOUR_BLEND_NAMES) {
    const seen = await page.evaluate(
      ([below, above, share, blend]) => {
        const canvas = new OffscreenCanvas(1, 1).getContext('2d')!;
        canvas.fillStyle = below;
        canvas.fillRect(0, 0, 1, 1);
        canvas.globalAlpha = share;
        canvas.globalCompositeOperation = blend === 'normal' ? 'source-over' : blend;
        canvas.fillStyle = above;
        canvas.fillRect(0, 0, 1, 1);
        return [...canvas.getImageData(0, 0, 1, 1).data];
      },
      [css(under), css(over), opacity, name] as const,
    );
    blendOf(name)(under, over).forEach((one, k) => {
      const want = 255 * (under[k] + (one - under[k]) * opacity);
      expect(Math.abs(seen[k] - want), `${name}, channel ${k}`).toBeLessThan(2);
    });
  }
});
