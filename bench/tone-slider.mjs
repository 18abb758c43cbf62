/**
 * In the browser: a 30-megapixel photograph with eight tone steps on an A3 sheet at 1200 dpi, at fit: opening it, and
 * from a slider's movement to the first picture and the exact one, for a slider of the first step and of the last. Run by
 * `npm run bench` against a built server of its own.
 */
import sharp from 'sharp';
import { withDemoPage } from '../scripts/demo-page.mjs';
import { teachWhenExact } from './when-exact.mjs';

const WIDE = 4740;
const HIGH = 6700;

/** A photograph of no one place: soft shapes, edges and grain. */
async function photograph() {
  const grain = await sharp({
    create: {
      width: WIDE,
      height: HIGH,
      channels: 3,
      background: '#000',
      noise: { type: 'gaussian', mean: 128, sigma: 22 },
    },
  })
    .png({ compressionLevel: 1 })
    .toBuffer();
  const shapes = Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDE}" height="${HIGH}"><defs><linearGradient id="g" x2="0" y2="1"><stop stop-color="#123"/><stop offset="1" stop-color="#fed"/></linearGradient></defs><rect width="100%" height="100%" fill="url(#g)" opacity=".8"/><circle cx="2300" cy="2400" r="1500" fill="#cb9" opacity=".7"/><path d="M0 5000 L${WIDE} 4200 V${HIGH} H0 Z" fill="#243" opacity=".8"/></svg>`,
  );
  return sharp(grain)
    .composite([{ input: shapes }])
    .jpeg({ quality: 90 })
    .toBuffer();
}

const STEPS = [
  ['levels', { bare: 4, solid: 96, mid: 1, floor: 0, ceiling: 100 }],
  ['recover', { shadows: 30, highlights: 20, radius: 40 }],
  ['blur', { radius: 0.8 }],
  ['sharpen', { amount: 120, radius: 1.5, threshold: 2 }],
  ['noise', { amount: 4, grain: 1, seed: 1 }],
  ['specks', { size: 2, which: 'both' }],
  [
    'curve',
    {
      points: [
        { in: 0, out: 0 },
        { in: 40, out: 34 },
        { in: 100, out: 98 },
      ],
    },
  ],
  ['densify', { times: 1.2 }],
];

const median = (list) => [...list].sort((a, b) => a - b)[list.length >> 1];

await withDemoPage(async (page, url) => {
  const file = await photograph();
  const original = await (
    await fetch(`${url}/api/files`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/octet-stream' },
      body: file,
    })
  ).json();
  const post = async (body) =>
    (
      await fetch(`${url}/api/jobs`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(body),
      })
    ).json();
  const job = await post({ picture: { sha256: original.sha256, name: 'bench.jpg' } });
  const { document } = job;
  const [first] = document.recipe.originals;
  const steps = STEPS.map(([kind, settings]) => ({ id: kind, kind, on: true, settings }));
  const made = await post({
    document: {
      ...document,
      name: 'Thirty megapixels',
      recipe: {
        ...document.recipe,
        sheet: { width: 297, height: 420, bleed: 0, resolution: 1200 },
        originals: [
          {
            ...first,
            placement: { ...first.placement, x: 0, y: 0, width: 297 },
            content: { ...first.content, crop: { x: 0, y: 0, width: 1, height: 1, turn: 0 } },
            tone: { ...first.tone, steps },
          },
        ],
      },
    },
  });
  if (!made.id) throw new Error(JSON.stringify(made));
  const opened = Date.now();
  await page.goto(`${url}/jobs/${made.id}/tone`);
  await page.waitForFunction(
    () => {
      const sharpness = document.querySelector('[data-testid=table-canvas]')?.dataset.sharpness;
      return sharpness && sharpness !== 'nothing';
    },
    undefined,
    { timeout: 120_000 },
  );
  const something = Date.now() - opened;
  const exact = () =>
    page.locator('[data-testid=table-canvas][data-sharpness=exact]').waitFor({ timeout: 240_000 });
  await exact();
  const whole = Date.now() - opened;
  await page.getByText(/covers/).waitFor({ timeout: 240_000 });
  await teachWhenExact(page);
  await page.evaluate(() => {
    const put = CanvasRenderingContext2D.prototype.putImageData;
    CanvasRenderingContext2D.prototype.putImageData = function (...args) {
      put.apply(this, args);
      if (this.canvas.dataset.testid === 'table-canvas') window.painted?.(performance.now());
    };
  });
  console.log(
    `\nIn the browser, a photograph of ${((WIDE * HIGH) / 1e6).toFixed(0)} megapixels with eight tone steps, A3 at 1200 dpi, at fit:`,
  );
  console.log(`- opening by its address: something real after ${something} ms, exact after ${whole} ms`);
  for (const [card, label] of [
    ['Levels', 'Middle'],
    ['Sharpen', 'Amount'],
    ['Densify', 'Printings'],
  ]) {
    await page.getByRole('button', { name: new RegExp(`^${card}`) }).click();
    await page.waitForTimeout(300);
    const slider = page.getByRole('slider', { name: label, exact: true });
    await slider.focus();
    const times = [];
    const exactTimes = [];
    for (let turn = 0; turn < 6; turn++) {
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
              document.activeElement.dispatchEvent(
                new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }),
              );
            }),
        ),
      );
      exactTimes.push(await page.evaluate(() => window.exactTook));
    }
    console.log(
      `- a slider of ${card.toLowerCase()} (${label.toLowerCase()}): first picture median ${median(times).toFixed(0)} ms, all ${times.map((t) => t.toFixed(0)).join(' ')} (target ≤ 80 ms); exact median ${median(exactTimes)} ms, all ${exactTimes.join(' ')} (target ≤ 500 ms)`,
    );
    await page.getByRole('button', { name: new RegExp(`^${card}`) }).click();
  }
  // From the board, once its own pictures are there; a fresh page each time, for the picture is kept by the one before.
  const fromBoard = [];
  for (let turn = 0; turn < 3; turn++) {
    await page.goto(url);
    await page.waitForFunction(
      () => document.images.length > 5 && [...document.images].every(({ complete }) => complete),
      undefined,
      { timeout: 240_000 },
    );
    await page.waitForTimeout(500);
    fromBoard.push(
      await page.evaluate(
        () =>
          new Promise((resolve) => {
            const start = performance.now();
            const look = () => {
              const sharpness = document.querySelector('[data-testid=table-canvas]')?.dataset.sharpness;
              if (sharpness && sharpness !== 'nothing') resolve(performance.now() - start);
              else requestAnimationFrame(look);
            };
            document.querySelector('[aria-label="Open Thirty megapixels"]').click();
            look();
          }),
      ),
    );
    await exact();
  }
  console.log(
    `- opening from the board: something real after ${fromBoard.map((t) => t.toFixed(0)).join(', ')} ms (target ≤ 1000 ms)`,
  );
});
