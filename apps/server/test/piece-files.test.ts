import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { newScreen, usualMarks, type Panels } from '@brachytone/core';
import {
  filmFile,
  packPieces,
  sceneOf,
  piecesApart,
  type FilmsAtHand,
  type MadeFilm,
  type PiecePlace,
} from '@brachytone/files/write';
import { LABEL_TYPEFACE, type FilmSettings, type JobDocument, type RunView } from '@brachytone/job';
import { FilesService } from '../src/files/files.service.ts';
import { TypefacesService } from '../src/files/typefaces.service.ts';
import { DemoService } from '../src/demo.service.ts';
import { labelFont } from '../src/work/label-font.ts';
import { jobsOf, startServer, type Harness } from './harness.ts';

let server: Harness;
let leaflet: JobDocument;
const folder = mkdtempSync(join(tmpdir(), 'pieces-'));
beforeAll(async () => {
  server = await startServer();
  await server.app.get(TypefacesService).load();
  await server.app.get(DemoService).load();
  const jobs = await jobsOf(server);
  ({ document: leaflet } = jobs.find(({ document }) => document.name === 'Season leaflet')!);
});
afterAll(async () => {
  await server.close();
  rmSync(folder, { recursive: true });
});

/** A part of the leaflet with marks, large enough for half a dozen strips. */
const withFilms = (films: Partial<FilmSettings>): JobDocument => ({
  ...leaflet,
  films: { ...leaflet.films, ...films },
  recipe: {
    ...leaflet.recipe,
    sheet: { ...leaflet.recipe.sheet, width: 80, height: 160, resolution: 900 },
    marks: usualMarks(LABEL_TYPEFACE),
  },
});

const platesOf = ({ recipe }: JobDocument): string[] => recipe.plates.slice(0, 2).map(({ id }) => id);

async function atHand(document: JobDocument): Promise<FilmsAtHand> {
  const materials = await server.app.get(FilesService).materials(document.recipe);
  const scene = sceneOf(document.recipe, materials);
  return {
    document,
    day: '2026-11-30',
    approval: 'approved',
    scene,
    materials,
    intent: undefined,
    labelFont,
  };
}

/** Two sheets, one beside the other. */
const PANELS: Panels = {
  paper: { width: 210, height: 297 },
  margin: 5,
  overlap: 10,
  ruler: 100,
  across: [100],
  down: [],
  whole: [],
};

/** Pieces packed by threads that take turns, the last of which begins in the middle. */
function packedByTwo(given: FilmsAtHand): { places: PiecePlace[]; turns: number[] } {
  const plates = platesOf(given.document);
  const pieces = piecesApart(given.document, plates);
  expect(pieces.length).toBeGreaterThan(3);
  const claims = new Int32Array(new SharedArrayBuffer(4 * pieces.length));
  const threads = [0, 1].map((thread) => ({
    turns: 0,
    packing: packPieces(given, {
      plates,
      path: join(folder, `packed-${thread}`),
      claims,
      first: thread === 0 ? 0 : Math.floor(pieces.length / 2),
    }),
  }));
  const places: PiecePlace[] = [];
  for (let open = [...threads]; open.length > 0;) {
    open = open.filter((thread) => {
      const next = thread.packing.next();
      if (next.done) places.push(...next.value);
      else thread.turns++;
      return !next.done;
    });
  }
  expect(places).toHaveLength(pieces.reduce((sum, piece) => sum + piece.plates.length, 0));
  return { places, turns: threads.map(({ turns }) => turns) };
}

/** What is said of a file, its SHA-256 among it. */
function madeOf(given: FilmsAtHand, plates: string[]): MadeFilm {
  const making = filmFile(given, plates, join(folder, 'film'));
  for (;;) {
    const next = making.next();
    if (next.done) return next.value;
  }
}

it.each<[string, Partial<FilmSettings>]>([
  ['TIFF, Group 4, mirrored and negative', { format: 'tiff-group4', mirrored: true, negative: true }],
  ['TIFF, Group 4, all in one file', { format: 'tiff-group4', together: true }],
  ['TIFF, deflate, mirrored', { format: 'tiff-deflate', mirrored: true }],
  ['PDF, a page a plate, negative', { format: 'pdf-films', pages: 'plates', negative: true }],
  ['SVG of pure shapes', { format: 'svg', outlines: 'pure' }],
  ['SVG of dots as on film, all in one file', { format: 'svg', outlines: 'film', together: true }],
  ['PDF of dots', { format: 'pdf-vector' }],
])('%s: pieces that two threads packed come to the very file that one makes', async (_, films) => {
  const given = await atHand(withFilms(films));
  const { places, turns } = packedByTwo(given);
  for (const count of turns) expect(count).toBeGreaterThan(1);
  const isTogether = /^pdf/.test(films.format!) || films.together === true;
  const files = isTogether ? [platesOf(given.document)] : platesOf(given.document).map((id) => [id]);
  for (const plates of files)
    expect(madeOf({ ...given, packed: places }, plates)).toEqual(madeOf(given, plates));
});

/** A run of a document: asks again and again until `isOver`. */
async function runOf(document: JobDocument, isOver: (run: RunView) => boolean): Promise<RunView> {
  const { body: job } = await server.http.post('/api/jobs').send({ document }).expect(201);
  let { body: run } = (await server.http.post('/api/runs').send({ jobId: job.id }).expect(201)) as {
    body: RunView;
  };
  while (!isOver(run)) {
    await new Promise((resolve) => setTimeout(resolve, 20));
    ({ body: run } = await server.http.get(`/api/runs/${run.id}`).expect(200));
  }
  return run;
}

const packedFiles = (): string[] => readdirSync(join(server.folder, 'packed'));

/** The same with a first plate whose screen carries something on. */
function withDiffused(document: JobDocument): JobDocument {
  const [first, ...others] = document.recipe.plates;
  const plates = [{ ...first, screen: newScreen('diffused') }, ...others];
  return { ...document, recipe: { ...document.recipe, plates } };
}

it('a run’s threads pack strips, and leave none of them behind; a plate that carries something on is made beside them', async () => {
  const document = withDiffused(withFilms({ format: 'tiff-group4' }));
  const run = await runOf(document, ({ status }) => status !== 'queued' && status !== 'running');
  expect(run.status).toBe('done');
  const given = { ...(await atHand(document)), day: run.created.slice(0, 10), approval: undefined };
  for (const { plates, sha256, inked } of run.films) {
    const alone = madeOf(given, [...plates]);
    expect([sha256, inked]).toEqual([alone.sha256, alone.inked]);
  }
  expect(packedFiles()).toEqual([]);
});

it('a run that is cancelled while strips are packed leaves none of them behind', async () => {
  const document = withFilms({ format: 'tiff-deflate' });
  const { id } = await runOf(document, ({ progress }) => progress > 0.05);
  expect(packedFiles()).not.toEqual([]);
  await server.http.post(`/api/runs/${id}/cancel`).expect(({ status }) => expect(status).toBeLessThan(300));
  for (let tries = 0; packedFiles().length > 0; tries++) {
    expect(tries).toBeLessThan(500);
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
  const { body } = await server.http.get(`/api/runs/${id}`).expect(200);
  expect(body.status).toBe('cancelled');
});

it('films that are cut, packed on from strip to strip, carry something on, or are small are made in one go', () => {
  const apart = (document: JobDocument) => piecesApart(document, platesOf(document)).length;
  const tiff = withFilms({ format: 'tiff-group4' });
  expect(apart(tiff)).toBeGreaterThan(3);
  expect(apart(withFilms({ format: 'png' }))).toBe(0);
  expect(apart(withFilms({ format: 'pdf-films' }))).toBeGreaterThan(3);
  expect(apart(withFilms({ format: 'pdf-films', panels: PANELS }))).toBe(0);
  expect(apart(withDiffused(tiff))).toBe(0);
  const small = { ...tiff.recipe, sheet: { ...tiff.recipe.sheet, width: 20, height: 20 } };
  expect(apart({ ...tiff, recipe: small })).toBe(0);
});
