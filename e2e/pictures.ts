import type { Locator, Page } from '@playwright/test';
import sharp from 'sharp';

/** A soft colour picture of given size, as PNG. */
export function softPicture(width = 640, height = 800): Promise<Buffer> {
  const data = Buffer.alloc(width * height * 3);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const at = (y * width + x) * 3;
      data[at] = 128 + 110 * Math.sin(x / 90);
      data[at + 1] = 128 + 110 * Math.cos(y / 70);
      data[at + 2] = (x + y) & 255;
    }
  }
  return sharp(data, { raw: { width, height, channels: 3 } })
    .png()
    .toBuffer();
}

export interface Dropped {
  readonly name: string;
  readonly bytes: Buffer;
  readonly type?: string;
}

/** Files as the browser has them while they are dragged. */
const dragged = (page: Page, files: readonly Dropped[]) =>
  page.evaluateHandle(
    (all) => {
      const data = new DataTransfer();
      for (const { base64, name, type } of all) {
        const bytes = Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));
        data.items.add(new File([bytes], name, { type }));
      }
      return data;
    },
    files.map(({ bytes, ...one }) => ({ type: 'image/png', ...one, base64: bytes.toString('base64') })),
  );

/** Drops files on a place of the page as a hand would; one that only shows while something is dragged appears first. */
export async function dropFiles(page: Page, place: Locator, files: readonly Dropped[]): Promise<void> {
  const dataTransfer = await dragged(page, files);
  await page.locator('body').dispatchEvent('dragover', { dataTransfer });
  await place.dispatchEvent('dragover', { dataTransfer });
  await place.dispatchEvent('drop', { dataTransfer });
}

/** Drops a file on the board. */
export const dropFile = (page: Page, name: string, bytes: Buffer, type = 'image/png'): Promise<void> =>
  dropFiles(page, page.getByRole('region', { name: 'Start a job' }), [{ name, bytes, type }]);

/** Begins a plain job where a picture that was brought in is first looked at. */
export const startPlain = (page: Page) => page.getByRole('button', { name: 'Start plain' }).click();

/** Waits until the table has every bit of the film in its picture. */
export const exact = (page: Page) =>
  page.locator('[data-testid=table-canvas][data-sharpness=exact]').waitFor();
