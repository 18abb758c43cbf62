import { cache } from '../base/cache.ts';
import { bitAt, createBits, isBlank, placeBits, type Bits } from '../raster/bits.ts';
import { MM_PER_INCH, type Frame } from '../raster/frame.ts';
import { bands } from '../raster/region.ts';
import { withWorkPlane } from '../raster/work-memory.ts';
import { materialsKey } from '../recipe/materials-key.ts';
import { artKey, plateArt } from '../plate/plate-art.ts';
import { frameOf } from '../recipe/frame.ts';
import type { Scene } from '../recipe/scene.ts';

/** Pixels per inch that plates are looked at with, and pixels at most. */
const FINEST = 150;
const MOST_PIXELS = 4e6;
/** Pixels that are had at once. */
const BAND = 1 << 20;

/** What is asked of a plate, pixel by pixel of the evidence's grid. */
export interface PlateEvidence {
  /** Tones that are screened, 0–255 for bare to solid, row after row. */
  readonly tones: Uint8Array;
  /** Line work that is inked; undefined where there is none. */
  readonly line: Bits | undefined;
  /** Pixels of each tone. */
  readonly counts: Float64Array;
}

/** What is known of all plates, gathered once for all checks. */
export interface Evidence {
  readonly grid: Frame;
  /** A pixel's area, mm². */
  readonly pixel: number;
  readonly plates: readonly PlateEvidence[];
}

const recentPlates = cache<PlateEvidence>(
  'plate evidence',
  ({ tones, line }) => tones.length + (line?.data.length ?? 0),
);

/** Gathers evidence of a job's plates, plate by plate; of those whose art has not changed it is what was gathered before. */
export function* gatherEvidence(scene: Scene): Generator<undefined, Evidence> {
  const { recipe } = scene;
  const { width, height, bleed } = recipe.sheet;
  const inches = ((width + 2 * bleed) / MM_PER_INCH) * ((height + 2 * bleed) / MM_PER_INCH);
  const resolution = Math.min(FINEST, recipe.sheet.resolution, Math.floor(Math.sqrt(MOST_PIXELS / inches)));
  const grid = frameOf(recipe.sheet, Math.max(10, resolution));
  const materials = materialsKey(scene);
  const plates: PlateEvidence[] = [];
  for (const plate of recipe.plates.keys()) {
    const key = JSON.stringify([artKey(recipe, plate), grid, materials]);
    plates.push(recentPlates(key, () => gather(scene, plate, grid)));
    yield;
  }
  return { grid, pixel: (MM_PER_INCH / grid.resolution) ** 2, plates };
}

function gather(scene: Scene, plate: number, grid: Frame): PlateEvidence {
  const { width, height } = grid;
  const tones = new Uint8Array(width * height);
  const line = createBits(width, height);
  const counts = new Float64Array(256);
  for (const band of bands({ x: 0, y: 0, width, height }, BAND, 8)) {
    withWorkPlane(band.width, band.height, (work) => {
      const art = plateArt(scene, plate, grid, band, work);
      const { data } = art.tone;
      const base = band.y * width;
      for (let y = 0, i = 0; y < band.height; y++) {
        for (let x = 0; x < width; x++, i++) {
          const isLine = art.line && (bitAt(art.line.ink, x, y) || bitAt(art.line.bare, x, y));
          const tone = isLine ? 0 : (data[i] * 255 + 32768) >> 16;
          tones[base + i] = tone;
          counts[tone]++;
        }
      }
      if (art.line) placeBits(art.line.ink, line, 0, band.y);
    });
  }
  return { tones, line: isBlank(line) ? undefined : line, counts };
}
