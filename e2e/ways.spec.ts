import { expect, test } from '@playwright/test';
import type { JobView } from '@brachytone/job';
import { strToU8, zipSync } from 'fflate';
import { dropFile, dropFiles, exact, softPicture } from './pictures.ts';
import { Server } from './server.ts';

/** Ways of working: a first look, treatments, series, the handbook. */
// Tests share these jobs: each changes only what no other one asks for.
const server = new Server(4316, true);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

const recipeOf = async (url: string) =>
  (await server.json<JobView>(`jobs/${/jobs\/([^/]+)/.exec(url)![1]}`)).document.recipe;

test('a dropped picture is seen in twelve treatments on the sheet that is asked for, and begun with one', async ({
  page,
}) => {
  await page.goto(server.url);
  await dropFile(page, 'tide.png', await softPicture(600, 400));
  await page.waitForURL('**/first-look/**');
  const cards = page.getByRole('list', { name: 'Treatments' }).getByRole('listitem');
  await expect(cards).toHaveCount(12);
  // Every one is a proof of this very picture, not a sample.
  await expect
    .poll(() =>
      cards
        .locator('img')
        .evaluateAll(
          (all) => (all as HTMLImageElement[]).filter(({ naturalWidth }) => naturalWidth > 0).length,
        ),
    )
    .toBe(12);
  await page.getByLabel('Printed on').selectOption({ label: 'A5, filled' });
  await expect(page.getByText('210 × 148 mm', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Begin with Pulp cover' }).click();
  await page.waitForURL('**/jobs/*/screens');
  await exact(page);
  const recipe = await recipeOf(page.url());
  expect(recipe.sheet).toMatchObject({ width: 210, height: 148 });
  expect(recipe.originals.map(({ content }) => content.kind)).toEqual(['tint', 'picture']);
});

test('a treatment is laid on a job in one step that is undone; a job’s look is kept, and laid on another', async ({
  page,
}) => {
  const poster = (await server.jobs()).find(({ document }) => document.name === 'Open Night poster')!;
  await page.goto(`${server.url}/jobs/${poster.id}/screens`);
  await exact(page);
  await page.getByRole('button', { name: 'Treatments' }).click();
  const dialog = page.getByRole('dialog', { name: 'Treatments' });
  await dialog.getByRole('button', { name: 'Lay on Dark cloth with a white base' }).click();
  await expect(dialog).toBeHidden();
  await exact(page);
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  const laid = await recipeOf(page.url());
  expect(laid.stock.name).toBe('Peat cloth');
  expect(laid.plates).toHaveLength(4);
  // Texts and places are the job's own.
  const before = poster.document.recipe;
  expect(laid.originals.map(({ placement }) => placement)).toEqual(
    before.originals.map(({ placement }) => placement),
  );
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await expect.poll(async () => recipeOf(page.url())).toEqual(before);

  await page.getByRole('button', { name: 'Treatments' }).click();
  await dialog.getByRole('button', { name: 'Keep this look…' }).click();
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Open night look');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(dialog.getByRole('button', { name: 'Lay on Open night look' })).toBeVisible();

  const moon = (await server.jobs()).find(({ document }) => document.name === 'Moon over the reeds')!;
  await page.goto(`${server.url}/jobs/${moon.id}/screens`);
  await exact(page);
  await page.getByRole('button', { name: 'Treatments' }).click();
  await dialog.getByRole('button', { name: 'Lay on Open night look' }).click();
  await expect(dialog).toBeHidden();
  await exact(page);
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  const like = await recipeOf(page.url());
  expect({ inks: like.inks, plates: like.plates }).toEqual({ inks: before.inks, plates: before.plates });
  expect(like.sheet).toEqual(moon.document.recipe.sheet);

  await page.goto(`${server.url}/treatments`);
  await page.getByRole('button', { name: 'Take Open night look off the shelf' }).click();
  await expect(page.getByText('No treatment of your own yet')).toBeVisible();
});

test('pictures dropped on an open job lie on its sheet, or are a series of it; on the board they are one at once', async ({
  page,
}) => {
  const card = (await server.jobs()).find(({ document }) => document.name === 'Low tide card')!;
  const before = card.document.recipe.originals.length;
  const two = [
    { name: 'ebb.png', bytes: await softPicture(300, 200) },
    { name: 'flood.png', bytes: await softPicture(200, 300) },
  ];
  await page.goto(`${server.url}/jobs/${card.id}/screens`);
  await exact(page);
  await dropFiles(page, page.getByRole('region', { name: 'Lay all on this sheet' }), two);
  await exact(page);
  await expect.poll(async () => (await recipeOf(page.url())).originals.length).toBe(before + 2);
  const [ebb, flood] = (await recipeOf(page.url())).originals.slice(-2);
  expect([ebb.name, flood.name]).toEqual(['ebb.png', 'flood.png']);
  // Beside one another.
  expect(flood.placement.x).toBeGreaterThanOrEqual(ebb.placement.x + ebb.placement.width);

  await dropFiles(page, page.getByRole('region', { name: 'Make this job 2 times' }), two);
  await page.waitForURL('**/series');
  const sheet = page.getByRole('list', { name: 'Contact sheet' }).getByRole('listitem');
  await expect(sheet).toHaveCount(2);

  await page.goto(server.url);
  await dropFiles(page, page.getByRole('region', { name: 'Start a job' }), two);
  await expect(page.getByText('the first of 2 pictures for a series')).toBeVisible();
  await page
    .getByRole('button', { name: /^Begin with/ })
    .first()
    .click();
  await page.waitForURL('**/series');
  await expect(sheet).toHaveCount(2);
  // They are taken once.
  await page.reload();
  await expect(sheet).toHaveCount(2);
});

test('an archive of pictures with a table becomes a series, trimmed one by one, and its films', async ({
  page,
}) => {
  const single = (await server.jobs()).find(({ document }) => document.name === 'Night walk badge')!;
  await page.goto(`${server.url}/jobs/${single.id}/screens`);
  await page.getByRole('link', { name: 'Series' }).click();
  const zip = zipSync({
    'low tide.png': await softPicture(300, 200),
    'deep/high tide.png': await softPicture(200, 320),
    'guests.csv': strToU8(
      'picture,Guest\nhigh tide.png,Ines Marsh\nlow tide.png,Otto Reed\nlost.png,Lena Quay\n',
    ),
    'broken.png': strToU8('no picture'),
  });
  await page
    .getByLabel('Choose pictures or a table')
    .setInputFiles({ name: 'tides.zip', mimeType: 'application/zip', buffer: Buffer.from(zip) });
  const sheet = page.getByRole('list', { name: 'Contact sheet' }).getByRole('listitem');
  await expect(sheet).toHaveCount(3);
  const left = page.getByRole('region', { name: 'Not taken' });
  await expect(left).toContainText('broken.png: This is not a picture');
  await expect(left).toContainText('“lost.png” was not given');
  await page.getByRole('textbox', { name: 'Pattern of the films’ names' }).fill('{Guest} {no}');
  await page.keyboard.press('Enter');
  await expect(page.getByText('ines-marsh-1.tif …')).toBeVisible();

  await page.getByRole('button', { name: /^Trim number 1/ }).click();
  const trim = page.getByRole('dialog');
  await trim.getByRole('slider', { name: 'Enlarged' }).focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(trim.getByRole('button', { name: 'As all others' })).toBeVisible();
  await trim.getByRole('button', { name: 'Done' }).click();
  await expect(sheet.first()).toContainText('trimmed');
  await page.getByRole('button', { name: 'Take number 3 out' }).click();
  await expect(sheet).toHaveCount(2);
  // It is there again after the page was left.
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await page.reload();
  await expect(sheet).toHaveCount(2);
  await expect(sheet.first()).toContainText('trimmed');

  await page.getByRole('button', { name: 'Make 2 films' }).click();
  await page.waitForURL('**/runs');
  await expect(page.getByText('series of 2')).toBeVisible();
  await expect(page.getByRole('link', { name: 'otto-reed-2.tif' })).toBeVisible();
});

test('the handbook opens at what a control is about, and is searched', async ({ page, context }) => {
  const poster = (await server.jobs()).find(({ document }) => document.name === 'Open Night poster')!;
  await page.goto(`${server.url}/jobs/${poster.id}/original`);
  const opened = context.waitForEvent('page');
  await page.getByRole('link', { name: 'Sheet in the handbook', exact: true }).click();
  const help = await opened;
  await help.waitForURL('**/handbook/original#sheet');
  await expect(help.getByRole('heading', { name: 'Sheet', exact: true })).toBeInViewport();
  await help.getByRole('searchbox', { name: 'Search the handbook' }).fill('checkerbord');
  await help.getByRole('link', { name: 'Where dots touch' }).click();
  await expect(help.getByRole('heading', { name: 'Where dots touch' })).toBeInViewport();
  await help.getByRole('link', { name: 'Spiral' }).click();
  await expect(help.getByRole('img', { name: 'Spiral' })).toBeVisible();
});
