import {
  buildPyramid,
  coverageToPercent,
  levelCount,
  limitCoverage,
  originalView,
  plateBits,
  plateCoverage,
  proof,
  readPam,
  SOLID,
  toneHistogram,
  toneView,
  type Bits,
  type Crop,
  type Frame,
  type LinearRgb,
  type Pyramid,
  type Recipe,
  type Region,
  type Tone,
  type ToneStage,
  type View,
  type ViewRows,
} from '@brachytone/core';
import { expose, transfer } from 'comlink';

/** What to draw, and how much of it. */
export interface DrawRequest {
  readonly recipe: Recipe;
  readonly frame: Frame;
  readonly view: View;
  readonly rows: ViewRows;
  readonly what:
    | { readonly kind: 'original' }
    | { readonly kind: 'plate'; readonly plate: number }
    | { readonly kind: 'bits'; readonly plates: readonly number[]; readonly colours: readonly LinearRgb[] };
}

export interface Drawn {
  readonly rgba: Uint8ClampedArray<ArrayBuffer>;
  readonly inked: readonly number[];
}

const pictures = new Map<string, Pyramid>();
const shared = (bytes: number): SharedArrayBuffer => new SharedArrayBuffer(bytes);

async function fetchLevel(sha256: string, level: number) {
  const response = await fetch(`/api/originals/${sha256}/levels/${level}`);
  if (!response.ok) throw new Error('The original could not be fetched.');
  return readPam(new Uint8Array(await response.arrayBuffer()), shared);
}

const workerApi = {
  /** Fetches one small level of a picture, to show something soon. */
  async fetchSmall(sha256: string, width: number, height: number, level: number): Promise<Pyramid> {
    const levels: Pyramid['levels'][number][] = Array.from(
      { length: levelCount(width, height) },
      () => undefined,
    );
    levels[level] = await fetchLevel(sha256, level);
    return { width, height, levels };
  },

  /** Fetches the whole picture and makes its pyramid, in memory all workers share. */
  async fetchWhole(sha256: string): Promise<Pyramid> {
    return buildPyramid(await fetchLevel(sha256, 0), shared);
  },

  keepPicture(sha256: string, pyramid: Pyramid): void {
    pictures.set(sha256, pyramid);
  },

  draw({ recipe, frame, view, rows, what }: DrawRequest): Drawn {
    const scene = { recipe, pictures };
    if (what.kind === 'bits') {
      const shown = proof(scene, frame, view, rows, what.plates, what.colours);
      return transfer(shown, [shown.rgba.buffer]);
    }
    const rgba =
      what.kind === 'original'
        ? originalView(scene, frame, view, rows)
        : toneView(scene, what.plate, frame, view, rows);
    return transfer({ rgba, inked: [] }, [rgba.buffer]);
  },

  /** The bits of a region of a plate: the film's own, on the film's grid. */
  bits(recipe: Recipe, plate: number, frame: Frame, region: Region): Bits {
    const bits = plateBits({ recipe, pictures }, plate, frame, region);
    return transfer(bits, [bits.data.buffer]);
  },

  /** Percent asked of each plate at a pixel of the frame, and percent made, its dot limits kept. */
  readTones(recipe: Recipe, frame: Frame, x: number, y: number): { asked: number; made: number }[] {
    return recipe.plates.map(({ screen }, plate) => {
      const region = { x, y, width: 1, height: 1 };
      const asked = plateCoverage({ recipe, pictures }, plate, frame, region).data[0];
      return { asked: coverageToPercent(asked), made: (limitCoverage(screen, asked) * 100) / SOLID };
    });
  },

  histogram(sha256: string, crop: Crop, tone: Tone, stage: ToneStage): number[] | undefined {
    const levels = pictures.get(sha256)?.levels ?? [];
    const level =
      levels.findLast((one) => one && one.width * one.height > 40_000) ?? levels.find((one) => one);
    return level ? toneHistogram(level, crop, tone, stage) : undefined;
  },
};

export type WorkerApi = typeof workerApi;

expose(workerApi);
