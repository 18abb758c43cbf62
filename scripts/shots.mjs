/** Refreshes docs/screenshots from the demo data: one picture of each main view, 1280 × 800. */

import { build, install, systemTools } from './steps.mjs';

await install();
await systemTools();
await build();
// Only now, for what it needs has just been installed.
const { withDemoPage } = await import('./demo-page.mjs');
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

  await page.keyboard.press('6');
  await page.getByRole('button', { name: 'Make films' }).first().click();
  await page.getByRole('progressbar', { name: 'Films made' }).waitFor();
  await page.getByRole('radio', { name: 'Film' }).click();
  await page.getByRole('link', { name: /\.tif$/ }).waitFor({ timeout: 120_000 });
  await exact();
  await shot('films');

  await open('Low tide card');
  await page.keyboard.press('2');
  await page.getByRole('button', { name: /^Curve/ }).click();
  await page.waitForTimeout(1500);
  await shot('tone');
  await page.keyboard.press('1');
  await page.getByRole('textbox', { name: 'Sheet width' }).fill('105');
  await page.getByRole('textbox', { name: 'Sheet width' }).press('Enter');
  await page.getByRole('button', { name: 'On the table' }).click();
  await exact();
  await shot('crop');
  // The pictures after it show the whole card.
  await page.keyboard.press('Control+z');
  await page.getByText('saved', { exact: true }).waitFor();

  await open('Night walk badge');
  await page.keyboard.press('d');
  await exact();
  await shot('every-dot');
  await page.keyboard.press('f');
  await page.keyboard.press('4');
  await page.getByRole('radio', { name: 'Motif' }).click();
  await setNumber('Ruling', '14');
  await exact();
  await shot('motif');

  await open('Open night banner');
  await page.keyboard.press('1');
  await page.getByText('OPEN NIGHT', { exact: true }).click();
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
  await page
    .getByRole('complementary', { name: 'Docket' })
    .getByRole('button', { name: /^White, covering \d/ })
    .click();
  await shot('dark-cloth');
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

  await page.goto(`${url}/runs`);
  await page.getByRole('article').first().waitFor();
  await shot('runs');
});
