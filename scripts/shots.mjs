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
  const open = async (name) => {
    await page.goto(`${url}/`);
    await page.getByRole('link', { name: `Open ${name}` }).click();
    await page.getByRole('complementary', { name: 'Docket' }).waitFor();
    await exact();
    await page.getByText(/covers/).waitFor({ timeout: 120_000 });
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

  await page.keyboard.press('5');
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

  await open('Night walk badge');
  await page.keyboard.press('d');
  await exact();
  await shot('every-dot');

  await page.goto(`${url}/runs`);
  await page.getByRole('article').first().waitFor();
  await shot('runs');
});
