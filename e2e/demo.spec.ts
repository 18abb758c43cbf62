import { expect, test } from '@playwright/test';
import { exact } from './pictures.ts';
import { Server } from './server.ts';

const server = new Server(4293, true, {}, true);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

test('a fresh board has the demo jobs with their proofs, to find, copy, put away and open', async ({
  page,
}) => {
  await page.goto(server.url);
  const cards = page.getByRole('link', { name: /^Open / });
  await expect(cards).toHaveCount(10);
  for (const image of await page.getByRole('img', { name: /Proof of/ }).all()) {
    await expect
      .poll(() => image.evaluate((one: HTMLImageElement) => one.complete && one.naturalWidth))
      .toBeGreaterThan(100);
  }
  await page.getByRole('searchbox', { name: 'Find a job' }).fill('tide');
  await expect(cards).toHaveCount(1);
  await page.getByRole('button', { name: 'Duplicate' }).click();
  await expect(cards).toHaveCount(2);
  await page.getByRole('button', { name: 'Put away' }).first().click();
  // It is still found, among what was put away.
  const foundAway = page.getByRole('region', { name: 'Put away' });
  await expect(foundAway.getByRole('link', { name: /^Open / })).toHaveCount(1);
  await expect(cards).toHaveCount(2);
  await page.getByRole('searchbox', { name: 'Find a job' }).fill('');
  await page.getByRole('link', { name: 'Open Night walk badge' }).click();
  await exact(page);
  await expect(page.getByLabel('Plate rack')).toContainText(/covers \d+\.\d %/);
});
