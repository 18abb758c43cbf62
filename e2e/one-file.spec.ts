import { expect, test } from '@playwright/test';
import { difference2000, labToHex, srgbToLinear, xyzToLab, type Lab } from '@brachytone/core';
import { linearToXyz } from '@brachytone/core/colour/lab.ts';
import { NO_MARKS, type JobDocument, type JobsPage, type JobView, type RunView } from '@brachytone/job';
import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';
import { Server } from './server.ts';

const server = new Server(4290, true);
test.beforeAll(() => server.start());
test.afterAll(() => server.stop());

/** Fields that a picture is parted into, each way of its width. */
const FIELDS = 48;
/** Pixels across: dots are many pixels wide, for renderers blend their edges in sRGB. */
const ACROSS = 2400;

/** Mean colours of the fields of a picture, mixed in linear light. */
async function fieldsOf(png: Buffer): Promise<Lab[]> {
  const { data, info } = await sharp(png).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  const side = info.width / FIELDS;
  const rows = Math.floor(info.height / side);
  const sums = new Float64Array(FIELDS * rows * 4);
  for (let y = 0; y < Math.floor(rows * side); y++) {
    for (let x = 0; x < info.width; x++) {
      const field = 4 * (Math.floor(y / side) * FIELDS + Math.floor(x / side));
      for (let c = 0; c < 3; c++) sums[field + c] += srgbToLinear(data[3 * (y * info.width + x) + c] / 255);
      sums[field + 3]++;
    }
  }
  return Array.from({ length: FIELDS * rows }, (_, k) => {
    const mean = (c: number) => sums[4 * k + c] / sums[4 * k + 3];
    return xyzToLab(linearToXyz([mean(0), mean(1), mean(2)]));
  });
}

const meanDifference = (a: readonly Lab[], b: readonly Lab[]): number =>
  a.reduce((sum, lab, i) => sum + difference2000(lab, b[i]), 0) / a.length;

async function json<Answer>(path: string, body?: unknown): Promise<Answer> {
  const answer = await fetch(`${server.url}/api/${path}`, {
    ...(body === undefined
      ? {}
      : { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) }),
  });
  return (await answer.json()) as Answer;
}

async function bytes(path: string): Promise<Buffer> {
  return Buffer.from(await (await fetch(`${server.url}/api/${path}`)).arrayBuffer());
}

test('a file of all inks looks like the proof, in Chromium and in resvg', async ({ page }) => {
  const { jobs } = await json<JobsPage>('jobs');
  const ticket = jobs.find(({ name }) => name === 'Members’ ticket')!;
  const { document } = await json<JobView>(`jobs/${ticket.id}`);
  const together: JobDocument = {
    ...document,
    films: { ...document.films, format: 'svg', together: true },
    // Geometry has no grain of paper; ink lies on what it is put on.
    // The file holds the films, and so must the proof.
    recipe: {
      ...document.recipe,
      stock: { ...document.recipe.stock, texture: 'smooth', soak: 0 },
      press: null,
      marks: NO_MARKS,
    },
  };
  const job = await json<JobView>('jobs', { document: together });
  let run = await json<RunView>('runs', { jobId: job.id });
  await expect.poll(async () => (run = await json<RunView>(`runs/${run.id}`)).status).toBe('done');
  const svg = (await bytes(`runs/${run.id}/films/${run.films[0].file}`)).toString();
  expect(svg.match(/mix-blend-mode:multiply/g)!.length).toBeGreaterThan(1);
  const proof = await bytes(`jobs/${job.id}/proof.png?longer=${ACROSS}`);
  const { width, height } = await sharp(proof).metadata();
  const { sheet, stock } = together.recipe;
  const bled = Math.round((width * (sheet.width + 2 * sheet.bleed)) / sheet.width);
  const edge = Math.round((bled - width) / 2);
  const trimmed = (png: Buffer) =>
    sharp(png).extract({ left: edge, top: edge, width, height }).png().toBuffer();
  const paper = labToHex(stock.lab);
  const drawn = new Resvg(svg, { fitTo: { mode: 'width', value: bled }, background: paper }).render().asPng();
  const wanted = await fieldsOf(proof);
  expect(meanDifference(wanted, await fieldsOf(await trimmed(drawn)))).toBeLessThan(3);
  await page.setViewportSize({ width: bled, height: height + 2 * edge });
  const sized = svg.replace(/width="[^"]*mm" height="[^"]*mm"/, `width="${bled}"`);
  await page.setContent(`<body style="margin:0;background:${paper}">${sized}</body>`);
  const shown = await page.screenshot();
  expect(meanDifference(wanted, await fieldsOf(await trimmed(shown)))).toBeLessThan(3);
  // Without its second ink it looks otherwise: the measure tells inks that are hidden.
  const second = svg.lastIndexOf('<g style="mix-blend-mode:multiply"');
  const lacking = `${svg.slice(0, second)}<g display="none"${svg.slice(second + 2)}`;
  const poorer = new Resvg(lacking, { fitTo: { mode: 'width', value: bled }, background: paper })
    .render()
    .asPng();
  expect(meanDifference(wanted, await fieldsOf(await trimmed(poorer)))).toBeGreaterThan(3);
});
