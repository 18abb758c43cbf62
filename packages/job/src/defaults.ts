import { NO_TONE, type Gradient, type OriginalRecipe, type Screen } from '@brachytone/core';
import { VERSION, type JobDocument } from './document.ts';
import { cropToSheet, placeOnSheet } from './placing.ts';

/** A file a job can start from. */
export interface PictureFacts {
  readonly sha256: string;
  readonly name: string;
  readonly width: number;
  readonly height: number;
}

/** A bold poster dot that shows on any screen and holds on most presses (common practice, no source). */
export const DEFAULT_SCREEN: Screen = { spot: 'round', ruling: 30, angle: 45, smallest: 3, largest: 97 };

/** A file's name without its ending, as a name for a job. */
const jobName = (file: string): string => file.replace(/\.[a-z0-9]{2,5}$/i, '').slice(0, 120) || 'Untitled';

/** A picture that fills the sheet. */
export function newOriginal(
  id: string,
  ink: string,
  sheet: { width: number; height: number },
  picture: PictureFacts,
): OriginalRecipe {
  const crop = cropToSheet(sheet, picture);
  return {
    id,
    name: picture.name,
    content: { kind: 'picture', picture: picture.sha256, crop, line: null },
    placement: placeOnSheet(sheet, picture, crop),
    shown: true,
    locked: false,
    tone: NO_TONE,
    ink,
  };
}

/** A whole picture laid in the middle of the sheet, two thirds of its size. */
export function addedOriginal(
  id: string,
  ink: string,
  sheet: { width: number; height: number },
  picture: PictureFacts,
): OriginalRecipe {
  const crop = { x: 0, y: 0, width: 1, height: 1, turn: 0 };
  const { width, height } = { width: (sheet.width * 2) / 3, height: (sheet.height * 2) / 3 };
  const placed = placeOnSheet({ width, height }, picture, crop);
  return {
    ...newOriginal(id, ink, sheet, picture),
    content: { kind: 'picture', picture: picture.sha256, crop, line: null },
    placement: { ...placed, x: placed.x + sheet.width / 6, y: placed.y + sheet.height / 6 },
  };
}

/** Line art laid in the middle of the sheet, two thirds of its size. */
export function newDrawing(
  id: string,
  ink: string,
  sheet: { width: number; height: number },
  drawing: PictureFacts,
): OriginalRecipe {
  const added = addedOriginal(id, ink, sheet, drawing);
  const content = {
    kind: 'drawing',
    drawing: drawing.sha256,
    ratio: drawing.height / drawing.width,
  } as const;
  return { ...added, content };
}

const GRADIENT: Omit<Gradient, 'ratio'> = {
  kind: 'gradient',
  shape: 'linear',
  from: { x: 0.5, y: 0.05 },
  to: { x: 0.5, y: 0.95 },
  width: 0.6,
  stops: [
    { at: 0, tone: 100, middle: 0.5 },
    { at: 1, tone: 0, middle: 0.5 },
  ],
  points: [
    { x: 0.2, y: 0.2, tone: 90 },
    { x: 0.8, y: 0.35, tone: 10 },
    { x: 0.4, y: 0.8, tone: 45 },
  ],
  limit: 85,
};

/** A gradient that fills the sheet, solid at its top and bare at its foot; 85 % keeps the dots apart. */
export const newGradient = (
  id: string,
  ink: string,
  sheet: { width: number; height: number },
): OriginalRecipe => ({
  id,
  name: 'Gradient',
  content: { ...GRADIENT, ratio: sheet.height / sheet.width },
  placement: { x: 0, y: 0, width: sheet.width, turn: 0, mirrored: false },
  shown: true,
  locked: false,
  tone: NO_TONE,
  ink,
});

/** A job on an A4 sheet turned the file's way, in black on white: filled by a picture, or with line art in its middle. */
export function newJob(picture: PictureFacts, kind: 'picture' | 'drawing' = 'picture'): JobDocument {
  const wide = picture.width > picture.height;
  const sheet = { width: wide ? 297 : 210, height: wide ? 210 : 297, resolution: 1200 };
  return {
    version: VERSION,
    name: jobName(picture.name),
    recipe: {
      sheet,
      stock: { name: 'White', colour: '#ffffff' },
      originals: [(kind === 'drawing' ? newDrawing : newOriginal)('original-1', 'ink-1', sheet, picture)],
      inks: [{ id: 'ink-1', name: 'Black', colour: '#1b1a19', opacity: 0 }],
      plates: [{ id: 'plate-1', ink: 'ink-1', screen: DEFAULT_SCREEN }],
    },
    films: { format: 'tiff-group4', mirrored: false, negative: false },
  };
}
