import { join } from 'node:path';
import { buffer } from 'node:stream/consumers';
import {
  bands,
  encodeGroup4,
  labToHex,
  layoutOf,
  memorySink,
  stripRows,
  targetFilm,
  targetFrame,
  tiffFile,
  type Calibration,
  type CalibratedInk,
} from '@brachytone/core';
import { SHIPPED_TYPEFACES } from '@brachytone/job';
import PDFDocument from 'pdfkit';
import { TYPEFACES_FOLDER } from '../paths.ts';

const POINTS_PER_MM = 72 / 25.4;

/** What a film of a target says of itself. */
const factsOf = (calibration: Calibration, title: string, ink: number) => {
  const { width, height, resolution } = targetFrame(layoutOf(calibration), calibration.resolution);
  return { width, height, resolution, description: `${title}, ${calibration.inks[ink].ink.name}` };
};

/** The film of one ink of a target as one-bit TIFF. */
export function targetTiff(calibration: Calibration, title: string, ink: number): Uint8Array {
  const facts = factsOf(calibration, title, ink);
  const layout = layoutOf(calibration);
  const sink = memorySink();
  const file = tiffFile(sink, facts, 'group4');
  const { width, height } = facts;
  for (const strip of bands({ x: 0, y: 0, width, height }, 1, file.rowsPerStrip))
    file.strip(targetFilm(layout, ink, calibration.inks[ink].screen, calibration.resolution, strip));
  file.finish();
  return sink.bytes();
}

/**
 * All films of a target as PDF (ISO 32000-1): a page an ink, each strip of it an image mask of the film's own bits (section 8.9.6) packed as Group 4,
 * painted in a separation colour named after the ink (section 8.6.6.4).
 */
export async function targetPdf(calibration: Calibration, title: string): Promise<Uint8Array> {
  const layout = layoutOf(calibration);
  const frame = targetFrame(layout, calibration.resolution);
  // As whole film pixels make it.
  const [wide, high] = [frame.width, frame.height].map((pixels) => (72 * pixels) / frame.resolution);
  const document = new PDFDocument({
    size: [wide, high],
    margin: 0,
    autoFirstPage: false,
    info: { Title: title, Producer: 'Brachytone', Creator: 'Brachytone' },
    font: join(TYPEFACES_FOLDER, SHIPPED_TYPEFACES[0].file),
  });
  const whole = buffer(document);
  calibration.inks.forEach(({ ink, screen }, place) => {
    const { width, height, resolution, description } = factsOf(calibration, title, place);
    document.addPage();
    const { page } = document;
    const { resources } = page as unknown as { resources: { data: Record<string, unknown> } };
    resources.data.ColorSpace = { Ink: separation(document, ink) };
    document.addContent('q /Ink cs 1 scn');
    const scale = high / height;
    for (const strip of bands(
      { x: 0, y: 0, width, height },
      1,
      stripRows({ width, height, resolution, description }),
    )) {
      const bits = targetFilm(layout, place, screen, calibration.resolution, strip);
      const image = document.ref({
        Type: 'XObject',
        Subtype: 'Image',
        Width: strip.width,
        Height: strip.height,
        ImageMask: true,
        BitsPerComponent: 1,
        // Ink is black, and 1: painted where a sample is 1.
        Decode: [1, 0],
        Filter: 'CCITTFaxDecode',
        DecodeParms: { K: -1, Columns: strip.width, Rows: strip.height, BlackIs1: true },
      });
      image.end(Buffer.from(encodeGroup4(bits)));
      const name = `Strip${strip.y}`;
      (page as unknown as { xobjects: Record<string, unknown> }).xobjects[name] = image;
      const foot = (strip.y + strip.height) * scale;
      document.addContent(`q ${wide} 0 0 ${-strip.height * scale} 0 ${foot} cm /${name} Do Q`);
    }
    // In the ink itself: its film is labelled.
    document.fontSize(8).text(description, 55 * POINTS_PER_MM, 17 * POINTS_PER_MM, { lineBreak: false });
    document.addContent('Q');
  });
  document.end();
  return whole;
}

/** A separation colour of an ink: bare, it is white; solid, its own colour in sRGB. */
function separation(document: PDFKit.PDFDocument, { name, lab }: CalibratedInk['ink']): unknown {
  const hex = labToHex(lab);
  const solid = [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16) / 255);
  const tint = document.ref({ FunctionType: 2, Domain: [0, 1], C0: [1, 1, 1], C1: solid, N: 1 });
  tint.end('');
  return ['Separation', pdfName(name), 'DeviceRGB', tint];
}

/** A text as a PDF name: every byte that is no letter or digit as # and two hexadecimal digits. */
const pdfName = (text: string): string =>
  [...new TextEncoder().encode(text)]
    .map((byte) =>
      /[A-Za-z0-9]/.test(String.fromCharCode(byte))
        ? String.fromCharCode(byte)
        : `#${byte.toString(16).padStart(2, '0').toUpperCase()}`,
    )
    .join('');
