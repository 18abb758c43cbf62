import { cache } from '../base/cache.ts';
import type { LineBits } from '../drawing/paint-drawing.ts';
import { wholeDotsAt } from '../original/mask/whole-dots.ts';
import { bitAt, clearBit, createBits, placeBits, setBit, type Bits } from '../raster/bits.ts';
import type { Frame } from '../raster/frame.ts';
import { createPlane, HALF, SOLID, type Plane } from '../raster/plane.ts';
import { bands, type Region } from '../raster/region.ts';
import { frameOf } from '../recipe/frame.ts';
import type { PlateMask } from '../recipe/plate-mask.ts';
import type { PlateRecipe, Shift } from '../recipe/recipe.ts';
import type { Scene } from '../recipe/scene.ts';
import { materialsKey } from '../recipe/materials-key.ts';
import { latticeOf } from '../screen/screen.ts';
import { sharesOf } from './mask-shares.ts';
/** Takes away of a plate's art what its mask does not keep. */
export function keepMask(
  art: { readonly tone: Plane; readonly line?: LineBits },
  scene: Scene,
  plate: PlateRecipe,
  frame: Frame,
  region: Region,
): void {
  const { mask } = plate;
  if (!mask || mask.parts.length === 0) return;
  const kept = mask.wholeDots
    ? wholeKept(scene, plate, mask, frame, region)
    : keptOf(scene, plate.shift, mask, frame, region);
  const { data } = art.tone;
  for (let i = 0; i < data.length; i++) {
    const share = kept.data[i];
    if (share !== SOLID) data[i] = Math.round((data[i] * share) / SOLID);
  }
  if (!art.line) return;
  for (let y = 0, i = 0; y < region.height; y++) {
    for (let x = 0; x < region.width; x++, i++) if (kept.data[i] < HALF) clearBit(art.line.ink, x, y);
  }
}

/** Pixels along a cell of the grid on which it is told which dots are kept. */
const PER_CELL = 8;

const recentKept = cache<Bits>('kept dots', ({ data }) => data.byteLength);

/** What is kept, by whole dots where the plate's screen has any. */
function wholeKept(
  scene: Scene,
  { screen, shift }: PlateRecipe,
  mask: PlateMask,
  frame: Frame,
  region: Region,
): Plane {
  const lattice = latticeOf(screen);
  const cell = lattice?.mark === 'dot' ? lattice.supercell?.(frame.resolution, frame.draft) : undefined;
  if (!cell || !lattice) return keptOf(scene, shift, mask, frame, region);
  // Dots' middles need no film pixels: all of the sheet is looked at once, coarsely.
  const resolution = Math.min(frame.resolution, Math.ceil(PER_CELL * lattice.ruling));
  const coarse = { ...frameOf(scene.recipe.sheet, resolution), ...(frame.draft ? { draft: true } : {}) };
  const { originals, sheet } = scene.recipe;
  const key = JSON.stringify([mask, shift, originals, sheet, coarse, materialsKey(scene)]);
  const kept = recentKept(key, () => {
    const { width, height } = coarse;
    const bits = createBits(width, height);
    for (const part of bands({ x: 0, y: 0, width, height }, AT_ONCE))
      placeBits(moreThanHalf(keptOf(scene, shift, mask, coarse, part)), bits, 0, part.y);
    return bits;
  });
  const scale = coarse.width / frame.width;
  const bits = wholeDotsAt(
    cell,
    (x, y) => bitAt(kept, Math.floor((x + 0.5) * scale), Math.floor((y + 0.5) * scale)) === 1,
    region,
  );
  const out = createPlane(region.width, region.height);
  for (let y = 0, i = 0; y < region.height; y++)
    for (let x = 0; x < region.width; x++, i++) if (bitAt(bits, x, y)) out.data[i] = SOLID;
  return out;
}

/** Pixels looked at at once. */
const AT_ONCE = 1 << 20;

function moreThanHalf({ width, height, data }: Plane): Bits {
  const out = createBits(width, height);
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++) if (data[i] >= HALF) setBit(out, x, y);
  return out;
}

/** How far a plate is kept by a mask: 65535 wholly, 0 not at all. */
function keptOf(
  scene: Scene,
  shift: Shift,
  { parts, inverted }: PlateMask,
  frame: Frame,
  region: Region,
): Plane {
  const out = sharesOf(parts, scene, shift, frame, region);
  const { data } = out;
  if (inverted) for (let i = 0; i < data.length; i++) data[i] = SOLID - data[i];
  return out;
}
