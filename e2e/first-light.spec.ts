import { readFileSync } from 'node:fs';
import { expect, test, type Page, type Route } from '@playwright/test';
import type { Bits } from '@brachytone/core';
import type { JobDocument } from '@brachytone/job';
import sharp from 'sharp';
import { dropFile, exact, softPicture, startPlain } from './pictures.ts';
import { Server } from './server.ts';

const server = new Server(4291);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

/** A new job from a dropped picture, on a small sheet so that films are quick. */
async function startJob(page: Page, name: string): Promise<string> {
  await page.goto(server.url);
  await dropFile(page, name, await softPicture());
  await startPlain(page);
  await page.waitForURL('**/jobs/*/screens');
  await page.getByRole('complementary', { name: 'Docket' }).waitFor();
  await page.keyboard.press('1');
  await setNumber(page, 'Sheet width', '80');
  await setNumber(page, 'Sheet height', '100mm');
  await setNumber(page, 'Film, number', '600');
  await page.keyboard.press('4');
  return page.url().split('/jobs/')[1].split('/')[0];
}

async function setNumber(page: Page, label: string, text: string): Promise<void> {
  const field = page.getByRole('textbox', { name: label, exact: true });
  await field.fill(text);
  await field.press('Enter');
  await field.blur();
}

const saved = (page: Page) => expect(page.getByRole('status', { name: 'Saving' })).toHaveText('saved');

/** The table's picture as the screen has it: bytes of every pixel of the canvas. */
const tablePixels = (page: Page) =>
  page.getByTestId('table-canvas').evaluate((canvas: HTMLCanvasElement) => {
    const { width, height } = canvas;
    const { data } = canvas.getContext('2d')!.getImageData(0, 0, width, height);
    return {
      width,
      height,
      grey: Array.from({ length: width * height }, (_, i) => (data[4 * i + 3] ? data[4 * i] : -1)),
    };
  });

test('from a dropped photograph to a film whose bits are the table’s', async ({ page }) => {
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(error.message));
  const id = await startJob(page, 'marsh.png');
  await expect(page).toHaveTitle(/marsh/);
  await setNumber(page, 'Ruling, number', '180/4');
  await setNumber(page, 'Angle, number', '22.5');
  await page.getByRole('radio', { name: 'Ellipse' }).click();
  await page.keyboard.press('2');
  await page.getByRole('button', { name: 'Add a step' }).click();
  await page.getByRole('menuitem', { name: 'Levels' }).click();
  await setNumber(page, 'Middle, number', '1.2');
  await saved(page);

  await page.getByRole('button', { name: 'Make films' }).first().click();
  await expect(page).toHaveURL(/films$/);
  const link = page.getByRole('link', { name: /marsh-black\.tif/ });
  await link.waitFor();
  const [download] = await Promise.all([page.waitForEvent('download'), link.click()]);
  const tiff = readFileSync(await download.path());
  const { data, info } = await sharp(tiff).toColourspace('b-w').raw().toBuffer({ resolveWithObject: true });
  // 80 × 100 mm at 600 dpi.
  expect([info.width, info.height]).toEqual([1890, 2362]);
  expect((await sharp(tiff).metadata()).density).toBe(600);

  // At every dot, one film pixel is one screen pixel: the screen shows the file's own bits.
  await page.getByRole('radio', { name: 'Film' }).click();
  await page.keyboard.press('d');
  await exact(page);
  const shown = await tablePixels(page);
  let best = Infinity;
  let dark = 0;
  // Where the film lies on the screen is read from its middle: found by trying the few places rounding allows.
  const rows = Array.from({ length: 40 }, (_, i) => 300 + i);
  for (let offsetY = 0; offsetY < 3; offsetY++) {
    for (let offsetX = 0; offsetX < 3; offsetX++) {
      let different = 0;
      dark = 0;
      for (const y of rows) {
        for (let x = 300; x < 700; x++) {
          const screen = shown.grey[y * shown.width + x];
          const filmX = x - Math.round(shown.width / 2) + 945 - 1 + offsetX;
          const filmY = y - Math.round((shown.height + 8) / 2) + 1181 - 1 + offsetY;
          const ink = data[filmY * info.width + filmX] < 128;
          if (ink) dark++;
          if (ink !== screen < 100) different++;
        }
      }
      best = Math.min(best, different);
    }
  }
  expect(dark).toBeGreaterThan(1000);
  expect(best).toBe(0);
  expect(id).toMatch(/^[0-9a-f-]{36}$/);
  expect(errors).toEqual([]);
});

test('zoomed out, the table is the average of the film’s bits', async ({ page }) => {
  await startJob(page, 'average.png');
  await setNumber(page, 'Ruling, number', '60');
  await saved(page);
  await page.keyboard.press('6');
  await page.getByRole('button', { name: 'Make films' }).first().click();
  const link = page.getByRole('link', { name: /average-black\.tif/ });
  await link.waitFor();
  const [download] = await Promise.all([page.waitForEvent('download'), link.click()]);
  await page.getByRole('radio', { name: 'Proof' }).click();
  await page.keyboard.press('f');
  await exact(page);
  const shown = await tablePixels(page);
  const { data, info } = await sharp(readFileSync(await download.path()))
    .toColourspace('b-w')
    .raw()
    .toBuffer({ resolveWithObject: true });
  // The sheet is where the canvas is painted.
  const isPainted = (x: number, y: number) => shown.grey[y * shown.width + x] >= 0;
  const middle = { x: Math.floor(shown.width / 2), y: Math.floor(shown.height / 2) };
  let [left, right, top, bottom] = [middle.x, middle.x, middle.y, middle.y];
  while (isPainted(left - 1, middle.y)) left--;
  while (isPainted(right, middle.y)) right++;
  while (isPainted(middle.x, top - 1)) top--;
  while (isPainted(middle.x, bottom)) bottom++;
  const columns = right - left;
  const rows = bottom - top;
  expect(columns).toBeGreaterThan(200);
  // The mean light of a patch of the screen is that of the same patch of the film, ink and stock as the job has them.
  const linear = (value: number) => (value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4);
  const ink = linear(0x1b / 255);
  const patch = { x: Math.floor(columns * 0.3), y: Math.floor(rows * 0.3), size: Math.floor(columns * 0.3) };
  let screen = 0;
  for (let y = 0; y < patch.size; y++) {
    for (let x = 0; x < patch.size; x++) {
      screen +=
        linear(shown.grey[(top + patch.y + y) * shown.width + left + patch.x + x] / 255) / patch.size ** 2;
    }
  }
  const scale = info.height / rows;
  let film = 0;
  let pixels = 0;
  for (let y = Math.round(patch.y * scale); y < Math.round((patch.y + patch.size) * scale); y++) {
    for (let x = Math.round(patch.x * scale); x < Math.round((patch.x + patch.size) * scale); x++) {
      film += data[y * info.width + x] < 128 ? ink : 1;
      pixels++;
    }
  }
  expect(Math.abs(screen - film / pixels)).toBeLessThan(0.006);
});

test('a sheet that is dragged, while it is drawn too, takes its picture along', async ({ page }) => {
  await startJob(page, 'dragged.png');
  await page.keyboard.press('f');
  await exact(page);
  const sheet = page.getByRole('main', { name: 'Light table' }).locator('> div').first();
  const seen = async () => {
    const box = (await sheet.boundingBox())!;
    // Inside what lies over the table: rulers beside it, bars above and below.
    const clip = { x: box.x + 4, y: box.y + 40, width: box.width - 8, height: box.height - 120 };
    return sharp(await page.screenshot({ clip }))
      .greyscale()
      .raw()
      .toBuffer();
  };
  const before = await seen();
  const box = (await sheet.boundingBox())!;
  const start = { x: box.x - 30, y: box.y + box.height / 2 };
  // A change of the screen is still being drawn while the hand moves.
  await setNumber(page, 'Ruling, number', '41');
  await page.mouse.move(start.x, start.y);
  await page.mouse.down();
  for (let i = 1; i <= 20; i++) await page.mouse.move(start.x + i * 4, start.y + i);
  await page.mouse.up();
  await setNumber(page, 'Ruling, number', '30');
  await page.keyboard.press('Escape');
  await exact(page);
  expect((await sheet.boundingBox())!.x).toBeCloseTo(box.x + 80, 0);
  const differs = (a: Buffer, b: Buffer) =>
    a.reduce((sum, level, i) => sum + Math.abs(level - b[i]), 0) / a.length;
  await page.mouse.move(5, 5);
  expect(differs(await seen(), before)).toBeLessThan(1);
  // And so without anything to draw.
  await page.mouse.move(start.x, start.y);
  await page.mouse.down();
  for (let i = 1; i <= 10; i++) await page.mouse.move(start.x - i * 6, start.y - i);
  await page.mouse.up();
  await page.mouse.move(5, 5);
  expect((await sheet.boundingBox())!.x).toBeCloseTo(box.x + 20, 0);
  expect(differs(await seen(), before)).toBeLessThan(1);
});

test('the browser’s worker makes the film’s bits', async ({ page }) => {
  const id = await startJob(page, 'same-bits.png');
  await saved(page);
  const run = await server.json<{ id: string }>('runs', {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ jobId: id }),
  });
  let film: { status: string; films: { file: string }[] };
  do {
    await page.waitForTimeout(100);
    film = await server.json(`runs/${run.id}`);
  } while (film.status !== 'done');
  const file = Buffer.from(
    await (await fetch(`${server.url}/api/runs/${run.id}/films/${film.films[0].file}`)).arrayBuffer(),
  );
  const { data, info } = await sharp(file).toColourspace('b-w').raw().toBuffer({ resolveWithObject: true });
  await exact(page);
  const { document } = await server.json<{ document: { recipe: unknown } }>(`jobs/${id}`);
  const bits = await page.evaluate(async (recipe) => {
    const { brachytone } = window as unknown as {
      brachytone: { filmBits(recipe: unknown, plate: number): Promise<Bits> };
    };
    const made = await brachytone.filmBits(recipe, 0);
    return { ...made, data: Array.from(made.data) };
  }, document.recipe);
  expect([bits.width, bits.height]).toEqual([info.width, info.height]);
  let different = 0;
  for (let y = 0; y < bits.height; y++) {
    for (let x = 0; x < bits.width; x++) {
      const bit = (bits.data[y * bits.stride + (x >> 3)] >> (7 - (x & 7))) & 1;
      if (bit !== (data[y * info.width + x] < 128 ? 1 : 0)) different++;
    }
  }
  expect(different).toBe(0);
});

test('undo, redo and reload: everything is where it was, undo included', async ({ page }) => {
  await startJob(page, 'undo.png');
  const ruling = page.getByRole('textbox', { name: 'Ruling, number' });
  await setNumber(page, 'Ruling, number', '50');
  await setNumber(page, 'Ruling, number', '70');
  await page.keyboard.press('Control+z');
  await expect(ruling).toHaveValue('50 lpi');
  await page.keyboard.press('Control+Shift+z');
  await expect(ruling).toHaveValue('70 lpi');
  // One drag of a slider is one step.
  const thumb = page.getByRole('slider', { name: 'Angle' });
  const box = (await thumb.boundingBox())!;
  await page.mouse.move(box.x + 3, box.y + 8);
  await page.mouse.down();
  // It stays one when it takes long, and what there is of it is saved meanwhile.
  for (const to of [20, 40, 60]) {
    for (let by = to - 20; by < to; by += 4) await page.mouse.move(box.x + 3 + by, box.y + 8);
    await saved(page);
  }
  await page.mouse.up();
  await saved(page);
  await page.reload();
  await expect(ruling).toHaveValue('70 lpi');
  await expect(page.getByRole('textbox', { name: 'Angle, number' })).not.toHaveValue('45°');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('textbox', { name: 'Angle, number' })).toHaveValue('45°');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(ruling).toHaveValue('50 lpi');
  await saved(page);
  await page.reload();
  await expect(ruling).toHaveValue('50 lpi');
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(ruling).toHaveValue('70 lpi');
});

test('a picture that cannot be drawn says so, with a way on, and the log hears of it', async ({ page }) => {
  const told: string[] = [];
  page.on('request', (request) => {
    if (request.url().endsWith('/api/page-failures')) told.push(request.postData() ?? '');
  });
  // Workers that fail at one ruling, as they would at a fault of ours.
  const fault = `const plain = JSON.stringify; JSON.stringify = (...given) => {
    const text = plain(...given);
    if (text?.includes('"ruling":77')) throw new RangeError('No screen of 77 lpi here.');
    return text;
  };`;
  await page.route('**/worker-*.js', async (route) => {
    const response = await route.fetch();
    await route.fulfill({ response, body: fault + (await response.text()) });
  });
  await startJob(page, 'fault.png');
  await exact(page);
  await setNumber(page, 'Ruling, number', '77');
  const notice = page.getByRole('alert').filter({ hasText: 'could not be drawn' });
  await expect(notice).toContainText('No screen of 77 lpi here.');
  // The page tells the server of it, and the test of its asking, in their own time.
  await expect.poll(() => told.length).toBe(1);
  expect(told[0]).toContain('RangeError: No screen of 77 lpi here.');
  await notice.getByRole('button', { name: 'Undo the last change' }).click();
  await expect(notice).toBeHidden();
  await exact(page);
});

test('bad files are refused with a sentence, and the board stays as it was', async ({ page }) => {
  await page.goto(server.url);
  await dropFile(page, 'letter.png', Buffer.from('Dear printer'));
  await expect(page.getByText('“letter.png”: This is not a picture')).toBeVisible();
  await dropFile(page, 'nothing.jpg', Buffer.alloc(0), 'image/jpeg');
  await expect(page.getByText('“nothing.jpg”: The file is empty')).toBeVisible();
  await expect(page).toHaveURL(`${server.url}/`);
});

test('a number that cannot be read is marked and changes nothing', async ({ page }) => {
  await startJob(page, 'numbers.png');
  const ruling = page.getByRole('textbox', { name: 'Ruling, number' });
  await ruling.fill('fine');
  await ruling.press('Enter');
  await expect(ruling).toHaveAttribute('aria-invalid', 'true');
  await ruling.press('Escape');
  await expect(ruling).toHaveValue('30 lpi');
  await ruling.press('ArrowUp');
  await expect(ruling).toHaveValue('31 lpi');
  await ruling.press('Shift+ArrowDown');
  await expect(ruling).toHaveValue('21 lpi');
});

test('a job changed in two windows: neither version is lost', async ({ page, context }) => {
  await startJob(page, 'windows.png');
  await saved(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await setNumber(other, 'Ruling, number', '55');
  await saved(other);
  await setNumber(page, 'Ruling, number', '65');
  await expect(page.getByRole('alert')).toContainText('changed elsewhere');
  await page.getByRole('button', { name: 'Take the other' }).click();
  await expect(page.getByRole('textbox', { name: 'Ruling, number' })).toHaveValue('55 lpi');
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(page.getByRole('textbox', { name: 'Ruling, number' })).toHaveValue('65 lpi');
  await saved(page);
});

test('what could not be saved is back when the job is opened again, and a conflict is there until it is settled', async ({
  page,
  context,
}) => {
  await startJob(page, 'unsaved.png');
  await saved(page);
  const address = page.url();
  const away = (route: Route) => (route.request().method() === 'PUT' ? route.abort() : route.continue());
  const ruling = (of: Page) => of.getByRole('textbox', { name: 'Ruling, number' });
  // The server cannot be reached, and the window is closed.
  await server.kill();
  await setNumber(page, 'Ruling, number', '61');
  await expect(page.getByRole('alert')).toContainText('kept here');
  await page.waitForTimeout(400);
  await page.close();
  await server.start();
  const again = await context.newPage();
  await again.goto(address);
  await expect(ruling(again)).toHaveValue('61 lpi');
  await expect(again.getByText('Changes that could not be saved last time are back.')).toBeVisible();
  await saved(again);
  // Once more, and the job is saved elsewhere before it is opened again; leaving settles nothing.
  await again.route('**/api/jobs/*', away);
  await setNumber(again, 'Ruling, number', '62');
  await expect(again.getByRole('alert')).toContainText('kept here');
  await again.waitForTimeout(400);
  const other = await context.newPage();
  await other.goto(address);
  await setNumber(other, 'Ruling, number', '63');
  await saved(other);
  await again.unroute('**/api/jobs/*');
  await again.reload();
  await expect(again.getByRole('alert')).toContainText('Both versions are still there');
  await again.getByRole('link', { name: 'Job board', exact: true }).click();
  await again.getByRole('link', { name: 'Open unsaved' }).click();
  await expect(again.getByRole('alert')).toContainText('Both versions are still there');
  await expect(ruling(again)).toHaveValue('62 lpi');
  await again.getByRole('button', { name: 'Keep this window’s' }).click();
  await saved(again);
  await expect(ruling(again)).toHaveValue('62 lpi');
  const id = /jobs\/([^/]+)/.exec(address)?.[1];
  const pulls = await server.json<{ name: string; document: JobDocument }[]>(`jobs/${id}/pulls`);
  expect(pulls.map(({ name }) => name)).toEqual([expect.stringMatching(/^Another window’s, /)]);
  expect(pulls[0].document.recipe.plates[0].screen.settings.ruling).toBe(63);
});

test('a run shows how far it is and can be cancelled', async ({ page }) => {
  await startJob(page, 'large.png');
  await page.keyboard.press('1');
  await setNumber(page, 'Sheet width', '900');
  await setNumber(page, 'Sheet height', '1100');
  await setNumber(page, 'Film, number', '2400');
  await page.keyboard.press('6');
  await saved(page);
  await page.getByRole('button', { name: 'Make films' }).first().click();
  const bar = page.getByRole('progressbar', { name: 'Films made' });
  await bar.waitFor();
  await expect(async () =>
    expect(Number(await bar.getAttribute('aria-valuenow'))).toBeGreaterThan(0),
  ).toPass();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByText('cancelled')).toBeVisible();
  await page.goto(`${server.url}/runs`);
  await expect(page.getByRole('article').first()).toContainText('cancelled');
});

test('print size goes by the pixels of the screen, once somebody has measured them', async ({ page }) => {
  await startJob(page, 'size.png');
  await exact(page);
  const percent = async () => parseFloat((await page.getByLabel('Zoom').textContent())!);
  const fitted = await percent();
  await page.keyboard.press('r');
  const size = page.getByRole('button', { name: 'Size of the screen’s pixels' });
  await expect(size).toHaveText('screen not measured');
  await size.click();
  const pixels = page.getByRole('textbox', { name: 'Pixels, number' });
  await pixels.fill('72');
  await pixels.press('Enter');
  await page.keyboard.press('Escape');
  await expect(size).toHaveText('72 ppi');
  // Print size is smaller on so coarse a screen, so the fitted sheet is more of it.
  await page.keyboard.press('f');
  await expect(size).toBeHidden();
  expect(Math.abs((await percent()) - (fitted * 96) / 72)).toBeLessThan(1.5);
  await page.reload();
  await exact(page);
  await page.keyboard.press('r');
  await expect(size).toHaveText('72 ppi');
});

test('crop, views, loupe and keys', async ({ page }) => {
  await startJob(page, 'views.png');
  await exact(page);
  await page.keyboard.press('1');
  await expect(page.getByRole('combobox', { name: 'Shape of the crop' })).toContainText('640 × 800 px');
  await page.getByRole('button', { name: 'On the table' }).click();
  const corner = page.getByRole('button', { name: 'Bottom right corner of the crop' });
  const box = (await corner.boundingBox())!;
  await page.mouse.move(box.x + 7, box.y + 7);
  await page.mouse.down();
  await page.mouse.move(box.x - 90, box.y - 90, { steps: 5 });
  await page.mouse.up();
  await expect(page.getByRole('combobox', { name: 'Shape of the crop' })).not.toContainText('640 × 800 px');
  await page.keyboard.press('4');
  await expect(page.getByRole('radio', { name: 'Proof' })).toBeChecked();
  await exact(page);
  await page.mouse.move(800, 350);
  await page.keyboard.down('l');
  await expect(page.getByRole('img', { name: 'Loupe' })).toContainText('×8');
  await page.mouse.wheel(0, -100);
  await expect(page.getByRole('img', { name: 'Loupe' })).toContainText('×16');
  await page.keyboard.up('l');
  await expect(page.getByRole('img', { name: 'Loupe' })).toBeHidden();
  await expect(page.getByLabel('Readout')).toContainText('mm');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('every dot');
});
