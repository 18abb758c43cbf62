/** A built server with the demo jobs on a data folder of its own, and a page of 1280 × 800 to look at it with. */
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { LAUNCH } from './chromium.mjs';

const PORT = 4298;

/**
 * Calls `use` with the page, the server's address, the browser and what the server printed at its start; takes everything down afterwards.
 *
 * @param env what the server is set with besides
 */
export async function withDemoPage(use, env = {}) {
  const folder = mkdtempSync(join(tmpdir(), 'demo-'));
  const server = spawn(process.execPath, ['apps/server/dist/main.js'], {
    env: { ...process.env, BRACHYTONE_DATA: folder, PORT: String(PORT), DATABASE_URL: '', ...env },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let printed = '';
  await new Promise((resolve) =>
    server.stdout.on('data', (text) => {
      printed += text;
      if (printed.includes('is at') && (!env.BRACHYTONE_SHARED || printed.includes('/welcome#'))) resolve();
    }),
  );
  const browser = await chromium.launch(LAUNCH);
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await use(page, `http://127.0.0.1:${PORT}`, browser, printed);
  } finally {
    await browser.close();
    server.kill();
    rmSync(folder, { recursive: true, force: true });
  }
}
