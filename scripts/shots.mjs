/** Refreshes docs/screenshots from the demo data: one picture of each main view, 1280 × 800. */

import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build, install, systemTools } from './steps.mjs';

await install();
await systemTools();
await build();
// Only now, for what it needs has just been installed.
const { withDemoPage } = await import('./demo-page.mjs');
const { default: sharp } = await import('sharp');
await withDemoPage(async (page, url) => {
  const shot = (name) => page.screenshot({ path: `docs/screenshots/${name}.png` });
  const exact = async () => {
    await page.waitForTimeout(300);
    await page.locator('[data-testid=table-canvas][data-sharpness=exact]').waitFor({ timeout: 120_000 });
  };
  const setNumber = async (label, value) => {
    const field = page.getByRole('textbox', { name: `${label}, number` });
    await field.fill(value);
    await field.press('Enter');
  };
  const open = async (name) => {
    // A window shows a job as it showed it last; pictures begin anew.
    await page.evaluate(() => sessionStorage.clear()).catch(() => undefined);
    await page.goto(`${url}/`);
    await page.getByRole('link', { name: `Open ${name}` }).click();
    await page.getByRole('complementary', { name: 'Docket' }).waitFor();
    await exact();
    await page.waitForFunction(() => !document.body.textContent.includes('counting…'), null, {
      timeout: 180_000,
    });
  };
  await page.goto(`${url}/`);
  await page.waitForFunction(
    () =>
      document.images.length > 3 && [...document.images].every((one) => one.complete && one.naturalWidth > 0),
    undefined,
    { timeout: 120_000 },
  );
  await shot('job-board');

  await open('Moon over the reeds');
  await page.mouse.move(905, 360);
  await page.keyboard.down('l');
  await page.waitForTimeout(1500);
  await shot('light-table');
  await page.keyboard.up('l');

  await open('Members’ ticket');
  await page.keyboard.press('6');
  await page.getByRole('button', { name: 'Those most printers ask for' }).click();
  for (const name of ['Solids and overprints', 'Ink names', 'Ruler', 'Centre marks'])
    await page.getByRole('switch', { name }).click();
  await page.getByRole('radio', { name: 'Film', exact: true }).click();
  await page.getByText(/about .*kB/).waitFor({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Make films' }).first().click();
  await page
    .getByRole('link', { name: /\.tif$/ })
    .first()
    .waitFor({ timeout: 120_000 });
  await page.getByText('Marks', { exact: true }).scrollIntoViewIfNeeded();
  await exact();
  await shot('films');
  // Later pictures show it as it ships.
  await page.getByRole('button', { name: 'None' }).click();
  await page.getByText('saved', { exact: true }).waitFor();

  await open('Open Night poster');
  await page.keyboard.press('6');
  await page.getByLabel('File kind').selectOption('pdf-films');
  await page.getByLabel('Printer’s paper').selectOption('a4');
  await page.getByRole('button', { name: 'Find quiet seams' }).click();
  await page.getByRole('button', { name: 'Find quiet seams' }).waitFor();
  await page.getByRole('button', { name: 'Save picture' }).scrollIntoViewIfNeeded();
  await exact();
  await shot('panels');
  await page.getByLabel('File kind').selectOption('tiff-group4');
  await page.getByText('saved', { exact: true }).waitFor();

  await open('Low tide card');
  await page.keyboard.press('2');
  await page.getByRole('button', { name: /^Curve/ }).click();
  await page.waitForTimeout(1500);
  await shot('tone');

  await open('Open night banner');
  await page.keyboard.press('1');
  await page.locator('button[title^="OPEN NIGHT"]').click();
  await exact();
  await shot('lettering');

  await open('Moon over the reeds');
  await page.keyboard.press('4');
  await page.getByRole('button', { name: 'Test strip of ruling' }).click();
  await page.getByRole('radio', { name: 'The same patch' }).click();
  await page.waitForFunction(() =>
    [...document.querySelectorAll('[aria-label^="Take "][data-sharpness]')].every(
      (band) => band.dataset.sharpness === 'exact',
    ),
  );
  await shot('test-strip');

  await open('Season leaflet');
  await page.keyboard.press('3');
  await page.mouse.move(800, 330);
  await page.waitForTimeout(800);
  await shot('process');

  await open('Dusk tote');
  await page.keyboard.press('3');
  await exact();
  // Without its cloth, on a ground of another colour; and its ticket.
  const bytesOf = async (path) =>
    Buffer.from(await (await fetch(`${url}/api/jobs/${page.url().split('/')[4]}/${path}`)).arrayBuffer());
  const clear = await bytesOf('picture?format=png&ppi=56&transparent=true');
  const { width, height } = await sharp(clear).metadata();
  await sharp({ create: { width: 1280, height: 800, channels: 3, background: '#3d7a68' } })
    .composite([{ input: clear, left: Math.round((1280 - width) / 2), top: Math.round((800 - height) / 2) }])
    .png()
    .toFile('docs/screenshots/clear-picture.png');
  await open('Season leaflet');
  const folder = mkdtempSync(join(tmpdir(), 'ticket-'));
  writeFileSync(join(folder, 'ticket.pdf'), await bytesOf('ticket.pdf'));
  execFileSync('pdftoppm', [
    '-r',
    '96',
    '-png',
    '-singlefile',
    join(folder, 'ticket.pdf'),
    'docs/screenshots/ticket',
  ]);
  rmSync(folder, { recursive: true });
  await page.getByRole('radio', { name: 'Product' }).click();
  await page.locator('[data-testid=product-canvas][data-sharpness=exact]').waitFor({ timeout: 120_000 });
  await page.waitForTimeout(500);
  await shot('product');

  await open('First light card');
  await page.keyboard.press('3');
  await page.keyboard.press('p');
  await page.getByRole('img', { name: 'Proof of Pull 1' }).waitFor();
  await setNumber('Ink soaks in', '0.2');
  await page.getByRole('button', { name: 'Wipe' }).click();
  await page.locator('[data-testid=wipe-canvas][data-sharpness=exact]').waitFor({ timeout: 60_000 });
  await exact();
  await page.waitForFunction(() => [...document.images].every((one) => one.complete));
  await shot('pulls');

  await page.goto(`${url}/stocks`);
  await page.waitForTimeout(500);
  await shot('shelves');

  await open('Open Night poster');
  await page.keyboard.press('5');
  await page.waitForFunction(
    () => !/checking/.test(document.querySelector('[aria-label="Press check"]')?.textContent ?? 'checking'),
    null,
    { timeout: 120_000 },
  );
  await page.getByRole('list', { name: 'Findings' }).scrollIntoViewIfNeeded();
  await page
    .getByRole('button', { name: /^Try: Spread/ })
    .first()
    .click();
  await page.waitForTimeout(4000);
  await shot('press');

  await open('Season leaflet');
  await page.keyboard.press('5');
  await page
    .getByRole('complementary', { name: 'Docket' })
    .getByRole('button', { name: '75°', exact: true })
    .click();
  await page.getByRole('textbox', { name: 'Angle on the dial' }).fill('50');
  await page.getByRole('textbox', { name: 'Angle on the dial' }).press('Enter');
  await page.waitForTimeout(2500);
  await exact();
  await shot('angles');

  await page.goto(`${url}/presses`);
  await page.waitForTimeout(800);
  await shot('press-room');

  const [press] = await (await fetch(`${url}/api/shelf/presses`)).json();
  const [calibration] = await (await fetch(`${url}/api/calibrations`)).json();
  await page.goto(`${url}/presses/${press.id}/calibrations/${calibration.id}`);
  await page.getByRole('tab', { name: 'Lantern' }).click();
  await page.waitForFunction(
    () => document.querySelector('img[alt="Printed target"]')?.naturalWidth > 0,
    null,
    { timeout: 60_000 },
  );
  await page.waitForTimeout(500);
  await shot('calibration');

  await page.goto(`${url}/gang`);
  const copies = page.getByRole('textbox', { name: 'Copies of Members’ ticket' });
  await copies.fill('6');
  await copies.press('Enter');
  await page.getByText(/6 on it/).waitFor();
  await page.waitForTimeout(3000);
  await shot('gang');
  await page.goto(`${url}/storage`);
  await page.getByRole('row', { name: 'Films' }).waitFor();
  await shot('storage');
});
