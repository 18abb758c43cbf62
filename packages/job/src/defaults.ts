import { cutText } from './text-schema.ts';
import {
  latticeOf,
  MOTIFS,
  newScreen,
  type ColourDots,
  NO_TONE,
  outlineLettering,
  plainPlate,
  WHITE_STOCK,
  type Container,
  type CutOut,
  type Fade,
  type Gradient,
  type Lettering,
  type Marks,
  type Mix,
  type InkRoute,
  type OriginalRecipe,
  type Screen,
  type Typeface,
} from '@brachytone/core';
import { VERSION, type JobDocument } from './document.ts';
import { LABEL_TYPEFACE } from './typefaces.ts';
import { cropToSheet, placeOnSheet, printedArea, sheetFor, WHOLE_CROP, type Page } from './placing.ts';

/** Colour dots as an original first gets them. */
export const NEW_COLOUR_DOTS: ColourDots = {
  spot: 'round',
  motif: MOTIFS[0].path,
  aspect: 0.72,
  ruling: 12,
  angle: 0,
  size: 70,
  by: 'even',
  coarse: 1,
};

/** Films that are the plate and nothing else. */
export const NO_MARKS: Marks = { font: LABEL_TYPEFACE, uses: [] };

/** A file a job can start from. */
export interface PictureFacts {
  readonly sha256: string;
  readonly name: string;
  readonly width: number;
  readonly height: number;
}

/** A bold poster dot that shows on any screen and holds on most presses (common practice, no source). */
export const DEFAULT_SCREEN: Screen = newScreen(
  'dots',
  { spot: 'round', ruling: 30, angle: 45 },
  { smallest: 3, largest: 97 },
);

export const inkRoute = (ink: string): InkRoute => ({ kind: 'ink', ink });

/** A file's name without its ending, as a name for a job. */
const jobName = (file: string): string => cutText(file.replace(/\.[a-z0-9]{2,5}$/i, ''), 120) || 'Untitled';

/** What every original begins with. */
const PLAIN = {
  shown: true,
  locked: false,
  tone: NO_TONE,
  container: null,
  fade: null,
  mix: null,
  colourDots: null,
  overprint: false,
} as const;

/** A picture that fills the sheet. */
export function newOriginal(id: string, ink: string, sheet: Page, picture: PictureFacts): OriginalRecipe {
  const crop = cropToSheet(sheet, picture);
  return {
    id,
    name: picture.name,
    content: { kind: 'picture', picture: picture.sha256, crop, line: null, cut: null },
    placement: placeOnSheet(sheet, picture, crop),
    ...PLAIN,
    route: inkRoute(ink),
  };
}

/** A whole picture laid in the middle of the sheet, two thirds of its size. */
export function addedOriginal(id: string, ink: string, sheet: Page, picture: PictureFacts): OriginalRecipe {
  const crop = WHOLE_CROP;
  const { width, height } = { width: (sheet.width * 2) / 3, height: (sheet.height * 2) / 3 };
  const placed = placeOnSheet({ width, height }, picture, crop);
  return {
    ...newOriginal(id, ink, sheet, picture),
    content: { kind: 'picture', picture: picture.sha256, crop, line: null, cut: null },
    placement: { ...placed, x: placed.x + sheet.width / 6, y: placed.y + sheet.height / 6 },
  };
}

/** Line art laid in the middle of the sheet, two thirds of its size. */
export function newDrawing(id: string, ink: string, sheet: Page, drawing: PictureFacts): OriginalRecipe {
  const added = addedOriginal(id, ink, sheet, drawing);
  const content = {
    kind: 'drawing',
    drawing: drawing.sha256,
    ratio: drawing.height / drawing.width,
  } as const;
  return { ...added, content, overprint: true };
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
  limit: 100,
};

/** A gradient that fills the sheet, solid at its top and bare at its foot. */
export function newGradient(id: string, ink: string, sheet: Page): OriginalRecipe {
  const { x, y, width, height } = printedArea(sheet);
  return {
    id,
    name: 'Gradient',
    content: { ...GRADIENT, ratio: height / width },
    placement: { x, y, width, turn: 0, mirrored: false },
    ...PLAIN,
    route: inkRoute(ink),
    overprint: true,
  };
}

/** A tint that fills the sheet, solid; over a photograph it hides nothing of it. */
export const newTint = (id: string, ink: string, sheet: Page): OriginalRecipe => {
  const { x, y, width, height } = printedArea(sheet);
  return {
    id,
    name: 'Flat tint',
    content: { kind: 'tint', tone: 100, ratio: height / width },
    placement: { x, y, width, turn: 0, mirrored: false },
    ...PLAIN,
    route: inkRoute(ink),
    overprint: true,
  };
};

/** Solid lettering in the middle of the sheet, two thirds as wide. */
export function newLettering(
  id: string,
  ink: string,
  sheet: Page,
  font: string,
  face: Typeface,
): OriginalRecipe {
  const layout = { text: 'Lettering', align: 'centre', tracking: 0, leading: 100 } as const;
  const outline = outlineLettering(layout, face);
  const ratio = outline.height / outline.width;
  const width = (sheet.width * 2) / 3;
  const content: Lettering = {
    kind: 'lettering',
    ...layout,
    font,
    ratio,
    fill: 'solid',
    gradient: { ...GRADIENT, ratio },
    outline: { width: 0, paint: 'bare' },
    inner: { width: 0, paint: 'solid' },
    glow: { reach: 6, strength: 0, paint: 'solid' },
  };
  const x = (sheet.width - width) / 2;
  const y = (sheet.height - width * ratio) / 2;
  const placement = { x, y, width, turn: 0, mirrored: false };
  return { id, name: 'Lettering', content, placement, ...PLAIN, route: inkRoute(ink), overprint: true };
}

/** A container that changes nothing yet but the shape. */
export const newContainer = (shape: Container['shape'], path: string | null = null): Container => ({
  shape,
  path,
  margin: 0,
  edge: 'cut',
  feather: 0,
});

/** A cut-out from the edges inward, hard. */
export const NEW_CUT: CutOut = {
  by: 'edges',
  colour: '#ffffff',
  place: { x: 0, y: 0 },
  tolerance: 12,
  connected: true,
  from: 90,
  to: 100,
  specks: 60,
  choke: 0,
  softness: 0,
  strokes: [],
};

/** A fade from whole at the top to nothing at the foot, in bold dots. */
export const NEW_FADE: Fade = {
  by: 'gradient',
  gradient: { ...GRADIENT, ratio: 1 },
  screen: newScreen('dots', { ruling: 12 }),
  strokes: [],
};

/** Dots laid over the smooth tones at half strength. */
export const NEW_MIX: Mix = {
  screen: newScreen('dots', { ruling: 15 }),
  blend: 'soft-light',
  strength: 50,
};

/** A job with nothing on its sheet: black on white. */
export const emptyJob = (name: string, sheet: Page): JobDocument => ({
  version: VERSION,
  name,
  recipe: {
    sheet: { width: sheet.width, height: sheet.height, bleed: 0, resolution: 1200 },
    stock: WHITE_STOCK,
    originals: [],
    inks: [{ id: 'ink-1', name: 'Black', lab: [9.5, 0.4, 0.6], opacity: 0, fountain: null }],
    overprints: [],
    plates: [plainPlate('plate-1', 'ink-1', DEFAULT_SCREEN)],
    press: null,
    marks: NO_MARKS,
  },
  films: {
    format: 'tiff-group4',
    together: false,
    mirrored: false,
    negative: false,
    smooth: 0,
    outlines: 'pure',
    pages: 'composite',
    panels: null,
    ppi: 300,
    depth: 8,
  },
  notices: [],
});

/** A job in black on white: a picture whole, on a sheet of its shape; or line art in the middle of an A4 sheet turned its way. */
export function newJob(picture: PictureFacts, kind: 'picture' | 'drawing' = 'picture'): JobDocument {
  const wide = picture.width > picture.height;
  const a4 = { width: wide ? 297 : 210, height: wide ? 210 : 297 };
  const ruling = latticeOf(DEFAULT_SCREEN)?.ruling ?? 0;
  const sheet = kind === 'drawing' ? a4 : sheetFor(picture, ruling);
  const original = (kind === 'drawing' ? newDrawing : newOriginal)('original-1', 'ink-1', sheet, picture);
  const job = emptyJob(jobName(picture.name), sheet);
  return { ...job, recipe: { ...job.recipe, originals: [original] } };
}
