/** Refreshes docs/screenshots from the demo data: one picture of each main view, 1280 × 800. */
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build, install, systemTools } from './steps.mjs';

await install();
await systemTools();
await build();
const { chromium } = await import('@playwright/test');
const folder = mkdtempSync(join(tmpdir(), 'shots-'));
const port = 4298;
const server = spawn(process.execPath, ['apps/server/dist/main.js'], {
  env: { ...process.env, BRACHYTONE_DATA: folder, PORT: String(port) },
  stdio: ['ignore', 'pipe', 'inherit'],
});
await new Promise((resolve) =>
  server.stdout.on('data', (text) => String(text).includes('is at') && resolve()),
);
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
});
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const shot = (name) => page.screenshot({ path: `docs/screenshots/${name}.png` });
  const exact = async () => {
    await page.waitForTimeout(300);
    await page.locator('[data-testid=table-canvas][data-sharpness=exact]').waitFor({ timeout: 120_000 });
  };
  const open = async (name) => {
    await page.goto(`http://127.0.0.1:${port}/`);
    await page.getByRole('link', { name: `Open ${name}` }).click();
    await page.getByRole('complementary', { name: 'Docket' }).waitFor();
    await exact();
    await page.getByText(/covers/).waitFor({ timeout: 120_000 });
  };
  await page.goto(`http://127.0.0.1:${port}/`);
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
  await page.waitForTimeout(1500);
  await shot('tone');
  await page.keyboard.press('1');
  await page.getByRole('textbox', { name: 'Sheet width' }).fill('105');
  await page.getByRole('textbox', { name: 'Sheet width' }).press('Enter');
  await page.getByRole('button', { name: 'Crop on the table' }).click();
  await exact();
  await shot('crop');

  await open('Night walk badge');
  await page.keyboard.press('d');
  await exact();
  await shot('every-dot');

  await page.goto(`http://127.0.0.1:${port}/runs`);
  await page.getByRole('article').first().waitFor();
  await shot('runs');
} finally {
  await browser.close();
  server.kill();
  rmSync(folder, { recursive: true, force: true });
}
