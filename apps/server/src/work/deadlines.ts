import type { Tasks } from './tasks.ts';

const MINUTE = 60_000;

/**
 * How long the thread of a task may be silent, ms, before it is ended: several times as long as the largest of its kind takes on a slow, busy machine.
 * Films tell how far they are; nothing else says anything before it is done.
 */
export const DEADLINES: { readonly [Name in keyof Tasks]: number } = {
  ready: MINUTE,
  pyramid: 2 * MINUTE,
  modelTable: 2 * MINUTE,
  proof: 2 * MINUTE,
  proofPart: 2 * MINUTE,
  ticket: 5 * MINUTE,
  picture: 20 * MINUTE,
  panelPicture: 20 * MINUTE,
  cutOut: 5 * MINUTE,
  colourDots: 5 * MINUTE,
  target: 5 * MINUTE,
  readTarget: 2 * MINUTE,
  straightTarget: 2 * MINUTE,
  simulatedReadings: 2 * MINUTE,
  simulatedScan: 5 * MINUTE,
  simulatedPrint: 5 * MINUTE,
  gangFilms: 10 * MINUTE,
  films: 10 * MINUTE,
  filmPieces: 10 * MINUTE,
};
