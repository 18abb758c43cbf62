import { createRequire } from 'node:module';
import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { exact } from './pictures.ts';
import { Server } from './server.ts';

const server = new Server(4303, true);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

/** An independent checker of the Web Content Accessibility Guidelines. */
const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface Found {
  readonly violations: readonly { id: string; help: string; nodes: readonly { html: string }[] }[];
}

/** What the checker finds on a page, a line each. */
async function found(page: Page): Promise<string[]> {
  // Through the debugger: the page itself takes no script from outside.
  const { violations } = await page.evaluate<Found>(`(() => { ${AXE}; return window.axe.run(); })()`);
  return violations.flatMap(({ id, help, nodes }) =>
    nodes.slice(0, 3).map(({ html }) => `${id}: ${help}: ${html.slice(0, 160)}`),
  );
}

test('every page can be read by a screen reader, and is told apart by weak eyes', async ({ page }) => {
  const wrong: Record<string, string[]> = {};
  for (const path of [
    '',
    'inks',
    'screens',
    'stocks',
    'presses',
    'gang',
    'runs',
    'storage',
    'licences',
    'treatments',
    'handbook',
  ]) {
    await page.goto(`${server.url}/${path}`);
    await page.getByRole('heading').first().waitFor();
    await page.waitForTimeout(500);
    const list = await found(page);
    if (list.length > 0) wrong[path || 'board'] = list;
  }
  expect(wrong).toEqual({});
});

test('so can a first look and a series', async ({ page }) => {
  const [job] = await server.jobs();
  const picture = job.document.recipe.originals.flatMap(({ content }) =>
    content.kind === 'picture' ? [content.picture] : [],
  );
  const wrong: Record<string, string[]> = {};
  for (const path of [`jobs/${job.id}/series`, `first-look/${picture[0] ?? ''}`]) {
    await page.goto(`${server.url}/${path}`);
    await page.getByRole('heading').first().waitFor();
    await page.waitForTimeout(1500);
    const list = await found(page);
    if (list.length > 0) wrong[path] = list;
  }
  expect(wrong).toEqual({});
});

test('so can every stage of the light table', async ({ page }) => {
  const [poster] = (await server.jobs()).filter(({ document }) => document.name === 'Season leaflet');
  const wrong: Record<string, string[]> = {};
  for (const stage of ['original', 'tone', 'inks', 'screens', 'press', 'films']) {
    await page.goto(`${server.url}/jobs/${poster.id}/${stage}`);
    await exact(page);
    await page.waitForTimeout(500);
    const list = await found(page);
    if (list.length > 0) wrong[stage] = list;
  }
  expect(wrong).toEqual({});
});
