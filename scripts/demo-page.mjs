/** A built server with the demo jobs on a data folder of its own, and a page of 1280 × 800 to look at it with. */
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { LAUNCH } from './chromium.mjs';

const PORT = 4298;

/** Calls `use` with the page and the server's address; takes everything down afterwards. */
export async function withDemoPage(use) {
  const folder = mkdtempSync(join(tmpdir(), 'demo-'));
  const server = spawn(process.execPath, ['apps/server/dist/main.js'], {
    env: { ...process.env, BRACHYTONE_DATA: folder, PORT: String(PORT), DATABASE_URL: '' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise((resolve) =>
    server.stdout.on('data', (text) => String(text).includes('is at') && resolve()),
  );
  const browser = await chromium.launch(LAUNCH);
  try {
    await use(await browser.newPage({ viewport: { width: 1280, height: 800 } }), `http://127.0.0.1:${PORT}`);
  } finally {
    await browser.close();
    server.kill();
    rmSync(folder, { recursive: true, force: true });
  }
}
