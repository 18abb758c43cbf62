import { expect, test } from '@playwright/test';
import { Server } from './server.ts';

const server = new Server(4301, true);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

test('a job is put away, deleted with what is its own, and storage tells what is left', async ({ page }) => {
  const job = (await server.jobs()).find(({ document }) => document.name === 'Low tide card')!;
  await server.json('runs', {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ jobId: job.id }),
  });
  await page.goto(`${server.url}/runs`);
  await expect(page.getByRole('link', { name: 'low-tide-card-deep-tide.tif' })).toBeVisible();
  await page.goto(`${server.url}/storage`);
  const films = page.getByRole('row', { name: 'Films' });
  await expect(films.getByRole('cell').nth(1)).toHaveText('1');
  await page.goto(server.url);
  const card = page.getByRole('listitem').filter({ hasText: 'Low tide card' });
  await card.getByRole('button', { name: 'Put away' }).click();
  await page.getByRole('button', { name: 'put away 1' }).click();
  await card.getByRole('button', { name: 'Delete…' }).click();
  const question = page.getByRole('alertdialog');
  await expect(question).toContainText(/Its undo history and 1 run with all films go with it\. That frees/);
  await question.getByRole('button', { name: 'Leave it' }).click();
  await card.getByRole('button', { name: 'Delete…' }).click();
  await page.getByRole('button', { name: 'Delete for good' }).click();
  await expect(page.getByText('Nothing here.')).toBeVisible();
  await page.getByRole('button', { name: 'back to the board' }).click();
  await expect(page.getByRole('link', { name: 'Open Moon over the reeds' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Open Low tide card' })).toHaveCount(0);
  await page.goto(`${server.url}/storage`);
  await expect(films.getByRole('cell').nth(1)).toHaveText('0');
  // Pictures of the board go, and come back when the board is looked at.
  const pictures = page.getByRole('row', { name: 'Pictures of proofs' });
  await expect(pictures.getByRole('cell').nth(1)).not.toHaveText('0');
  await pictures.getByRole('button', { name: 'Clean…' }).click();
  await page.getByRole('button', { name: 'Clean away' }).click();
  await expect(page.getByText(/Cleaned away \d+ pictures?: .* are free again/)).toBeVisible();
  await expect(pictures.getByRole('cell').nth(1)).toHaveText('0');
  // A run is deleted on its own card.
  await page.goto(`${server.url}/runs`);
  await expect(page.getByText('No films have been made yet')).toBeVisible();
});
