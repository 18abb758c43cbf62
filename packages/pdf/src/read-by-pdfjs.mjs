/**
 * Reads a PDF by pdf.js, in a process of its own: of every page its box (points), its words and the mean colour it is drawn
 * in at 72 ppi. Run as `node read-by-pdfjs.mjs FILE`; prints JSON.
 */
import { readFileSync } from 'node:fs';
import { getDocument, VerbosityLevel } from 'pdfjs-dist/legacy/build/pdf.mjs';

const pdfDocument = await getDocument({
  data: new Uint8Array(readFileSync(process.argv[2])),
  verbosity: VerbosityLevel.ERRORS,
}).promise;
const pages = [];
for (let number = 1; number <= pdfDocument.numPages; number++) pages.push(await read(number));
process.stdout.write(JSON.stringify(pages));
await pdfDocument.destroy();

async function read(number) {
  const page = await pdfDocument.getPage(number);
  const viewport = page.getViewport({ scale: 1 });
  const { canvas, context } = pdfDocument.canvasFactory.create(
    Math.round(viewport.width),
    Math.round(viewport.height),
  );
  await page.render({ canvas, canvasContext: context, viewport, background: '#ffffff' }).promise;
  const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
  const mean = [0, 0, 0];
  for (let i = 0; i < data.length; i++) if (i % 4 < 3) mean[i % 4] += (4 * data[i]) / data.length;
  const { items } = await page.getTextContent();
  return { view: page.view, text: items.map(({ str }) => str).join(' '), mean };
}
