import {
  newScreen,
  NO_TONE,
  plainPlate,
  present,
  startOf,
  stepKind,
  WHITE_STOCK,
  type CurvePoint,
  type Ink,
  type OriginalRecipe,
  type PlateRecipe,
  type Recipe,
  type Screen,
  type Stock,
  type ToneStep,
} from '@brachytone/core';
import { emptyJob, newOriginal, newTint } from '../../defaults.ts';
import { SHIPPED_INKS, SHIPPED_STOCKS } from '../../shipped-inks.ts';
import type { PictureKind } from '../suits.ts';
import { standIn, TREATMENT_VERSION, type ShelfTreatment, type Treatment } from '../treatment.ts';

/** The sheet that treatments which ship are written for, mm, and the picture on it, pixels. */
const SHEET = { width: 210, height: 297 };
const PER_MM = 10;
const PICTURE = {
  sha256: standIn(0),
  name: 'Picture',
  width: SHEET.width * PER_MM,
  height: SHEET.height * PER_MM,
};

/** A treatment that ships, and which pictures it suits. */
export interface ShippedTreatment extends ShelfTreatment {
  readonly suits: readonly PictureKind[];
}

/** Settings of a tone step, the others as they start. */
export const step = (kind: string, settings: ToneStep['settings'] = {}): ToneStep => ({
  id: kind,
  kind,
  on: true,
  settings: { ...startOf(stepKind(kind)), ...settings },
});

export const points = (...pairs: readonly (readonly [number, number])[]): CurvePoint[] =>
  pairs.map(([tone, out]) => ({ in: tone, out }));

export const curve = (...pairs: readonly (readonly [number, number])[]): ToneStep =>
  step('curve', { points: points(...pairs) });

/** An ink of the shelf under the id `ink-1`, `ink-2`… */
export function ink(number: number, name: string): Ink {
  const found = present(
    SHIPPED_INKS.find((one) => one.name === name),
    `ink “${name}”`,
  );
  return { id: `ink-${number}`, ...found };
}

export const stock = (name: string): Stock =>
  present(
    SHIPPED_STOCKS.find((one) => one.name === name),
    `stock “${name}”`,
  );

export const dots = (settings: Screen['settings'], rest: Partial<Screen> = {}): Screen =>
  newScreen('dots', settings, { smallest: 3, largest: 97, ...rest });

/** Plates for inks, in the order they are printed, a screen each. */
export const plates = (
  ...list: readonly (readonly [ink: string, screen: Screen, rest?: Partial<PlateRecipe>])[]
): PlateRecipe[] =>
  list.map(([id, screen, rest], i) => ({ ...plainPlate(`plate-${i + 1}`, id, screen), ...rest }));

/** The picture of a treatment, in one ink where nothing else is said. */
export const picture = (rest: Partial<OriginalRecipe> & { steps?: readonly ToneStep[] }): OriginalRecipe => {
  const { steps = [], ...own } = rest;
  return {
    ...newOriginal('original-1', 'ink-1', SHEET, PICTURE),
    tone: { ...NO_TONE, steps },
    ...own,
  };
};

/** A flat tint over all of the sheet. */
export const tint = (id: string, inkId: string, rest: Partial<OriginalRecipe> = {}): OriginalRecipe => ({
  ...newTint(id, inkId, SHEET),
  ...rest,
});

interface Wanted extends Pick<Treatment, 'name' | 'says'> {
  readonly id: string;
  /** Missing where rulings stay as they are. */
  readonly sizes?: Treatment['sizes'];
  /** Missing where levels are set by each picture's own tones. */
  readonly levels?: Treatment['levels'];
  readonly suits: readonly PictureKind[];
  readonly stock?: Stock;
  readonly inks: readonly Ink[];
  readonly overprints?: Recipe['overprints'];
  readonly plates: readonly PlateRecipe[];
  readonly originals: readonly OriginalRecipe[];
  /** Film resolution, dots per inch. */
  readonly resolution?: number;
}

export function shipped({ id, name, says, suits, ...wanted }: Wanted): ShippedTreatment {
  const job = emptyJob(name, SHEET);
  return {
    treatment: TREATMENT_VERSION,
    id,
    name,
    says,
    suits,
    sizes: wanted.sizes ?? 'kept',
    levels: wanted.levels ?? 'picture',
    perMm: PER_MM,
    job: {
      ...job,
      recipe: {
        ...job.recipe,
        sheet: { ...job.recipe.sheet, resolution: wanted.resolution ?? job.recipe.sheet.resolution },
        stock: wanted.stock ?? WHITE_STOCK,
        inks: wanted.inks,
        overprints: wanted.overprints ?? [],
        plates: wanted.plates,
        originals: wanted.originals,
      },
    },
  };
}
