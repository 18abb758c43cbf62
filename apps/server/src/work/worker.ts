import {
  buildPyramid,
  colourDotsSvg,
  filmFrame,
  inkSetOf,
  labToHex,
  memorySink,
  modelTables,
  originalView,
  PLAIN_LOOK,
  pressProof,
  setCacheShare,
  simulatedJobPrint,
  simulatedPressFor,
  simulatedReadings as readingsOfSimulation,
  slowBecause,
  writeOriginal,
  present,
  type SeparationTable,
} from '@brachytone/core';
import { panelPicture as pdfOfPanels, ticketPdf } from '@brachytone/pdf';
import sharp from 'sharp';
import {
  lightPng,
  readingOf,
  scanOfSimulation,
  straightenedTarget,
} from '../calibrations/target-pictures.ts';
import { targetPdf, targetTiff } from '../calibrations/target-files.ts';
import { collectGarbage } from '../collect-garbage.ts';
import { orRefusal, unpackPicture } from '@brachytone/files/read';
import { labelFont } from './label-font.ts';
import { proofPng, sceneOf, ticketOf, wholeFile, writePicture } from '@brachytone/files/write';
import type { Tasks } from './tasks.ts';

export { films, filmPieces, gangFilms } from './make-films.ts';

// Every picture is read once: keeping decoded ones, and many rows of them at a time, only costs memory.
sharp.cache(false);
sharp.concurrency(1);

// Films are made from top to bottom, and little of a picture is come back to.
setCacheShare(0.12);

if (slowBecause !== undefined)
  console.warn(`The quick kernels do not run here, films take several times as long. ${slowBecause}`);

/** Pixels of the longer side of a simulated print, about. */
const PRINT_PIXELS = 2000;

const shared = (bytes: number): SharedArrayBuffer => new SharedArrayBuffer(bytes);

/** See `Tasks`. */
export const ready = (): null => null;

/** See `Tasks`. */
export async function pyramid({
  png,
  deep,
  channels,
}: Tasks['pyramid']['given']): Promise<Tasks['pyramid']['made']> {
  const picture = await unpackPicture(png, deep, channels);
  const data = deep
    ? new Uint16Array(shared(picture.data.byteLength))
    : new Uint8Array(shared(picture.data.byteLength));
  data.set(picture.data);
  setImmediate(collectGarbage);
  return buildPyramid({ ...picture, data }, shared);
}

/** See `Tasks`. */
export function modelTable({ recipe, name }: Tasks['modelTable']['given']): SeparationTable {
  const routes = recipe.originals.map(({ route }) => route);
  const table = modelTables(routes, inkSetOf(recipe)).find((one) => one.name === name);
  return present(table, 'table of this name').make();
}

/** What work with a picture from outside gives, or why it was refused; its samples would stay until the next one comes. */
const ofPicture = <Made>(work: () => Made | Promise<Made>) =>
  orRefusal(work).finally(() => setImmediate(collectGarbage));

/** See `Tasks`. */
export const proof = ({ recipe, materials, longer }: Tasks['proof']['given']): Promise<Uint8Array> =>
  proofPng(sceneOf(recipe, materials), longer);

/** See `Tasks`. */
export async function proofPart({
  recipe,
  materials,
  part: { scale, look, ...place },
}: Tasks['proofPart']['given']): Promise<Uint8Array> {
  const columns = Math.max(1, Math.round(place.width * scale));
  const rows = Math.max(1, Math.round(place.height * scale));
  const view = { ...place, columns, rows };
  const frame = filmFrame(recipe);
  const scene = sceneOf(recipe, materials);
  const all = { first: 0, count: rows };
  const plates = recipe.plates.flatMap(({ printed }, i) => (printed ? [i] : []));
  const rgba =
    look === 'before'
      ? originalView({ scene, frame, view, rows: all })
      : pressProof({ scene, frame, view, rows: all, plates }, PLAIN_LOOK).rgba;
  return sharp(rgba, { raw: { width: columns, height: rows, channels: 4 } })
    .flatten({ background: labToHex(recipe.stock.lab) })
    .png()
    .toBuffer();
}

/** Pixels of the longer side of a ticket's picture. */
const TICKET_PIXELS = 1000;

/** See `Tasks`. */
export async function ticket({
  document,
  materials,
  day,
  approval,
  films,
}: Tasks['ticket']['given']): Promise<Tasks['ticket']['made']> {
  const { recipe } = document;
  const made = {
    ...ticketOf(document, sceneOf(recipe, materials), day, films),
    approval: approval ?? null,
  };
  const png = await proof({ recipe, materials, longer: TICKET_PIXELS });
  return { pdf: ticketPdf(made, png, labelFont()), ticket: made, picture: png };
}

/** See `Tasks`. */
export async function picture({
  recipe,
  materials,
  picture: wish,
  title,
  path,
}: Tasks['picture']['given']): Promise<null> {
  await writePicture(sceneOf(recipe, materials), wish, title, path);
  return null;
}

/** See `Tasks`. */
export function panelPicture({ document, materials, ppi, day, path }: Tasks['panelPicture']['given']): null {
  const { recipe, films, name } = document;
  const scene = sceneOf(recipe, materials);
  const plates = recipe.plates.flatMap(({ printed }, i) => (printed ? [i] : []));
  const panels = present(films.panels, 'panels of the job');
  const making = wholeFile(path, (sink) =>
    pdfOfPanels({ scene, plates, panels, ppi, name, day, labelFont: labelFont(), sink }),
  );
  while (!making.next().done);
  return null;
}

/** See `Tasks`. */
export function cutOut({
  recipe,
  original,
  materials,
  resolution,
}: Tasks['cutOut']['given']): Tasks['cutOut']['made'] {
  const scene = sceneOf(recipe, materials);
  const found = present(
    recipe.originals.find(({ id }) => id === original),
    'original',
  );
  const sink = memorySink();
  writeOriginal(found, scene, resolution, sink);
  return sink.bytes();
}

/** See `Tasks`. */
export function colourDots({
  recipe,
  original,
  materials,
}: Tasks['colourDots']['given']): Tasks['colourDots']['made'] {
  const found = present(
    recipe.originals.find(({ id }) => id === original),
    'original',
  );
  return colourDotsSvg(found, present(found.colourDots, 'dots of colour'), sceneOf(recipe, materials));
}

/** See `Tasks`. */
export function target({ calibration, title, ink }: Tasks['target']['given']): Uint8Array {
  return ink === undefined ? targetPdf(calibration, title) : targetTiff(calibration, title, ink);
}

/** See `Tasks`. */
export const readTarget = ({
  calibration,
  picture,
}: Tasks['readTarget']['given']): Promise<Tasks['readTarget']['made']> =>
  ofPicture(() => readingOf(calibration, picture));

/** See `Tasks`. */
export const straightTarget = ({
  calibration,
  picture,
}: Tasks['straightTarget']['given']): Promise<Tasks['straightTarget']['made']> =>
  ofPicture(() => straightenedTarget(calibration, picture));

/** See `Tasks`. */
export const simulatedReadings = ({
  calibration,
  on: { gain, mesh },
}: Tasks['simulatedReadings']['given']): Tasks['simulatedReadings']['made'] =>
  readingsOfSimulation(calibration, simulatedPressFor(calibration, gain, mesh));

/** See `Tasks`. */
export const simulatedScan = ({ calibration, on }: Tasks['simulatedScan']['given']): Promise<Uint8Array> =>
  scanOfSimulation(calibration, on);

/** See `Tasks`. */
export async function simulatedPrint({
  recipe,
  materials,
  calibration,
  on: { gain, mesh },
}: Tasks['simulatedPrint']['given']): Promise<Tasks['simulatedPrint']['made']> {
  const plates = recipe.plates.flatMap(({ printed }, i) => (printed ? [i] : []));
  const press = simulatedPressFor(calibration, gain, mesh);
  const { picture, shares } = simulatedJobPrint(sceneOf(recipe, materials), plates, press, PRINT_PIXELS);
  return { png: await lightPng(picture), shares };
}
