import { expect, test, type Page } from '@playwright/test';
import type { JobView } from '@brachytone/job';
import { dropFile, exact, softPicture, startPlain } from './pictures.ts';
import { Server } from './server.ts';

const server = new Server(4294);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

async function startJob(page: Page, name: string): Promise<string> {
  await page.goto(`${server.url}/`);
  await dropFile(page, name, await softPicture());
  await startPlain(page);
  await page.waitForURL(/screens$/);
  await page.getByRole('complementary', { name: 'Docket' }).waitFor();
  return /jobs\/([^/]+)/.exec(page.url())![1];
}

const saved = (page: Page) => expect(page.getByRole('status', { name: 'Saving' })).toHaveText('saved');

async function recipeOf(page: Page, id: string): Promise<JobView['document']['recipe']> {
  const job = (await (await page.request.get(`${server.url}/api/jobs/${id}`)).json()) as JobView;
  return job.document.recipe;
}

async function addStep(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name: 'Add a step' }).click();
  await page.getByRole('menuitem', { name: new RegExp(`^${name}`) }).click();
}

test('tone steps are added, set, moved, switched off and undone; all of it is there after a reload', async ({
  page,
}) => {
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(error.message));
  const id = await startJob(page, 'steps.png');
  await page.keyboard.press('2');
  await addStep(page, 'Levels');
  await addStep(page, 'Sharpen');
  const amount = page.getByRole('textbox', { name: 'Amount, number' });
  await amount.fill('200/2');
  await amount.press('Enter');
  await addStep(page, 'Invert');
  const kinds = async () => (await recipeOf(page, id)).originals[0].tone.steps.map(({ kind }) => kind);
  await saved(page);
  expect(await kinds()).toEqual(['levels', 'sharpen', 'invert']);
  // By the keyboard, as a screen reader's user would: up one place.
  const grip = page.getByRole('button', { name: 'Move Invert', exact: true });
  await grip.focus();
  await page.keyboard.press('Space');
  await page.waitForTimeout(250);
  await page.keyboard.press('ArrowUp');
  await page.waitForTimeout(250);
  await page.keyboard.press('Space');
  await expect(page.locator('aside')).toContainText(/levels · invert · sharpen/);
  await page.getByRole('switch', { name: 'Sharpen, on' }).click();
  await expect(page.locator('aside')).toContainText(/levels · invert/);
  await saved(page);
  const { steps } = (await recipeOf(page, id)).originals[0].tone;
  expect(steps.map(({ kind, on }) => [kind, on])).toEqual([
    ['levels', true],
    ['invert', true],
    ['sharpen', false],
  ]);
  expect(steps[2].settings).toMatchObject({ amount: 100 });
  await page.reload();
  await expect(page.locator('aside')).toContainText(/levels · invert/);
  for (let i = 0; i < 2; i++) await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await saved(page);
  expect(await kinds()).toEqual(['levels', 'sharpen', 'invert']);
  await page.getByRole('button', { name: 'Preparations' }).click();
  await page.getByRole('menuitem', { name: /^Flat bands for cloth/ }).click();
  await saved(page);
  expect(await kinds()).toEqual(['blur', 'bands', 'specks']);
  expect(errors).toEqual([]);
});

test('what is solid and bare is shown where it is, and the brush changes just what it paints over', async ({
  page,
}) => {
  const id = await startJob(page, 'ends.png');
  await exact(page);
  await page.keyboard.press('2');
  await addStep(page, 'Levels');
  const level = page.getByRole('textbox', { name: 'Bare level, number' });
  await level.fill('45');
  await level.press('Enter');
  await page.getByRole('button', { name: /Show where/ }).click();
  await exact(page);
  const blue = () =>
    page.evaluate(() => {
      const canvas = document.querySelector<HTMLCanvasElement>('[data-testid=table-canvas]')!;
      const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
      let count = 0;
      for (let i = 0; i < data.length; i += 4)
        if (data[i] === 47 && data[i + 1] === 143 && data[i + 2] === 196) count++;
      return count;
    });
  await expect.poll(blue).toBeGreaterThan(5000);
  const before = await blue();
  await addStep(page, 'Brush');
  await page.getByRole('radio', { name: 'Darkens' }).click();
  const layer = page.getByRole('application', { name: 'Brush' });
  const box = (await layer.boundingBox())!;
  await page.mouse.move(box.x + box.width * 0.3, box.y + box.height * 0.3);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.6, box.y + box.height * 0.6, { steps: 12 });
  await page.mouse.up();
  await expect(page.getByRole('button', { name: /Stroke 1/ })).toBeVisible();
  await expect.poll(blue).toBeLessThan(before - 1000);
  await saved(page);
  const job = (await (await page.request.get(`${server.url}/api/jobs/${id}`)).json()) as JobView;
  expect(job.steps.at(-1)!.label).toBe('Brush stroke');
  // The whole stroke is one step.
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('button', { name: /Stroke 1/ })).toBeHidden();
});

test('a gradient is laid over the photograph, dragged by its handles, turned, and taken away again', async ({
  page,
}) => {
  const id = await startJob(page, 'gradient.png');
  await page.keyboard.press('1');
  await page.getByRole('button', { name: 'Add to the sheet' }).click();
  await page.getByRole('menuitem', { name: /^Gradient/ }).click();
  await expect(page.getByRole('button', { name: 'First stop' })).toBeVisible();
  const drag = async (name: string, by: { x: number; y: number }) => {
    const box = (await page.getByRole('main').getByRole('button', { name }).boundingBox())!;
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x + by.x, y + by.y, { steps: 6 });
    await page.mouse.up();
  };
  await drag('Last stop', { x: 60, y: -80 });
  await drag('right bottom corner', { x: -80, y: -100 });
  await drag('Turn', { x: 90, y: 0 });
  await saved(page);
  const { originals, sheet } = await recipeOf(page, id);
  expect(originals.map(({ content }) => content.kind)).toEqual(['picture', 'gradient']);
  const { content, placement } = originals[1];
  if (content.kind !== 'gradient') throw new Error('not a gradient');
  expect(content.to.x).toBeGreaterThan(0.55);
  expect(content.to.y).toBeLessThan(0.9);
  expect(placement.width).toBeLessThan(sheet.width);
  expect(placement.turn).toBeGreaterThan(5);
  await page.getByRole('button', { name: 'Show Gradient', exact: true }).click();
  await page.getByRole('button', { name: 'Remove from the sheet' }).click();
  await saved(page);
  expect((await recipeOf(page, id)).originals).toHaveLength(1);
  for (let i = 0; i < 2; i++) await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await saved(page);
  expect((await recipeOf(page, id)).originals[1].shown).toBe(true);
});
