export { demoJobs } from './jobs.ts';
export { toteCalibration, totePress, type ToteReadings } from './tote-calibration.ts';

/** The demo originals, made by `npm run demo` and kept beside it; file names within demo/originals. */
export const DEMO_FILES = {
  moon: 'moon-over-reeds.jpg',
  marsh: 'marsh-at-dusk.jpg',
  heron: 'heron.svg',
  shadow: 'heron-shadow.png',
  target: 'tote-target.jpg',
  readings: 'tote-readings.json',
} as const;
