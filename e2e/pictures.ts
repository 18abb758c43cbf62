import type { Page } from '@playwright/test';
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

/** Drops a file on the page as a hand would. */
export async function dropFile(page: Page, name: string, bytes: Buffer, type = 'image/png'): Promise<void> {
  const transfer = await page.evaluateHandle(
    ([base64, fileName, mime]) => {
      const binary = atob(base64);
      const data = new DataTransfer();
      data.items.add(
        new File([Uint8Array.from(binary, (letter) => letter.charCodeAt(0))], fileName, { type: mime }),
      );
      return data;
    },
    [bytes.toString('base64'), name, type] as const,
  );
  const board = page.getByRole('region', { name: 'Start a job' });
  await board.dispatchEvent('dragover', { dataTransfer: transfer });
  await board.dispatchEvent('drop', { dataTransfer: transfer });
}

/** Begins a plain job where a picture that was brought in is first looked at. */
export const startPlain = (page: Page) => page.getByRole('button', { name: 'Start plain' }).click();

/** Waits until the table has every bit of the film in its picture. */
export const exact = (page: Page) =>
  page.locator('[data-testid=table-canvas][data-sharpness=exact]').waitFor({ timeout: 90_000 });
