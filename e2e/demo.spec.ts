import { expect, test } from '@playwright/test';
import { exact } from './pictures.ts';
import { Server } from './server.ts';

const server = new Server(4293, true, {}, true);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

test('a board asks for three proofs at a time, and gives up those that are left', async ({ page }) => {
  /** Proofs that are being asked for, the most at once, and all that were. */
  const asked = { now: 0, most: 0, all: 0 };
  const isProof = (url: string) => url.includes('/proof.png');
  page.on('request', (request) => {
    if (!isProof(request.url())) return;
    asked.all++;
    asked.most = Math.max(asked.most, ++asked.now);
  });
  for (const ended of ['requestfinished', 'requestfailed'] as const)
    page.on(ended as 'requestfailed', (request) => {
      if (isProof(request.url())) asked.now--;
    });
  await page.goto(server.url);
  await expect.poll(() => asked.now).toBe(3);
  await page.getByRole('link', { name: 'Runs' }).click();
  await expect.poll(() => asked.now).toBe(0);
  expect(asked.all).toBeLessThan(10);
  expect(asked.most).toBe(3);
});

test('a fresh board has the demo jobs with their proofs, to find, copy, put away and open', async ({
  page,
}) => {
  await page.goto(server.url);
  const cards = page.getByRole('link', { name: /^Open / });
  await expect(cards).toHaveCount(10);
  for (const image of await page.getByRole('img', { name: /Proof of/ }).all()) {
    // Those far below are asked for once they are near.
    await image.scrollIntoViewIfNeeded();
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
