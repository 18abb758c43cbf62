import { expect, type Page } from '@playwright/test';
import type { JobView, RunView } from '@brachytone/job';
import sharp from 'sharp';
import { Hands } from './hands.ts';
import type { Server } from './server.ts';

/** A street of no place: grey houses, one red door, a yellow sign. */
export const street = (): Promise<Buffer> => {
  const [width, height] = [900, 600];
  const data = Buffer.alloc(3 * width * height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const grey = 90 + ((x >> 6) % 4) * 35 + (y >> 5);
      const isDoor = x > 400 && x < 480 && y > 330;
      const isSign = x > 620 && x < 760 && y > 120 && y < 190;
      const colour = isDoor ? [196, 40, 36] : isSign ? [236, 196, 50] : [grey, grey, grey + 4];
      data.set(colour, 3 * (y * width + x));
    }
  }
  return sharp(data, { raw: { width, height, channels: 3 } })
    .png()
    .toBuffer();
};

/** A job begun from a file, by hand. */
export async function begun(server: Server, page: Page, file: Parameters<Hands['file']>[1]): Promise<Hands> {
  await page.goto(server.url);
  const hands = new Hands(page);
  await hands.file(() => hands.button('Choose a file'), file);
  await hands.button('Start plain');
  await hands.seen();
  return hands;
}

/** Makes the films of the open job, and gives the bytes of each file with its name. */
export async function filmsOf(server: Server, hands: Hands): Promise<{ name: string; bytes: Buffer }[]> {
  const { page } = hands;
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await hands.button('Make films');
  const id = page.url().split('/')[4];
  let run: RunView | undefined;
  await expect
    .poll(async () => {
      [run] = await server.json<RunView[]>(`runs?job=${id}`);
      return run?.status;
    })
    .toBe('done');
  const { films, id: runId } = run!;
  return Promise.all(
    films.map(async ({ file }) => ({
      name: file,
      bytes: Buffer.from(
        await (
          await fetch(`${server.url}/api/runs/${runId}/films/${encodeURIComponent(file)}`)
        ).arrayBuffer(),
      ),
    })),
  );
}

/** The open job as it is saved. */
export const jobOf = (server: Server, page: Page) => server.json<JobView>(`jobs/${page.url().split('/')[4]}`);
/** Prints how many actions it took, and holds it to at most so many. */
export const told = (name: string, { actions }: Hands, most: number) => {
  console.log(`${name}: ${actions} actions`);
  expect(actions).toBeLessThanOrEqual(most);
};

/** Share of ink (dark) in a part of a one-bit film, in shares of its width and height. */
export async function inked(film: Buffer, [x, y, width, height]: readonly [number, number, number, number]) {
  const { data, info } = await sharp(film).toColourspace('b-w').raw().toBuffer({ resolveWithObject: true });
  let dark = 0;
  let all = 0;
  for (let j = Math.round(y * info.height); j < Math.round((y + height) * info.height); j++) {
    for (let i = Math.round(x * info.width); i < Math.round((x + width) * info.width); i++) {
      if (data[(j * info.width + i) * info.channels] < 128) dark++;
      all++;
    }
  }
  return dark / all;
}
