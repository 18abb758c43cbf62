import { createHash } from 'node:crypto';
import { execFileSync } from 'node:child_process';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  newScreen,
  plainPlate,
  SCREEN_KINDS,
  startOf,
  stepKind,
  usualMarks,
  type Recipe,
} from '@brachytone/core';
import {
  cropToSheet,
  LABEL_TYPEFACE,
  newContainer,
  newDrawing,
  newJob,
  newRoute,
  placeOnSheet,
  pressOf,
  SHIPPED_PRESSES,
  withRoute,
  type JobDocument,
} from '@brachytone/job';
import sharp from 'sharp';

/**
 * Draws the pictures of the handbook's stages: strips of proofs of the demo's originals, each under another setting.
 *
 * Arguments: the command line's file, a folder for what is in between, the folder for the pictures.
 */
const [cli, folder, out] = process.argv.slice(2);

/** Sides of a cell of a strip, and space between, pixels; and of its sheet, mm. */
const CELL = 300;
const GAP = 10;
const SHEET = { width: 60, height: 60, bleed: 0, resolution: 1200 };

/** Side of the square spots of screens that have such, mm. */
const SPOT = 0.3;

interface Original {
  readonly path: string;
  readonly facts: { sha256: string; name: string; width: number; height: number };
}

async function original(name: string): Promise<Original> {
  const path = join('demo/originals', name);
  const { width, height } = await sharp(path).metadata();
  const sha256 = createHash('sha256').update(readFileSync(path)).digest('hex');
  return { path, facts: { sha256, name, width, height } };
}

/** A part of a picture on a small sheet: large enough for its dots to be seen. */
function square({ facts }: Original, zoom: number, middle: readonly [number, number]): JobDocument {
  const job = newJob(facts);
  const whole = cropToSheet(SHEET, facts);
  const [width, height] = [whole.width / zoom, whole.height / zoom];
  const crop = { ...whole, width, height, x: middle[0] - width / 2, y: middle[1] - height / 2 };
  return {
    ...job,
    recipe: {
      ...job.recipe,
      sheet: SHEET,
      originals: job.recipe.originals.map((one) => ({
        ...one,
        content: { kind: 'picture', picture: facts.sha256, crop, line: null, cut: null },
        placement: placeOnSheet(SHEET, facts, crop),
      })),
    },
  };
}

const changed = (job: JobDocument, change: (recipe: Recipe) => Partial<Recipe>): JobDocument => ({
  ...job,
  recipe: { ...job.recipe, ...change(job.recipe) },
});

const screened = (
  job: JobDocument,
  kind: string,
  settings: Parameters<typeof newScreen>[1] = {},
): JobDocument =>
  changed(job, () => ({ plates: [plainPlate('plate-1', 'ink-1', newScreen(kind, settings))] }));

const toned = (job: JobDocument, kind: string, settings: object = {}): JobDocument =>
  changed(job, ({ originals }) => ({
    originals: originals.map((one) => ({
      ...one,
      tone: {
        ...one.tone,
        steps: [{ id: kind, kind, on: true, settings: { ...startOf(stepKind(kind)), ...settings } }],
      },
    })),
  }));

let count = 0;
function proof(job: JobDocument, originals: readonly Original[], pixels = CELL): string {
  const [document, png] = [join(folder, `${count}.json`), join(folder, `${count++}.png`)];
  writeFileSync(document, JSON.stringify(job));
  execFileSync(process.execPath, [
    ...[cli, 'proof', document, '--original', ...originals.map(({ path }) => path)],
    ...['--pixels', String(pixels), '--out', png],
  ]);
  return png;
}

/** Pictures beside one another, as one. */
async function strip(
  name: string,
  cells: readonly (string | Buffer)[],
  columns = cells.length,
): Promise<void> {
  const rows = Math.ceil(cells.length / columns);
  const at = (i: number) => i * (CELL + GAP);
  await sharp({
    create: { width: at(columns) - GAP, height: at(rows) - GAP, channels: 3, background: '#e7ded0' },
  })
    .composite(cells.map((input, i) => ({ input, left: at(i % columns), top: at(Math.floor(i / columns)) })))
    .webp({ quality: 78 })
    .toFile(join(out, `${name}.webp`));
  console.log(name);
}

mkdirSync(out, { recursive: true });
const moon = await original('moon-over-reeds.jpg');
const marsh = await original('marsh-at-dusk.jpg');
const heron = await original('heron.svg');
const face = square(moon, 1.6, [0.54, 0.32]);
const shore = square(marsh, 1.3, [0.5, 0.5]);

// What lies on a sheet: a picture, a part of it in a shape, line art over it.
const round = changed(face, ({ originals }) => ({
  originals: originals.map((one) => ({
    ...one,
    placement: { ...one.placement, x: 6, y: 6, width: 48 },
    container: newContainer('ellipse'),
  })),
}));
const bird = newDrawing('original-2', 'ink-1', SHEET, heron.facts);
const drawn = changed(round, ({ originals }) => ({ originals: [...originals, bird] }));
await strip('original', [proof(face, [moon]), proof(round, [moon]), proof(drawn, [moon, heron])]);

const dots = screened(face, 'dots', { ruling: 40, angle: 45 });
await strip(
  'tone',
  [
    dots,
    toned(dots, 'levels', { bare: 15, solid: 75 }),
    toned(dots, 'sharpen', { amount: 900, radius: 12 }),
    toned(dots, 'coarsen', { ppi: 12, manner: 'flat' }),
    toned(dots, 'bands'),
    toned(dots, 'invert'),
  ].map((job) => proof(job, [moon])),
  3,
);

const ROUTED = ['ink', 'tones', 'process'] as const;
await strip(
  'inks',
  ROUTED.map((kind) => {
    const plain = screened(shore, 'dots', { ruling: 30, angle: 45 });
    const id = plain.recipe.originals[0].id;
    const routed =
      kind === 'ink' ? plain : changed(plain, (recipe) => withRoute(recipe, id, newRoute(kind, recipe, id)));
    return proof(routed, [marsh]);
  }),
);

await strip(
  'screens',
  SCREEN_KINDS.map(({ kind, spotSize }) =>
    proof(screened(face, kind, spotSize ? { spot: SPOT } : {}), [moon]),
  ),
  4,
);

// The same film, as drawn and on cloth; and one made for that cloth.
const fine = screened(face, 'dots', { ruling: 45, angle: 22.5 });
const [cloth] = SHIPPED_PRESSES.filter(({ id }) => id === 'hand-table-cloth');
const onCloth = (compensates: boolean) =>
  changed(fine, () => ({ press: { id: cloth.id, press: pressOf(cloth), compensates } }));
await strip(
  'press',
  [fine, onCloth(false), onCloth(true)].map((job) => proof(job, [moon])),
);

// From as far away as the whole sheet is seen, to single dots.
const large = proof(screened(face, 'dots', { ruling: 40, angle: 45 }), [moon], CELL * 8);
const part = (size: number) =>
  sharp(large)
    .extract({ left: CELL * 3, top: CELL * 3, width: size, height: size })
    .resize(CELL, CELL, { kernel: 'nearest' })
    .png()
    .toBuffer();
await strip('proof', [proof(dots, [moon]), await part(CELL * 2), await part(CELL / 2)]);

// A film with its marks, of one plate of two.
const id = shore.recipe.originals[0].id;
const two = changed(screened(shore, 'dots', { ruling: 30, angle: 45 }), (recipe) => ({
  ...withRoute(recipe, id, newRoute('tones', recipe, id)),
  marks: usualMarks(LABEL_TYPEFACE),
}));
const films = join(folder, 'films');
writeFileSync(join(folder, 'two.json'), JSON.stringify(two));
const made = JSON.parse(
  execFileSync(process.execPath, [
    ...[cli, 'make', join(folder, 'two.json'), '--original', marsh.path, '--out', films],
    ...['--format', 'png', '--dpi', '600', '--json'],
  ]).toString(),
) as readonly { readonly file: string }[];
await strip(
  'films',
  await Promise.all(
    made.map(({ file }) =>
      sharp(join(films, file))
        .greyscale()
        .resize(CELL, CELL, { fit: 'contain', background: '#ffffff' })
        .toBuffer(),
    ),
  ),
);

const LOOKS = ['bold-black-poster', 'spiral', 'two-inks', 'engraved-portrait', 'waves', 'fade-into-dots'];
await strip(
  'ways',
  await Promise.all(
    LOOKS.map((look) =>
      sharp(join(out, `${look}.webp`))
        .resize(CELL, CELL)
        .toBuffer(),
    ),
  ),
  3,
);
