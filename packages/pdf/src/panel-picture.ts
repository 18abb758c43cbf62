import {
  filmLayout,
  panelScale,
  panelsOf,
  pictureBands,
  type FilmLayout,
  type FilmWritten,
  type Panels,
  type Region,
  type Scene,
  type Sink,
} from '@brachytone/core';
import { allPlates, assembly, foot, seamTicks } from './panel-furniture.ts';
import { openPdf, POINTS, type PdfFile, type PdfRef } from './pdf-file.ts';

/** A print in its colours, to be cut into panels. */
export interface PanelPicture {
  readonly scene: Scene;
  readonly plates: readonly number[];
  readonly panels: Panels;
  /** Pixels per inch of the print. */
  readonly ppi: number;
  readonly name: string;
  /** ISO 8601. */
  readonly day: string;
  /** File of the typeface of its words. */
  readonly labelFont: Uint8Array;
  readonly sink: Sink;
}

/**
 * The print in its colours for a printer that is too small for it, cut where its films are: a page to put it together by, then a page a panel. All
 * panels are cut from one grid of pixels, so that what neighbours have in common is the same. Films' marks are not on it.
 */
export function* panelPicture(given: PanelPicture): Generator<number, FilmWritten> {
  const { scene, plates, panels, ppi, name, day, labelFont, sink } = given;
  const layout = filmLayout(scene.recipe);
  const parts = panelsOf(panels, layout);
  if (parts.length === 0) throw new RangeError('The paper is too small for its overlap.');
  const subject = 'The print in panels';
  const file = openPdf(sink, { title: name, subject, day, intent: undefined, font: labelFont }, false);
  const { paper, margin } = panels;
  const whole = { x: 0, y: 0, ...paper };
  const page = () => {
    file.page({ ...paper, trim: whole, bleed: whole });
    file.name('ColorSpace', 'Marks', allPlates(file));
  };
  page();
  assembly(file, panels, parts, layout, name);
  const scale = panelScale(panels);
  const points = (pixels: number) => ((pixels * 72) / layout.resolution) * scale;
  const [left, top] = [margin * POINTS, margin * POINTS];
  for (const [i, panel] of parts.entries()) {
    page();
    const { region } = panel;
    const cut = cutOf(layout, region, ppi);
    if (cut) {
      const image = yield* imageOf(file, scene, plates, cut, (share) => (i + share) / parts.length);
      const x = left + points(layout.plate.x + cut.x - region.x);
      const y = top + points(layout.plate.y + cut.y - region.y);
      const [wide, high] = [points(cut.width), points(cut.height)];
      file.name('XObject', 'Print', image);
      file.draw(`q ${wide} 0 0 ${-high} ${x} ${y + high} cm /Print Do Q`);
      file.flush();
    }
    foot(file, panels, parts, panel, name);
    seamTicks(file, panels, parts, panel, {
      left,
      top,
      wide: points(region.width),
      high: points(region.height),
    });
  }
  file.finish();
  return { inked: null };
}

/** Pixels made beside a panel and left out: what light of dots is shared out depends on what lies around. */
const BESIDE = 8;

interface Cut extends Region {
  readonly columns: number;
  readonly rows: number;
}

/** What a panel has of the sheet, in film pixels of the plate, to whole pixels of the picture; undefined where it has nothing. */
function cutOf({ resolution, plate }: FilmLayout, region: Region, ppi: number): Cut | undefined {
  const pitch = resolution / ppi;
  const side = (start: number, size: number, origin: number, length: number) => {
    const first = Math.max(0, Math.floor((start - origin) / pitch));
    const end = Math.min(Math.floor(length / pitch), Math.ceil((start + size - origin) / pitch));
    return { first, count: end - first };
  };
  const across = side(region.x, region.width, plate.x, plate.width);
  const down = side(region.y, region.height, plate.y, plate.height);
  if (across.count <= 0 || down.count <= 0) return undefined;
  return {
    x: across.first * pitch,
    y: down.first * pitch,
    width: across.count * pitch,
    height: down.count * pitch,
    columns: across.count,
    rows: down.count,
  };
}

/** A part of the print as a picture of three channels of eight bits (ISO 32000-1, section 8.9.5). */
function* imageOf(
  file: PdfFile,
  scene: Scene,
  plates: readonly number[],
  cut: Cut,
  share: (of: number) => number,
): Generator<number, PdfRef> {
  const { columns, rows } = cut;
  const image = file.ref({
    Type: 'XObject',
    Subtype: 'Image',
    Width: columns,
    Height: rows,
    ColorSpace: 'DeviceRGB',
    BitsPerComponent: 8,
  });
  const pitch = cut.width / columns;
  const wide = columns + 2 * BESIDE;
  const view = { ...cut, x: cut.x - BESIDE * pitch, width: wide * pitch, columns: wide };
  for (const { band, rgba } of pictureBands(scene, plates, view)) {
    const rgb = Buffer.alloc(columns * band.height * 3);
    for (let y = 0, to = 0; y < band.height; y++) {
      let from = 4 * (y * wide + BESIDE);
      for (let x = 0; x < columns; x++, from += 4) {
        rgb[to++] = rgba[from];
        rgb[to++] = rgba[from + 1];
        rgb[to++] = rgba[from + 2];
      }
    }
    image.write(rgb);
    yield share((band.y + band.height) / rows);
  }
  image.end('');
  return image;
}
