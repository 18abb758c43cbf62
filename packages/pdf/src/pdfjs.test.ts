import { filmLayout } from '@brachytone/core';
import sharp from 'sharp';
import { PDF_WRITERS } from './index.ts';
import { testFolder, three, tool, write } from './testing.ts';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

interface ReadPage {
  readonly view: readonly [number, number, number, number];
  readonly text: string;
  readonly mean: readonly [number, number, number];
}

const folder = testFolder();
const reader = fileURLToPath(new URL('read-by-pdfjs.mjs', import.meta.url));
const readByPdfjs = (file: string): ReadPage[] => JSON.parse(tool('node', reader, file)) as ReadPage[];

/** Mean colour of a file's first page as poppler draws it at 72 ppi. */
async function meanByPoppler(file: string): Promise<number[]> {
  tool('pdftoppm', '-r', '72', '-singlefile', '-png', file, file);
  const { channels } = await sharp(`${file}.png`).removeAlpha().stats();
  return channels.map(({ mean }) => mean);
}

describe('PDF as pdf.js reads it, as browsers do', () => {
  const scene = three({ resolution: 600 });
  const { mm } = filmLayout(scene.recipe);
  const points = (length: number) => (length / 25.4) * 72;

  it.each(['pdf-films', 'pdf-vector', 'pdf-tones'] as const)(
    '%s: one page of the film’s size, in the colours that poppler draws it in',
    async (id) => {
      const file = join(folder, `${id}.pdf`);
      write(file, PDF_WRITERS[id]!, scene);
      const pages = readByPdfjs(file);
      expect(pages).toHaveLength(1);
      const [{ view, mean }] = pages;
      expect(view[2] - view[0]).toBeCloseTo(points(mm.width), 1);
      expect(view[3] - view[1]).toBeCloseTo(points(mm.height), 1);
      const other = await meanByPoppler(file);
      for (const [k, value] of mean.entries()) expect(Math.abs(value - other[k])).toBeLessThan(6);
      // Three inks on white are neither white nor black.
      expect(mean[0]).toBeGreaterThan(40);
      expect(mean[2]).toBeLessThan(230);
    },
  );

  it('lettering is words where it is type', () => {
    const file = join(folder, 'words.pdf');
    write(file, PDF_WRITERS['pdf-vector']!, scene);
    expect(readByPdfjs(file)[0].text).toContain('Low tide');
  });
});
