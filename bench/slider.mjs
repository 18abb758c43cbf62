/**
 * In the browser: from a slider's movement to the first picture on the table, and to the exact one, at fit: on the A3 demo
 * poster in one ink, and on the leaflet in four. Run by `npm run bench` against a built server of its own.
 */

import { withDemoPage } from '../scripts/demo-page.mjs';
import { teachWhenExact } from './when-exact.mjs';

await withDemoPage(async (page, url) => {
  await timed(page, url, 'Moon over the reeds', 'the A3 demo poster in one ink', 150);
  await timed(page, url, 'Season leaflet', 'the A5 demo leaflet in four inks', 300);
  console.log(
    `\nA loop that counts to 1.2 thousand million takes ${pace().seconds.toFixed(2)} s in this hour.`,
  );
});

/** Seconds that a loop takes to count to 1.2 thousand million: the machine's pace in this hour. */
function pace() {
  const sumTo = (most) => {
    let sum = 0;
    for (let i = 0; i < most; i++) sum += i;
    return sum;
  };
  // Compiled before it is timed.
  sumTo(1e8);
  const start = performance.now();
  const sum = sumTo(1.2e9);
  return { seconds: (performance.now() - start) / 1000, sum };
}

/** @param target of an exact picture, ms */
async function timed(page, url, name, words, target) {
  await page.goto(`${url}/`);
  // A first start makes the board's pictures, on the same cores.
  await page.waitForFunction(
    () => document.images.length > 5 && [...document.images].every(({ complete }) => complete),
    undefined,
    { timeout: 240_000 },
  );
  const opened = Date.now();
  await page.getByRole('link', { name: `Open ${name}` }).click();
  await page.waitForFunction(
    () => document.querySelector('[data-testid=table-canvas]')?.dataset.sharpness !== 'nothing',
  );
  const first = Date.now() - opened;
  const exact = () =>
    page.locator('[data-testid=table-canvas][data-sharpness=exact]').waitFor({ timeout: 120_000 });
  await exact();
  const openExact = Date.now() - opened;
  await page.waitForFunction(() => !document.body.textContent.includes('counting…'), null, {
    timeout: 120_000,
  });
  // Times each key press on the slider until the canvas is painted for it.
  await teachWhenExact(page);
  await page.evaluate(() => {
    const put = CanvasRenderingContext2D.prototype.putImageData;
    CanvasRenderingContext2D.prototype.putImageData = function (...args) {
      put.apply(this, args);
      if (this.canvas.dataset.testid === 'table-canvas') window.painted?.(performance.now());
    };
  });
  const slider = page.getByRole('slider', { name: 'Angle' });
  await slider.focus();
  const times = [];
  const exactTimes = [];
  for (let turn = 0; turn < 12; turn++) {
    times.push(
      await page.evaluate(
        () =>
          new Promise((resolve) => {
            const start = performance.now();
            window.exactTook = window.whenExact(start);
            window.painted = (at) => {
              window.painted = undefined;
              resolve(at - start);
            };
            const target = document.activeElement;
            target.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }));
          }),
      ),
    );
    exactTimes.push(await page.evaluate(() => window.exactTook));
  }
  const strip = await page.evaluate(
    () =>
      new Promise((resolve) => {
        const start = performance.now();
        const bands = () => [...document.querySelectorAll('[aria-label^="Take "][data-sharpness]')];
        const look = () =>
          bands().length === 5 && bands().every((one) => one.dataset.sharpness !== 'nothing')
            ? resolve(performance.now() - start)
            : requestAnimationFrame(look);
        document.activeElement.dispatchEvent(new KeyboardEvent('keydown', { key: 't', bubbles: true }));
        look();
      }),
  );
  const median = (list) => [...list].sort((a, b) => a - b)[list.length >> 1];
  console.log(`\nIn the browser, ${words} at 1200 dpi, at fit, 1280 × 800:`);
  console.log(`- opening the job: something real after ${first} ms, exact after ${openExact} ms`);
  console.log(
    `- a slider’s first picture: median ${median(times).toFixed(0)} ms, all ${times.map((t) => t.toFixed(0)).join(' ')} (target ≤ 50 ms)`,
  );
  console.log(
    `- exact: median ${median(exactTimes)} ms, all ${exactTimes.join(' ')} (target ≤ ${target} ms)`,
  );
  console.log(`- a test strip of five bands: on the table after ${strip.toFixed(0)} ms (target ≤ 300 ms)`);
}
