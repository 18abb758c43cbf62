import { expect, test } from '@playwright/test';
import type { JobView } from '@brachytone/job';
import { Server } from './server.ts';

const server = new Server(4300, true);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

test('a job begins with an empty sheet, and gets a tint, lettering over it, and a copy of that', async ({
  page,
}) => {
  await page.goto(server.url);
  await page.getByRole('button', { name: 'New job' }).click();
  const dialog = page.getByRole('dialog', { name: 'New job' });
  await dialog.getByLabel('Sheet size').selectOption('A5');
  await dialog.getByRole('button', { name: 'Empty sheet' }).click();
  // The first test of a server that has only just begun, on a machine that has much to do.
  await expect(page.getByRole('button', { name: 'Add to the sheet' })).toBeVisible();
  const add = async (name: RegExp) => {
    await page.getByRole('button', { name: 'Add to the sheet' }).click();
    await page.getByRole('menuitem', { name }).click();
  };
  await add(/Flat tint/);
  await page.getByRole('textbox', { name: 'Tone, number' }).fill('35');
  await page.keyboard.press('Enter');
  await add(/Lettering/);
  await page.getByRole('button', { name: 'Duplicate Lettering' }).click();
  const list = page.getByRole('listitem');
  await list
    .getByRole('button', { name: /^Lettering, copy/ })
    .first()
    .dblclick();
  await page.getByRole('textbox', { name: 'Name of Lettering, copy' }).fill('Shadow');
  await page.keyboard.press('Enter');
  await page.getByLabel('Same place as').selectOption({ label: 'Flat tint' });
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  const id = page.url().split('/')[4];
  const { document, steps } = await server.json<JobView>(`jobs/${id}`);
  expect(document.recipe.sheet).toMatchObject({ width: 148, height: 210 });
  expect(document.recipe.originals.map(({ name }) => name)).toEqual(['Flat tint', 'Lettering', 'Shadow']);
  expect(document.recipe.originals[0].content).toMatchObject({ kind: 'tint', tone: 35 });
  expect(document.recipe.originals[2].placement).toMatchObject({ x: 0, width: 148 });
  expect(steps.map(({ label }) => label)).toEqual([
    'Add Flat tint',
    'Tone of the tint',
    'Add Lettering',
    'Duplicate Lettering',
    'Name of Lettering, copy',
    'Place',
  ]);
  // Any step is gone back to from the list of them.
  await page.getByRole('button', { name: 'Steps' }).click();
  await page.getByRole('menuitem', { name: 'Add Lettering' }).click();
  await expect(page.getByRole('button', { name: /^Lettering/ })).toHaveCount(1);
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  expect((await server.json<JobView>(`jobs/${id}`)).position).toBe(3);
});

test('what was put away is found, and comes back at once', async ({ page }) => {
  await page.goto(server.url);
  const card = page.getByRole('listitem').filter({ hasText: 'Night walk badge' });
  await card.getByRole('button', { name: 'Put away' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(card.getByRole('button', { name: 'Put away' })).toBeVisible();
  await card.getByRole('button', { name: 'Put away' }).click();
  await expect(card).toHaveCount(0);
  await page.getByRole('searchbox', { name: 'Find a job' }).fill('night walk');
  const away = page.getByRole('region', { name: 'Put away' });
  await away.getByRole('button', { name: 'Put back' }).click();
  await expect(away).toHaveCount(0);
  await expect(card.getByRole('button', { name: 'Put away' })).toBeVisible();
});

test('a job has another one’s settings', async ({ page }) => {
  await page.goto(server.url);
  await page.getByRole('button', { name: 'New job' }).click();
  const dialog = page.getByRole('dialog', { name: 'New job' });
  await dialog.getByLabel('Settings').selectOption({ label: 'as in Moon over the reeds' });
  const chosen = page.waitForEvent('filechooser');
  await dialog.getByRole('button', { name: 'Choose a file' }).click();
  await (await chosen).setFiles('demo/originals/marsh-at-dusk.jpg');
  await page.waitForURL(/\/jobs\/.*\/screens/);
  const moon = (await server.jobs()).find(({ document }) => document.name === 'Moon over the reeds')!.document
    .recipe;
  const { document } = await server.json<JobView>(`jobs/${page.url().split('/')[4]}`);
  expect(document.name).toBe('marsh-at-dusk');
  const { inks, plates, stock, sheet, originals } = document.recipe;
  expect({ inks, plates, stock }).toEqual({ inks: moon.inks, plates: moon.plates, stock: moon.stock });
  expect(originals[0].tone).toEqual(moon.originals[0].tone);
  // The sheet is as long as that one's, and of the picture's shape.
  expect(Math.max(sheet.width, sheet.height)).toBe(420);
});
