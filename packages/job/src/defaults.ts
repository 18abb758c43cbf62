import { BT709, NO_LEVELS, STRAIGHT, type OriginalRecipe, type Screen, type Tone } from '@brachytone/core';
import { VERSION, type JobDocument } from './document.ts';
import { cropToSheet, placeOnSheet } from './placing.ts';

/** A picture a job can start from. */
export interface PictureFacts {
  readonly sha256: string;
  readonly name: string;
  readonly width: number;
  readonly height: number;
}

/** A tone that changes nothing. BT.709 weights, in percent. */
export const DEFAULT_TONE: Tone = {
  weights: { red: BT709.red * 100, green: BT709.green * 100, blue: BT709.blue * 100 },
  reading: 'dots',
  levels: NO_LEVELS,
  curve: STRAIGHT,
  invert: false,
};

/** A bold poster dot that shows on any screen and holds on most presses (common practice, no source). */
export const DEFAULT_SCREEN: Screen = { spot: 'round', ruling: 30, angle: 45, smallest: 3, largest: 97 };

/** A file's name without its ending, as a name for a job. */
const jobName = (file: string): string => file.replace(/\.[a-z0-9]{2,5}$/i, '').slice(0, 120) || 'Untitled';

/** An original that fills the sheet. */
export function newOriginal(
  id: string,
  ink: string,
  sheet: { width: number; height: number },
  picture: PictureFacts,
): OriginalRecipe {
  const crop = cropToSheet(sheet, picture);
  return {
    id,
    picture: picture.sha256,
    name: picture.name,
    crop,
    placement: placeOnSheet(sheet, picture, crop),
    tone: DEFAULT_TONE,
    ink,
  };
}

/** A job on an A4 sheet turned the picture's way, in black on white, filled by the picture. */
export function newJob(picture: PictureFacts): JobDocument {
  const wide = picture.width > picture.height;
  const sheet = { width: wide ? 297 : 210, height: wide ? 210 : 297, resolution: 1200 };
  return {
    version: VERSION,
    name: jobName(picture.name),
    recipe: {
      sheet,
      stock: { name: 'White', colour: '#ffffff' },
      originals: [newOriginal('original-1', 'ink-1', sheet, picture)],
      inks: [{ id: 'ink-1', name: 'Black', colour: '#1b1a19', opacity: 0 }],
      plates: [{ id: 'plate-1', ink: 'ink-1', screen: DEFAULT_SCREEN }],
    },
    films: { format: 'tiff-group4', mirrored: false, negative: false },
  };
}
