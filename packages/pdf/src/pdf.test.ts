import { readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  filmBits,
  filmLayout,
  hexToLab,
  memorySink,
  newScreen,
  panelsOf,
  pictureBands,
  plainPlate,
  plateCoverage,
  pressProof,
  PLAIN_LOOK,
  difference2000,
  srgbToLinear,
  xyzToLab,
  type Bits,
  type Lab,
  type Panels,
  type Scene,
} from '@brachytone/core';
import { linearToXyz } from '@brachytone/core/colour/lab.ts';
import { bitAt, countInk, cropBits } from '@brachytone/core/raster/bits.ts';
import { greyPicture, sceneOf } from '@brachytone/core/testing.ts';
import sharp from 'sharp';
import { panelPicture, PDF_WRITERS } from './index.ts';
import { LABEL_FONT, testFolder, three, tool, write } from './testing.ts';

const folder = testFolder();
const path = (name: string) => join(folder, name);
const [films, vector, tones] = (['pdf-films', 'pdf-vector', 'pdf-tones'] as const).map(
  (id) => PDF_WRITERS[id]!,
);

const words = { job: 'Low tide & high', day: '2026-11-29', mirrored: false };

const whole = (scene: Scene) => {
  const layout = filmLayout(scene.recipe);
  return { layout, region: { x: 0, y: 0, width: layout.width, height: layout.height } };
};

/** Separations of a page by Ghostscript, one bit a pixel, by the names of their colours. */
function separated(file: string, resolution: number): Map<string, string> {
  const into = `${file}-plates`;
  tool('mkdir', '-p', into);
  tool(
    'gs',
    ...['-q', '-dNOPAUSE', '-dBATCH', '-dSAFER', '-sDEVICE=tiffsep1', `-r${resolution}`],
    `-sOutputFile=${join(into, 'page.tif')}`,
    file,
  );
  return new Map(
    readdirSync(into).flatMap((name) => {
      const found = /^page\((.*)\)\.tif$/.exec(name);
      return found ? [[found[1], join(into, name)] as const] : [];
    }),
  );
}

/** Pixels of a separation that differ from a film's, and how many there are of it. */
async function differing(file: string, bits: Bits): Promise<{ different: number; inked: number }> {
  const { data, info } = await sharp(file, { limitInputPixels: false })
    .toColourspace('b-w')
    .raw()
    .toBuffer({ resolveWithObject: true });
  expect([info.width, info.height]).toEqual([bits.width, bits.height]);
  let [different, inked] = [0, 0];
  for (let y = 0, i = 0; y < bits.height; y++) {
    for (let x = 0; x < bits.width; x++, i += info.channels) {
      const ink = data[i] < 128 ? 1 : 0;
      inked += ink;
      if (ink !== bitAt(bits, x, y)) different++;
    }
  }
  return { different, inked };
}

/** What a reader of PDF finds wrong; nothing. */
function expectSound(file: string): void {
  expect(tool('qpdf', '--check', file)).toContain('No syntax or stream encoding errors found');
  expect(tool('pdfinfo', '-box', file)).toContain('Title:           Low tide & high');
}

/** Colours of the fields of a picture, mixed in linear light. */
function meansOf(
  data: Uint8Array,
  { width, height, channels }: { width: number; height: number; channels: number },
  columns: number,
  rows: number,
): Lab[] {
  const linear = Float64Array.from({ length: 256 }, (_, i) => srgbToLinear(i / 255));
  const edge = (i: number, size: number, count: number) => Math.round((i * size) / count);
  return Array.from({ length: columns * rows }, (_, i): Lab => {
    const [x, y] = [i % columns, Math.floor(i / columns)];
    const sums = [0, 0, 0];
    let count = 0;
    for (let v = edge(y, height, rows); v < edge(y + 1, height, rows); v++)
      for (let u = edge(x, width, columns); u < edge(x + 1, width, columns); u++, count++)
        for (let k = 0; k < 3; k++) sums[k] += linear[data[(v * width + u) * channels + k]];
    return xyzToLab(linearToXyz(sums.map((sum) => sum / count) as [number, number, number]));
  });
}

describe('PDF of films', () => {
  const scene = three();
  const { layout, region } = whole(scene);

  it('Ghostscript’s separations are the films, pixel for pixel, marks and all', async () => {
    const file = path('films.pdf');
    write(file, films, scene);
    expectSound(file);
    const plates = separated(file, 600);
    for (const [i, name] of ['Lantern', 'Tide (deep) #2', 'Reed black'].entries()) {
      const found = plates.get(name);
      expect([name, found]).toEqual([name, expect.any(String)]);
      const { different, inked } = await differing(found!, filmBits(scene, i, layout, region, words));
      expect(different).toBe(0);
      expect(inked).toBeGreaterThan(10_000);
    }
    // Nothing is on the process plates.
    for (const process of ['Cyan', 'Magenta', 'Yellow', 'Black']) {
      const bare = plates.get(process);
      if (bare) expect((await sharp(bare).toColourspace('b-w').stats()).channels[0].min).toBe(255);
    }
  });

  it('a page a plate has each by itself; mirrored films are mirrored', async () => {
    const file = path('pages.pdf');
    write(file, films, scene, { pages: 'plates', mirrored: true });
    expect(tool('pdfinfo', file)).toMatch(/Pages: +3/);
    const into = path('pages');
    tool('mkdir', '-p', into);
    tool(
      'gs',
      '-q',
      '-dNOPAUSE',
      '-dBATCH',
      '-dFirstPage=2',
      '-dLastPage=2',
      '-sDEVICE=tiffsep1',
      '-r600',
      `-sOutputFile=${join(into, 'p.tif')}`,
      file,
    );
    const bits = filmBits(scene, 1, layout, region, { ...words, mirrored: true });
    const { data, info } = await sharp(join(into, 'p(Tide (deep) #2).tif'))
      .toColourspace('b-w')
      .raw()
      .toBuffer({ resolveWithObject: true });
    let different = 0;
    for (let y = 0; y < info.height; y += 3)
      for (let x = 0; x < info.width; x++)
        if ((data[(y * info.width + x) * info.channels] < 128 ? 1 : 0) !== bitAt(bits, info.width - 1 - x, y))
          different++;
    expect(different).toBe(0);
  });

  it('pages say where they are trimmed, in points to 0.01', () => {
    const boxes = tool('pdfinfo', '-box', path('films.pdf'));
    const box = (name: string) =>
      new RegExp(`${name}: +([\\d.]+) +([\\d.]+) +([\\d.]+) +([\\d.]+)`).exec(boxes)!.slice(1).map(Number);
    const points = (mm: number) => (mm * 72) / 25.4;
    const { trim, mm } = layout;
    const expected = [trim.x, mm.height - trim.y - 40, trim.x + 60, mm.height - trim.y].map(points);
    box('TrimBox').forEach((one, i) => expect(Math.abs(one - expected[i])).toBeLessThan(0.01));
    const grown = [-1, -1, 1, 1].map((way, i) => expected[i] + way * points(3));
    box('BleedBox').forEach((one, i) => expect(Math.abs(one - grown[i])).toBeLessThan(0.01));
    [0, 0, points(mm.width), points(mm.height)].forEach((one, i) =>
      expect(Math.abs(box('MediaBox')[i] - one)).toBeLessThan(0.01),
    );
  });

  it('its metadata say what its information says, and no more than is true of the press', () => {
    const text = readFileSync(path('films.pdf'), 'latin1');
    expect(text).toContain('<rdf:li xml:lang="x-default">Low tide &amp; high</rdf:li>');
    expect(text).toContain('2026-11-29T00:00:00Z');
    expect(text).not.toContain('PDF/X-4');
    const profile = new Uint8Array(readFileSync('/usr/share/color/icc/ghostscript/default_cmyk.icc'));
    const file = path('x4.pdf');
    write(file, films, scene, {}, { profile, name: 'Coated' });
    expectSound(file);
    const forPress = readFileSync(file, 'latin1');
    expect(forPress).toContain('<pdfxid:GTS_PDFXVersion>PDF/X-4</pdfxid:GTS_PDFXVersion>');
    // What PDF/X-4 asks for (ISO 15930-7, from memory): version, intent with a profile, a trim box, trapping said, an id, no encryption.
    expect(forPress.startsWith('%PDF-1.6')).toBe(true);
    expect(forPress).toMatch(/\/S \/GTS_PDFX/);
    expect(forPress).toContain('/DestOutputProfile');
    expect(forPress).toContain('/TrimBox');
    const [, trapped] = /\/Trapped (\d+) 0 R/.exec(forPress)!;
    expect(forPress).toMatch(new RegExp(`\\n${trapped} 0 obj\\s+/False\\s+endobj`));
    expect(forPress).toMatch(/\/ID \[/);
    expect(forPress).not.toContain('/Encrypt');
    expect(forPress).not.toMatch(/\/(Device(RGB|CMYK|Gray))\b/);
  });

  it('the same job gives the same bytes', () => {
    expect(Buffer.compare(write(path('a.pdf'), films, scene), write(path('b.pdf'), films, scene))).toBe(0);
  });
});

// Half an inch of margin is whole film pixels.
const PANELS: Panels = {
  paper: { width: 76.2, height: 88.9 },
  margin: 12.7,
  overlap: 8,
  ruler: 100,
  across: [],
  down: [],
  whole: [],
};

describe('panels', () => {
  const scene = three({ resolution: 300 });
  const { layout, region } = whole(scene);
  const panels = PANELS;
  const parts = panelsOf(panels, layout);

  it('a page to put them together by, and a page a panel as large as the paper, whose bits are the film’s', async () => {
    const file = path('panels.pdf');
    write(file, films, scene, { panels });
    expectSound(file);
    expect(parts.length).toBeGreaterThan(3);
    const info = tool('pdfinfo', '-f', '1', '-l', String(parts.length + 1), file);
    expect(info).toMatch(new RegExp(`Pages: +${parts.length + 1}\\b`));
    for (const [, wide, high] of info.matchAll(/size: +([\d.]+) x ([\d.]+) pts/g)) {
      expect(Math.abs((Number(wide) / 72) * 25.4 - 76.2)).toBeLessThan(0.05);
      expect(Math.abs((Number(high) / 72) * 25.4 - 88.9)).toBeLessThan(0.05);
    }
    const into = path('panels');
    tool('mkdir', '-p', into);
    tool(
      'gs',
      '-q',
      '-dNOPAUSE',
      '-dBATCH',
      '-sDEVICE=tiffsep1',
      '-r300',
      `-sOutputFile=${join(into, 'p%d.tif')}`,
      file,
    );
    const all = filmBits(scene, 1, layout, region, words);
    for (const [i, part] of parts.entries()) {
      const { width, height } = part.region;
      const { data } = await sharp(join(into, `p${i + 2}(Tide (deep) #2).tif`))
        .toColourspace('b-w')
        .extract({ left: 150, top: 150, width, height })
        .extractChannel(0)
        .raw()
        .toBuffer({ resolveWithObject: true });
      const bits = cropBits(all, part.region);
      let different = 0;
      for (let y = 0; y < height; y++)
        for (let x = 0; x < width; x++)
          if ((data[y * width + x] < 128 ? 1 : 0) !== bitAt(bits, x, y)) different++;
      // Ticks where a panel is cut and arrows to its neighbours lie over it.
      expect(different).toBeLessThan(1500);
    }
    expect(tool('pdftotext', '-f', '2', '-l', '2', file, '-')).toContain('row 1 of');
  });

  it('a printer that prints 2 % too large is told to print as much smaller', () => {
    const file = path('corrected.pdf');
    write(file, films, scene, { panels: { ...panels, ruler: 102 } });
    const [, first] = /([\d.]+) 0 0 -[\d.]+ 36 [\d.]+ cm\s+\/Film0 Do/.exec(
      tool('qpdf', '--qdf', '--object-streams=disable', file, '-'),
    )!;
    const [part] = panelsOf({ ...panels, ruler: 102 }, layout);
    expect(Number(first)).toBeCloseTo(((part.region.width * 72) / 300) * (100 / 102), 3);
  });
});

describe('the print in panels', () => {
  const scene = three({ resolution: 300 });
  const layout = filmLayout(scene.recipe);
  const panels = PANELS;
  const parts = panelsOf(panels, layout);
  const plates = scene.recipe.plates.map((_, i) => i);
  const ppi = 100;

  it('is a page a panel, each with its part of the whole picture, pixel for pixel', async () => {
    const file = path('print-panels.pdf');
    const sink = memorySink();
    const given = {
      scene,
      plates,
      panels,
      ppi,
      name: 'Low tide & high',
      day: '2026-11-30',
      labelFont: LABEL_FONT,
      sink,
    };
    const shares = [...panelPicture(given)];
    expect(shares.every((share, i) => share <= 1 && (i === 0 || share >= shares[i - 1]))).toBe(true);
    writeFileSync(file, sink.bytes());
    expectSound(file);
    const pitch = layout.resolution / ppi;
    const size = (length: number) => Math.floor(length / pitch);
    const [columns, rows] = [size(layout.plate.width), size(layout.plate.height)];
    // A little more at the sides, past which light that is shared out is not known.
    const beside = 20;
    const wide = columns + 2 * beside;
    const view = { x: -beside * pitch, y: 0, width: wide * pitch, height: rows * pitch, columns: wide, rows };
    const all = new Uint8ClampedArray(wide * rows * 4);
    for (const { band, rgba } of pictureBands(scene, plates, view)) all.set(rgba, band.y * wide * 4);
    const into = path('print');
    tool('mkdir', '-p', into);
    tool('pdfimages', '-png', file, join(into, 'p'));
    const images = readdirSync(into).sort();
    expect(images).toHaveLength(parts.length);
    let seen = 0;
    for (const [i, { region }] of parts.entries()) {
      const { data, info } = await sharp(join(into, images[i]))
        .removeAlpha()
        .raw()
        .toBuffer({ resolveWithObject: true });
      const left = Math.max(0, Math.floor((region.x - layout.plate.x) / pitch));
      const top = Math.max(0, Math.floor((region.y - layout.plate.y) / pitch));
      let different = 0;
      for (let y = 0; y < info.height; y++)
        for (let x = 0; x < info.width; x++) {
          const at = 4 * ((top + y) * wide + beside + left + x);
          const to = 3 * (y * info.width + x);
          if ([0, 1, 2].some((k) => Math.abs(all[at + k] - data[to + k]) > 1)) different++;
        }
      expect(different).toBe(0);
      seen += info.width * info.height;
    }
    // Neighbours have their overlap in common.
    expect(seen).toBeGreaterThan(columns * rows);
    expect(tool('pdftotext', '-f', '2', '-l', '2', file, '-')).toContain('row 1 of');
  });
});

describe('PDF of geometry', () => {
  const scene = three();
  const { layout, region } = whole(scene);
  const file = path('vector.pdf');
  beforeAll(() => void write(file, vector, scene));

  it('is sound, has a separation for each ink, and its lettering can be found', () => {
    expectSound(file);
    const text = readFileSync(file, 'latin1');
    for (const name of ['Lantern', 'Tide#20#28deep#29#20#232', 'Reed#20black'])
      expect(text.match(new RegExp(`/Separation\\s+/${name}\\s`, 'g'))).toHaveLength(1);
    expect(text).toContain('/OP true');
    expect(tool('pdftotext', file, '-')).toContain('Low tide');
  });

  // Cairo's antialiasing is the share of a pixel that is painted; Ghostscript paints every pixel that a path touches.
  it.each([
    [15, 'pure', 5e5],
    [45, 'pure', 5e5],
    [15, 'film', 2e6],
  ] as const)('at %i° 100 000 round dots, %s, would take 6 MB at most', (angle, outlines, least) => {
    const [width, height, ruling] = [150, 200, 35];
    const tones = greyPicture(300, 400, (x, y) => 128 + 90 * Math.sin(x / 21) * Math.cos(y / 17));
    const base = sceneOf(tones, { width, height, resolution: 1200 });
    const screen = newScreen('dots', { ruling, angle });
    const scene = { ...base, recipe: { ...base.recipe, plates: [{ ...base.recipe.plates[0], screen }] } };
    const cells = width * height * (ruling / 25.4) ** 2;
    const bytes = write(path(`dots-${angle}-${outlines}.pdf`), vector, scene, { outlines }).length;
    expect((bytes / cells) * 100_000).toBeLessThan(6e6);
    expect((bytes / cells) * 100_000).toBeGreaterThan(least);
  });

  it('covers every 10 mm square as the film does, within 0.5 %', async () => {
    for (const i of [0, 1, 2]) {
      const { recipe } = scene;
      const alone: Scene = {
        ...scene,
        recipe: {
          ...recipe,
          inks: recipe.inks.map((ink) => ({ ...ink, lab: [0, 0, 0] })),
          plates: recipe.plates.map((plate, k) => ({ ...plate, printed: k === i })),
        },
      };
      const one = path(`plate-${i}.pdf`);
      write(one, vector, alone);
      tool('pdftocairo', '-png', '-r', '600', '-gray', '-singlefile', one, path(`plate-${i}`));
      const { data, info } = await sharp(path(`plate-${i}.png`))
        .toColourspace('b-w')
        .raw()
        .toBuffer({ resolveWithObject: true });
      const bits = filmBits(alone, i, layout, region, words);
      const side = 236;
      for (let y = 0; y + side < bits.height; y += side) {
        for (let x = 0; x + side < bits.width; x += side) {
          let light = 0;
          for (let v = 0; v < side; v++)
            for (let u = 0; u < side; u++) light += data[((y + v) * info.width + x + u) * info.channels];
          const share = countInk(cropBits(bits, { x, y, width: side, height: side })) / side ** 2;
          expect(Math.abs(1 - light / 255 / side ** 2 - share)).toBeLessThan(0.005);
        }
      }
    }
  });

  it('looks like the proof where its overprints are shown', async () => {
    const bare = three({ marks: false, resolution: 1200 });
    const plain = path('plain.pdf');
    write(plain, vector, bare);
    const seen = path('seen.png');
    tool(
      'gs',
      '-q',
      '-dNOPAUSE',
      '-dBATCH',
      '-sDEVICE=png16m',
      '-dOverprint=/simulate',
      '-r1200',
      '-dGraphicsAlphaBits=1',
      `-sOutputFile=${seen}`,
      plain,
    );
    const { frame } = filmLayout(bare.recipe);
    const [columns, rows] = [66, 46];
    const view = { x: 0, y: 0, width: frame.width, height: frame.height, columns, rows };
    const shown = pressProof(
      { scene: bare, frame, view, rows: { first: 0, count: rows }, plates: [0, 1, 2] },
      { ...PLAIN_LOOK, press: false },
    );
    const { data, info } = await sharp(seen).removeAlpha().raw().toBuffer({ resolveWithObject: true });
    const fields = meansOf(data, info, columns, rows);
    let sum = 0;
    for (let i = 0; i < columns * rows; i++) {
      const hex = [0, 1, 2].map((k) => shown.rgba[4 * i + k].toString(16).padStart(2, '0')).join('');
      sum += difference2000(hexToLab(`#${hex}`), fields[i]);
    }
    expect(sum / (columns * rows)).toBeLessThan(4);
  });
});

describe('PDF of tones', () => {
  const scene = three({ marks: false });

  it('has the film’s tones of every plate within 1/255', () => {
    const file = path('tones.pdf');
    const plain = { ...scene, recipe: { ...scene.recipe, originals: scene.recipe.originals.slice(0, 2) } };
    write(file, tones, plain, { ppi: 100 });
    expectSound(file);
    const object = /(\d+) 0 obj\n<<[^>]*?\/Subtype \/Image[^]*?>>/.exec(readFileSync(file, 'latin1'))!;
    const raw = Buffer.from(
      tool('bash', '-c', `qpdf --show-object=${object[1]} --filtered-stream-data ${file} | base64 -w0`),
      'base64',
    );
    const frame = { ...filmLayout(plain.recipe).frame, resolution: 100, width: 260, height: 181 };
    expect(raw.length).toBe(frame.width * frame.height * 3);
    for (const plate of [0, 1]) {
      const { data } = plateCoverage(plain, plate, frame, { x: 0, y: 0, width: 260, height: 181 });
      let worst = 0;
      for (let i = 0; i < data.length; i++)
        worst = Math.max(worst, Math.abs(raw[3 * i + plate] / 255 - data[i] / 65535));
      expect(worst).toBeLessThanOrEqual(1 / 255);
    }
  });

  it('a press that screens it by the dictionary has the ruling and angle written there', async () => {
    // A flat middle tone on one plate.
    const flat = {
      ...scene,
      pictures: new Map(
        [...scene.pictures].map(([id]) => [
          id,
          sceneOf(
            greyPicture(8, 8, () => 128),
            { width: 60, height: 40, resolution: 600 },
          ).pictures.get(id)!,
        ]),
      ),
      recipe: {
        ...scene.recipe,
        inks: [scene.recipe.inks[0]],
        originals: [scene.recipe.originals[0]],
        plates: [plainPlate('plate-1', 'ink-1', newScreen('dots', { ruling: 40, angle: 30, spot: 'round' }))],
      },
    };
    const file = path('screened.pdf');
    write(file, tones, flat);
    const plates = separated(file, 600);
    const { data, info } = await sharp(plates.get('Lantern'))
      .toColourspace('b-w')
      .raw()
      .toBuffer({ resolveWithObject: true });
    // Fourier sum over a window, on a fine grid of waves around the wanted one.
    const [size, left, top] = [500, 300, 250];
    const power = (ruling: number, angle: number): number => {
      const turn = (angle * Math.PI) / 180;
      // Angles of halftones are of the device’s own space, whose y runs down here.
      const [u, v] = [(ruling / 600) * Math.cos(turn), (ruling / 600) * Math.sin(turn)];
      let [re, im] = [0, 0];
      for (let y = 0; y < size; y += 2)
        for (let x = 0; x < size; x++) {
          const ink = data[((top + y) * info.width + left + x) * info.channels] < 128 ? 1 : 0;
          const window =
            Math.sin((Math.PI * (x + 0.5)) / size) ** 2 * Math.sin((Math.PI * (y + 0.5)) / size) ** 2;
          const phase = 2 * Math.PI * (u * x + v * y);
          re += (ink - 0.5) * window * Math.cos(phase);
          im += (ink - 0.5) * window * Math.sin(phase);
        }
      return re * re + im * im;
    };
    let best = { ruling: 0, angle: 0, power: 0 };
    for (let ruling = 34; ruling <= 46; ruling += 1)
      for (let angle = 20; angle <= 40; angle += 2) {
        const here = power(ruling, angle);
        if (here > best.power) best = { ruling, angle, power: here };
      }
    // To what lattices a device of 600 dpi has.
    expect(Math.abs(best.ruling - 40)).toBeLessThanOrEqual(1);
    expect(Math.abs(best.angle - 30)).toBeLessThanOrEqual(3);
  });
});

it('all of them are small and readable by poppler too', () => {
  for (const name of ['films.pdf', 'vector.pdf', 'tones.pdf']) {
    expect(tool('pdftoppm', '-r', '30', '-png', path(name), path(`seen-${name}`))).toBe('');
    expect(statSync(path(name)).size).toBeGreaterThan(10_000);
    expect(statSync(path(name)).size).toBeLessThan(3e6);
  }
});
