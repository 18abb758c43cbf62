import type { JobsPage } from '@brachytone/job';
import { createServer, type Server as WebServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { chromium, expect, test, type Page } from '@playwright/test';
import { softPicture } from './pictures.ts';
import { Server } from './server.ts';

/** A name that a page elsewhere makes lead to this machine. */
const REBOUND = 'rebound.example';

const server = new Server(4286);
let other: WebServer;
let elsewhere: string;
let job: string;
let file: string;

test.beforeAll(async () => {
  await server.start();
  const bytes = await softPicture(60, 40);
  const { sha256 } = await server.json<{ sha256: string }>('files', {
    method: 'POST',
    headers: { 'Content-Type': 'application/octet-stream' },
    body: new Uint8Array(bytes),
  });
  file = sha256;
  const { id } = await server.json<{ id: string }>('jobs', {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ picture: { sha256, name: 'a.png' } }),
  });
  job = id;
  other = createServer((_request, response) => {
    response.setHeader('Content-Type', 'text/html');
    response.end('<!doctype html><title>Elsewhere</title><p>Another page');
  });
  await new Promise<void>((resolve) => other.listen(0, '127.0.0.1', resolve));
  elsewhere = `http://127.0.0.1:${(other.address() as AddressInfo).port}`;
});
test.afterAll(async () => {
  other.close();
  await server.stop();
});

/** All that a page can try against a server: what it could read, and whether a picture or a frame came. */
const tried = (page: Page, url: string) =>
  page.evaluate(
    async ([base, id, sha256]) => {
      const read: string[] = [];
      const fetched = async (path: string, init: RequestInit) => {
        try {
          const answer = await fetch(base + path, init);
          const text = await answer.text();
          if (answer.ok && text) read.push(path);
        } catch {
          // Refused, as it should be.
        }
      };
      await fetched('/api/jobs', {});
      await fetched(`/api/jobs/${id}`, { mode: 'no-cors' });
      await fetched(`/api/files/${sha256}/source`, {});
      await fetched(`/api/jobs/${id}/duplicate`, { method: 'POST', mode: 'no-cors' });
      await fetched('/api/jobs', {
        method: 'POST',
        mode: 'no-cors',
        headers: { 'Content-Type': 'text/plain' },
        body: JSON.stringify({ picture: { sha256, name: 'b.png' } }),
      });
      await fetched(`/api/jobs/${id}/runs`, { method: 'POST', mode: 'no-cors' });
      const seen = (element: HTMLImageElement | HTMLScriptElement, src: string) =>
        new Promise<boolean>((resolve) => {
          element.onload = () => resolve(true);
          element.onerror = () => resolve(false);
          element.src = src;
          document.body.append(element);
        });
      const image = await seen(new Image(), `${base}/api/jobs/${id}/proof.png`);
      const script = await seen(document.createElement('script'), `${base}/api/jobs`);
      const frame = document.createElement('iframe');
      frame.src = `${base}/`;
      document.body.append(frame);
      const events = await new Promise<boolean>((resolve) => {
        const source = new EventSource(`${base}/api/runs/events`);
        source.onopen = () => resolve(true);
        source.onerror = () => resolve(false);
      });
      return { read, image, script, events };
    },
    [url, job, file] as const,
  );

const jobs = async () => (await server.json<JobsPage>('jobs')).jobs;

test('a page of another loopback port can read and change nothing', async ({ page }) => {
  await page.goto(elsewhere);
  expect(await tried(page, server.url)).toEqual({ read: [], image: false, script: false, events: false });
  // A page that will lie in no other is an error there.
  await expect
    .poll(() => page.frames().map((frame) => frame.url().split(':')[0]))
    .toEqual(['http', 'chrome-error']);
  expect((await jobs()).map(({ id }) => id)).toEqual([job]);
  expect(await server.json<unknown[]>('runs')).toEqual([]);
});

test('a page whose name was made to lead here can read and change nothing', async ({ launchOptions }) => {
  const browser = await chromium.launch({
    ...launchOptions,
    args: [...(launchOptions.args ?? []), `--host-resolver-rules=MAP ${REBOUND} 127.0.0.1`],
  });
  try {
    const page = await browser.newPage();
    const rebound = `http://${REBOUND}:${new URL(server.url).port}`;
    const answer = await page.goto(rebound);
    expect(answer?.status()).toBe(403);
    expect(await tried(page, rebound)).toEqual({ read: [], image: false, script: false, events: false });
    expect((await jobs()).map(({ id }) => id)).toEqual([job]);
  } finally {
    await browser.close();
  }
});

test('its own page may run no script but its own', async ({ page }) => {
  const refused: string[] = [];
  page.on('console', (message) => refused.push(message.text()));
  await page.goto(server.url);
  await page.getByRole('region', { name: 'Start a job' }).waitFor();
  expect(refused.filter((text) => text.includes('Content Security Policy'))).toEqual([]);
  const ran = await page.evaluate(() => {
    const script = document.createElement('script');
    script.textContent = 'window.ran = true';
    document.body.append(script);
    return 'ran' in window;
  });
  expect(ran).toBe(false);
});

test('licences of all that ships are there, with their notices', async ({ page }) => {
  await page.goto(server.url);
  await page.getByRole('link', { name: /^Licences/ }).click();
  const typeface = page.getByRole('listitem').filter({ hasText: 'Typeface archivo' });
  await typeface.getByText('Typeface archivo').click();
  await expect(typeface.locator('pre')).toContainText(/open font license/i);
  expect(await page.getByRole('listitem').count()).toBeGreaterThan(200);
});
