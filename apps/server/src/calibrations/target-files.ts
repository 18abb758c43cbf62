import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  filmStrips,
  layoutOf,
  memorySink,
  targetFilm,
  targetFrame,
  tiffFile,
  type Calibration,
} from '@brachytone/core';
import { SHIPPED_TYPEFACES } from '@brachytone/job';
import { bitsMask, openPdf, POINTS, separation } from '@brachytone/pdf';
import { TYPEFACES_FOLDER } from '../paths.ts';

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
  for (const strip of filmStrips(facts))
    file.strip(targetFilm(layout, ink, calibration.inks[ink].screen, calibration.resolution, strip));
  file.finish();
  return sink.bytes();
}

/**
 * All films of a target as PDF: a page an ink, the film's own bits as an image mask painted in a separation colour named after the ink, in which it is
 * labelled too.
 */
export function targetPdf(calibration: Calibration, title: string): Uint8Array {
  const layout = layoutOf(calibration);
  const { width, height, resolution } = targetFrame(layout, calibration.resolution);
  // As whole film pixels make it.
  const mm = { width: (25.4 * width) / resolution, height: (25.4 * height) / resolution };
  const whole = { x: 0, y: 0, ...mm };
  const sink = memorySink();
  const file = openPdf(
    sink,
    {
      title,
      subject: calibration.inks.map(({ ink }) => ink.name).join(', '),
      day: calibration.made.slice(0, 10),
      intent: undefined,
      font: readFileSync(join(TYPEFACES_FOLDER, SHIPPED_TYPEFACES[0].file)),
    },
    false,
  );
  const [wide, high] = [mm.width * POINTS, mm.height * POINTS];
  for (const [place, { ink, screen }] of calibration.inks.entries()) {
    file.page({ ...mm, trim: whole, bleed: whole });
    file.name('ColorSpace', 'Ink', separation(file, ink, 1));
    const making = bitsMask(file, { x: 0, y: 0, width, height }, (strip) =>
      targetFilm(layout, place, screen, resolution, strip),
    );
    let step = making.next();
    while (!step.done) step = making.next();
    file.name('XObject', 'Film', step.value);
    file.draw(`q /Ink cs 1 scn ${wide} 0 0 ${-high} 0 ${high} cm /Film Do Q q /Ink cs 1 scn`);
    const { document } = file;
    const { description } = factsOf(calibration, title, place);
    document.fontSize(8).text(description, 55 * POINTS, 17 * POINTS, { lineBreak: false });
    file.draw('Q');
    file.flush();
  }
  file.finish();
  return sink.bytes();
}
