import { expect, test, type Page } from '@playwright/test';
import type { JobDocument, JobView } from '@brachytone/job';
import { Server } from './server.ts';

const server = new Server(4289, true);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

async function jobOf(name: string): Promise<{ id: string; document: JobDocument }> {
  return (await server.jobs()).find(({ document }) => document.name === name)!;
}
const recipeOf = async (id: string) =>
  ((await (await fetch(`${server.url}/api/jobs/${id}`)).json()) as JobView).document.recipe;
const checked = (page: Page) =>
  expect(page.getByRole('status', { name: 'Press check' })).not.toContainText('checking');
const saved = (page: Page) => expect(page.getByRole('status', { name: 'Saving' })).toHaveText('saved');

/** Mean of the middle of the table, 0–255. */
const light = (page: Page) =>
  page.evaluate(() => {
    const canvas = document.querySelector<HTMLCanvasElement>('[data-testid=table-canvas]')!;
    const { data } = canvas
      .getContext('2d')!
      .getImageData(canvas.width / 2 - 150, canvas.height / 2 - 150, 300, 300);
    let sum = 0;
    for (let i = 0; i < data.length; i += 4) sum += data[i];
    return sum / (data.length / 4);
  });
const exact = async (page: Page) => {
  await page.waitForTimeout(300);
  await page.locator('[data-testid=table-canvas][data-sharpness=exact]').waitFor();
};

test('a press turns the proof into its print; one key compares; a mend is tried, taken and undone', async ({
  page,
}) => {
  const { id } = await jobOf('Night walk badge');
  await page.goto(`${server.url}/jobs/${id}/press`);
  const choice = page.getByRole('combobox', { name: 'Press' });
  await choice.selectOption({ label: 'Hand table, coarse mesh, dark cloth' });
  await page.getByRole('switch', { name: 'Make films against its gain' }).click();
  await exact(page);
  const printed = await light(page);
  await page.keyboard.press('o');
  await expect(page.getByRole('button', { name: 'press off' })).toBeVisible();
  await exact(page);
  // The press adds to films that are not made against it.
  expect(printed).toBeLessThan((await light(page)) - 4);
  await page.keyboard.press('o');
  await page.getByRole('switch', { name: 'Make films against its gain' }).click();
  await checked(page);
  const findings = page.getByRole('list', { name: 'Findings' }).getByRole('listitem');
  const lost = findings.filter({ hasText: 'which are lost' });
  await lost.getByRole('button', { name: /^Try: Smallest dot/ }).click();
  await expect(page.getByRole('group', { name: 'Before and after' })).toBeVisible();
  await lost.getByRole('button', { name: /^Take: Smallest dot/ }).click();
  await checked(page);
  await expect(lost).toHaveCount(0);
  await saved(page);
  const [{ screen }] = (await recipeOf(id)).plates;
  expect(screen.smallest).toBeGreaterThan(4);
  await page.getByRole('button', { name: 'Undo' }).click();
  await checked(page);
  await expect(lost).toHaveCount(1);
});

test('films that will fail are asked about once, with a way to mend them', async ({ page }) => {
  const { id } = await jobOf('Open Night poster');
  await page.goto(`${server.url}/jobs/${id}/press`);
  await checked(page);
  await expect(page.getByRole('button', { name: /findings$/ })).toBeVisible();
  await page.getByRole('button', { name: 'Make films' }).click();
  const dialog = page.getByRole('alertdialog');
  await expect(dialog).toContainText('has no trap');
  await dialog.getByRole('button', { name: 'See what can be mended' }).click();
  await expect(dialog).toHaveCount(0);
  const runs = (await (await fetch(`${server.url}/api/runs`)).json()) as unknown[];
  expect(runs).toHaveLength(0);
});

test('a copy of a press is kept and changed; a job that has it is told of the change', async ({ page }) => {
  await page.goto(`${server.url}/presses`);
  await page.getByRole('link', { name: /Poster table/ }).click();
  await page.getByRole('button', { name: 'Keep a copy' }).click();
  await expect(page.getByRole('textbox', { name: 'Name of the press' })).toHaveValue(/own$/);
  const { id } = await jobOf('Moon over the reeds');
  await page.goto(`${server.url}/jobs/${id}/press`);
  await page.getByRole('combobox', { name: 'Press' }).selectOption({ label: 'Poster table, fine mesh, own' });
  await saved(page);
  const chosen = (await recipeOf(id)).press!.id;
  await page.goto(`${server.url}/presses/${chosen}`);
  await expect(page.getByRole('link', { name: 'Moon over the reeds' })).toBeVisible();
  const register = page.getByRole('textbox', { name: 'Register' });
  await register.fill('0.7');
  await register.press('Enter');
  await expect
    .poll(async () => JSON.stringify(await (await fetch(`${server.url}/api/shelf/presses`)).json()))
    .toContain('"register":0.7');
  await page.goto(`${server.url}/jobs/${id}/press`);
  await expect(page.getByText('register 0.3 → 0.7 mm')).toBeVisible();
  await page.getByRole('button', { name: 'Take the press room’s' }).click();
  await saved(page);
  expect((await recipeOf(id)).press!.press.register).toBe(0.7);
});

test('the dial tells the moiré at each angle, and turns the plate', async ({ page }) => {
  const { id } = await jobOf('Season leaflet');
  await page.goto(`${server.url}/jobs/${id}/press`);
  await exact(page);
  const docket = page.getByRole('complementary', { name: 'Docket' });
  await docket.getByRole('button', { name: '75°', exact: true }).click();
  const dial = page.getByRole('region', { name: 'Moiré at each angle' });
  await expect(dial.getByText('no moiré', { exact: true })).toBeVisible();
  const angle = dial.getByRole('textbox', { name: 'Angle on the dial' });
  // Four degrees beside another plate's 45°.
  await angle.fill('49');
  await angle.press('Enter');
  await expect(dial).toContainText(/contrast \d/);
  await checked(page);
  await expect(page.getByRole('list', { name: 'Findings' })).toContainText('beat with one another every');
});

test('presses that cannot be are refused with a sentence', async () => {
  const [press] = (await server.jobs()).flatMap(({ document }) => document.recipe.press?.press ?? []);
  const answer = await fetch(`${server.url}/api/shelf/presses`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ ...press, gain: { by: 'number', middle: 100, shape: 1 } }),
  });
  expect(answer.status).toBe(422);
  expect(((await answer.json()) as { detail: string }).detail).toContain('would leave no tone');
});

test('a press is calibrated on the simulated press, takes the curve, and the job that carries it is printed as asked', async ({
  page,
}) => {
  test.slow();
  const { id } = await jobOf('Night walk badge');
  await page.goto(`${server.url}/jobs/${id}/press`);
  await page.getByRole('combobox', { name: 'Press' }).selectOption({ label: 'Stencil duplicator' });
  await saved(page);
  // What ships stays as it is: a copy is measured, and the job goes along.
  await page.getByRole('button', { name: 'Calibrate…' }).click();
  await page.waitForURL(/\/calibrations\//);
  const calibration = page.url();
  await expect.poll(async () => (await recipeOf(id)).press?.id).toHaveLength(36);
  await page.getByRole('radio', { name: 'File' }).click();
  await page.getByLabel('Bring measurements').setInputFiles({
    name: 'wrong.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('film;printed\n0;100\n50;60\n100;0\n'),
  });
  await expect(page.getByText('perhaps two columns are the wrong way round')).toBeVisible();
  await page.getByLabel('Bring measurements').setInputFiles({
    name: 'right.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('film;printed\n75;90,5 %\n0;0\n10;16,4\n25;38,2\n50;69,8\n90;97\n100;100\n'),
  });
  await expect(page.getByText('Read out of a file.')).toBeVisible();
  await expect(page.getByText('+19.8 % at 50 %')).toBeVisible();
  await page.getByRole('radio', { name: 'Simulated' }).click();
  await page.getByRole('button', { name: 'Print and measure' }).click();
  await expect(page.getByText('Read by the simulated instrument.')).toBeVisible();
  // A reading is left out by a click, and is so on the server.
  await page.getByRole('button', { name: /^Reading 12:/ }).press('Enter');
  await expect(page.getByText('1 left out')).toBeVisible();
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByRole('button', { name: 'In use' })).toBeDisabled();
  await page.goto(`${server.url}/jobs/${id}/press`);
  await page.getByRole('button', { name: 'Take the press room’s' }).click();
  await saved(page);
  const { press } = await recipeOf(id);
  expect(press?.press.inkGains.map(({ ink }) => ink)).toEqual(['Ember']);
  await page.getByRole('button', { name: 'Pulls', exact: true }).click();
  await page.getByRole('button', { name: 'Print on the simulated press' }).click();
  const shares = page.getByRole('list', { name: 'Inked, percent of the sheet' });
  await expect(shares).toBeVisible();
  const [asked, printed] = Array.from((await shares.innerText()).matchAll(/\d+\.\d/g), ([one]) =>
    Number(one),
  );
  expect(Math.abs(printed - asked)).toBeLessThan(1.5);
  await page.getByRole('button', { name: 'Wipe', exact: true }).click();
  await expect(page.getByRole('group', { name: 'Wipe' }).getByRole('img')).toBeVisible();
  // It is taken back by taking an older one; here it is thrown away, and the press keeps its curve.
  await page.goto(calibration.replace(/\/calibrations.*/, ''));
  await page.getByRole('button', { name: /^Delete the calibration/ }).click();
  await expect(page.getByText('Not measured yet')).toBeVisible();
});
