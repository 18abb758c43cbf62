import { expect, test, type CDPSession, type Page } from '@playwright/test';
import type { JobView } from '@brachytone/job';
import { exact } from './pictures.ts';
import { Server } from './server.ts';

const server = new Server(4304, true);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

const idOf = async (name: string): Promise<string> =>
  (await server.jobs()).find(({ document }) => document.name === name)!.id;

/** What can be pressed, and lies beyond the window or under what it cannot be scrolled out of. */
const outOfReach = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const out: string[] = [];
    for (const one of document.querySelectorAll<HTMLElement>('button, input, select, a')) {
      if (one.checkVisibility({ visibilityProperty: true }) === false || one.closest('[aria-hidden=true]'))
        continue;
      one.scrollIntoView({ block: 'nearest', inline: 'nearest' });
      const { left, top, right, bottom } = one.getBoundingClientRect();
      if (right - left < 2) continue;
      if (left < -1 || top < -1 || right > innerWidth + 1 || bottom > innerHeight + 1)
        out.push(
          `${one.tagName} ${one.ariaLabel ?? one.textContent}: ${[left, top, right, bottom].map(Math.round).join(' ')}`,
        );
    }
    return out;
  });

test('on small screens nothing is cut off, on any stage', async ({ page }) => {
  await page.goto(`${server.url}/jobs/${await idOf('Season leaflet')}/original`);
  await exact(page);
  for (const [at, stage] of ['original', 'tone', 'inks', 'screens', 'press', 'films'].entries()) {
    await page.keyboard.press(String(at + 1));
    await page.waitForURL(`**/${stage}`);
    for (const [width, height] of [
      [1024, 768],
      [1280, 720],
    ]) {
      await page.setViewportSize({ width, height });
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
      expect({ stage, width, out: await outOfReach(page) }).toEqual({ stage, width, out: [] });
      // No card of the rack lies under the readout.
      const cards = page.getByRole('region', { name: 'Plate rack' }).getByRole('group', { name: /^Plate / });
      await cards.last().scrollIntoViewIfNeeded();
      const last = (await cards.last().boundingBox())!;
      const readout = (await page.getByRole('group', { name: 'Readout' }).boundingBox())!;
      expect(last.x + last.width).toBeLessThanOrEqual(readout.x + 1);
    }
  }
});

/** Fingers on the glass, through the debugger. */
class Fingers {
  constructor(private readonly session: CDPSession) {}

  private send(
    type: 'touchStart' | 'touchMove' | 'touchEnd',
    places: readonly (readonly [number, number])[],
  ) {
    const touchPoints = places.map(([x, y], id) => ({ x, y, id }));
    return this.session.send('Input.dispatchTouchEvent', { type, touchPoints });
  }

  /** Moves one or two fingers through places, each a list with one for every finger. */
  async move(steps: readonly (readonly (readonly [number, number])[])[], rest = 0): Promise<void> {
    await this.send('touchStart', steps[0]);
    await new Promise((resolve) => setTimeout(resolve, rest));
    for (const step of steps.slice(1)) await this.send('touchMove', step);
    await this.send('touchEnd', []);
  }

  async rest(place: readonly [number, number], ms: number, seen: () => Promise<void>): Promise<void> {
    await this.send('touchStart', [place]);
    await new Promise((resolve) => setTimeout(resolve, ms));
    await seen();
    await this.send('touchEnd', []);
  }
}

test.describe('by touch', () => {
  test.use({ hasTouch: true, viewport: { width: 1280, height: 800 } });

  test('two fingers come nearer, one moves, a resting one is the loupe; lasso and brush work', async ({
    page,
  }) => {
    const id = await idOf('Moon over the reeds');
    await page.goto(`${server.url}/jobs/${id}/inks`);
    await exact(page);
    const fingers = new Fingers(await page.context().newCDPSession(page));
    const table = (await page.getByRole('main', { name: 'Light table' }).boundingBox())!;
    const at = (x: number, y: number) => [table.x + x * table.width, table.y + y * table.height] as const;
    const zoom = async () =>
      Number(
        (await page
          .getByText(/^\d+ %$/)
          .last()
          .textContent())!.split(' ')[0],
      );
    const before = await zoom();

    await fingers.move(
      [0, 1, 2, 3, 4].map((k) => [at(0.5 - 0.02 - 0.02 * k, 0.5), at(0.5 + 0.02 + 0.02 * k, 0.5)]),
    );
    await expect.poll(zoom).toBeGreaterThan(4 * before);
    expect(await zoom()).toBeLessThan(6 * before);
    await page.keyboard.press('f');
    await expect.poll(zoom).toBe(before);

    await fingers.rest(at(0.5, 0.45), 700, async () => {
      await expect(page.getByLabel('Loupe').first()).toBeVisible();
    });

    const docket = page.getByRole('complementary', { name: 'Docket' });
    await docket.getByRole('button', { name: /^Night black \d/ }).tap();
    await docket.getByRole('button', { name: 'Lasso' }).tap();
    const circle = Array.from({ length: 24 }, (_, k) => {
      const turn = (2 * Math.PI * k) / 24;
      return [at(0.5 + 0.06 * Math.cos(turn), 0.45 + 0.1 * Math.sin(turn))];
    });
    await fingers.move(circle);
    await docket.getByRole('button', { name: 'Lasso' }).tap();
    await docket.getByRole('button', { name: 'Paint', exact: true }).last().tap();
    await fingers.move([0, 1, 2, 3, 4, 5].map((k) => [at(0.46 + 0.015 * k, 0.6)]));
    await expect(page.getByText('saved', { exact: true })).toBeVisible();
    const { recipe } = (await server.json<JobView>(`jobs/${id}`)).document;
    expect(recipe.plates[0].mask?.parts).toHaveLength(1);
    expect(recipe.plates[0].strokes).toHaveLength(1);
  });
});
