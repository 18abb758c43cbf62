import { cache } from '../base/cache.ts';
import { quickLab } from '../colour/lab.ts';
import { hexToLinear } from '../colour/srgb.ts';
import type { LineBits } from '../drawing/paint-drawing.ts';
import { placeOriginal } from '../original/place-original.ts';
import { softShape } from '../original/mask/soft-shape.ts';
import { wholeDotsAt } from '../original/mask/whole-dots.ts';
import { shifted } from '../original/shifted.ts';
import { fillPolygons } from '../path/fill.ts';
import { bitAt, clearBit, createBits, placeBits, setBit, type Bits } from '../raster/bits.ts';
import { mmToPixels, type Frame } from '../raster/frame.ts';
import { createPlane, HALF, percentToCoverage, SOLID, type Plane } from '../raster/plane.ts';
import { readInto } from '../raster/read-rows.ts';
import { bands, intersect, isEmpty, type Region } from '../raster/region.ts';
import type { Rows } from '../raster/rows.ts';
import { frameOf } from '../recipe/frame.ts';
import type { MaskArea, MaskColour, MaskPart, MaskTone } from '../recipe/plate-mask.ts';
import type { PlateRecipe } from '../recipe/recipe.ts';
import type { Scene } from '../recipe/scene.ts';
import { materialsKey } from './materials-key.ts';
import { latticeOf } from '../screen/screen.ts';
import { colourRows } from '../separation/colour-rows.ts';
import { mappedRows } from '../separation/mapped-rows.ts';
import { toneRows, toTones, type ToneSource } from '../tone/tone-rows.ts';
import { NO_TONE } from '../tone/tone.ts';

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
  const kept = mask.wholeDots ? wholeKept(scene, plate, frame, region) : keptOf(scene, plate, frame, region);
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
function wholeKept(scene: Scene, plate: PlateRecipe, frame: Frame, region: Region): Plane {
  const lattice = latticeOf(plate.screen);
  const cell = lattice?.mark === 'dot' ? lattice.supercell?.(frame.resolution, frame.draft) : undefined;
  if (!cell || !lattice) return keptOf(scene, plate, frame, region);
  // Dots' middles need no film pixels: all of the sheet is looked at once, coarsely.
  const resolution = Math.min(frame.resolution, Math.ceil(PER_CELL * lattice.ruling));
  const coarse = { ...frameOf(scene.recipe.sheet, resolution), ...(frame.draft ? { draft: true } : {}) };
  const { originals, sheet } = scene.recipe;
  const key = JSON.stringify([plate.mask, plate.shift, originals, sheet, coarse, materialsKey(scene)]);
  const kept = recentKept(key, () => {
    const { width, height } = coarse;
    const bits = createBits(width, height);
    for (const part of bands({ x: 0, y: 0, width, height }, AT_ONCE))
      placeBits(moreThanHalf(keptOf(scene, plate, coarse, part)), bits, 0, part.y);
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

/** How far a plate is kept: 65535 wholly, 0 not at all. */
function keptOf(scene: Scene, plate: PlateRecipe, frame: Frame, region: Region): Plane {
  const { parts = [], inverted = false } = plate.mask ?? {};
  const out = createPlane(region.width, region.height, parts[0]?.mode === 'subtract' ? SOLID : 0);
  const { data } = out;
  for (const part of parts) {
    const share = shareOf(part, scene, plate, frame, region).data;
    if (part.mode === 'add') for (let i = 0; i < data.length; i++) data[i] = Math.max(data[i], share[i]);
    else for (let i = 0; i < data.length; i++) data[i] = Math.min(data[i], SOLID - share[i]);
  }
  if (inverted) for (let i = 0; i < data.length; i++) data[i] = SOLID - data[i];
  return out;
}

function shareOf(part: MaskPart, scene: Scene, plate: PlateRecipe, frame: Frame, region: Region): Plane {
  if (part.by === 'area') return areaShare(part, plate, frame, region);
  return sourceShare(part, scene, plate, frame, region);
}

function areaShare(
  { outline, feather }: MaskArea,
  { shift }: PlateRecipe,
  frame: Frame,
  region: Region,
): Plane {
  const place = (n: number) => outline[n] + (n % 2 === 0 ? shift.x : shift.y);
  const corners = outline.map((_, n) => place(n));
  const paint = (on: Frame, part: Region): Bits => {
    const perMm = mmToPixels(1, on);
    const points = Float64Array.from(corners, (at) => (at + on.bleed) * perMm);
    const bits = createBits(part.width, part.height);
    fillPolygons([{ points, closed: true }], 'nonzero', part, bits);
    return bits;
  };
  if (feather === 0) {
    const bits = paint(frame, region);
    const out = createPlane(region.width, region.height);
    for (let y = 0, i = 0; y < region.height; y++)
      for (let x = 0; x < region.width; x++, i++) if (bitAt(bits, x, y)) out.data[i] = SOLID;
    return out;
  }
  const [xs, ys] = [0, 1].map((axis) => corners.filter((_, n) => n % 2 === axis));
  const [x, y] = [Math.min(...xs), Math.min(...ys)];
  const box = { x, y, width: Math.max(...xs) - x, height: Math.max(...ys) - y };
  return softShape(JSON.stringify(['mask', corners]), box, feather / 2, paint, frame, region);
}

/** Where an original has a colour or a tone. */
function sourceShare(
  part: MaskColour | MaskTone,
  scene: Scene,
  { shift }: PlateRecipe,
  frame: Frame,
  region: Region,
): Plane {
  const out = createPlane(region.width, region.height);
  const one = scene.recipe.originals.find(({ id }) => id === part.original);
  if (!one) return out;
  const original = shifted(one, scene, scene.recipe.sheet, shift);
  const placed = placeOriginal({ original, materials: scene, frame });
  const here = intersect(placed.region, region);
  if (!placed.tones || isEmpty(here)) return out;
  const { source, toSource } = placed.tones;
  // On the source's own grid, which has far fewer pixels than the film's.
  const rows = part.by === 'tone' ? toneShares(part, source) : colourShares(part, source);
  const share = createPlane(here.width, here.height);
  readInto(rows, toTones(toSource, source, rows), here, share);
  const isHard = part.softness === 0;
  for (let y = 0, i = 0; y < here.height; y++) {
    const to = (here.y - region.y + y) * region.width + here.x - region.x;
    for (let x = 0; x < here.width; x++, i++) {
      const value = share.data[i];
      out.data[to + x] = isHard ? (value >= HALF ? SOLID : 0) : value;
    }
  }
  return out;
}

/** What counts by how far it is beyond what counts wholly. */
const fading = (beyond: number, softness: number): number =>
  beyond <= 0 ? SOLID : beyond < softness ? Math.round(SOLID * (1 - beyond / softness)) : 0;

function toneShares({ from, to, softness }: MaskTone, source: ToneSource): Rows {
  const [least, most, soft] = [from, to, softness].map(percentToCoverage);
  const table = Uint16Array.from({ length: SOLID + 1 }, (_, grey) =>
    fading(Math.max(least - grey, grey - most), soft),
  );
  return mappedRows(toneRows(source, NO_TONE), table);
}

function colourShares({ colours, tolerance, softness }: MaskColour, source: ToneSource): Rows {
  const wanted = colours.map((colour) => {
    const lab = new Float64Array(3);
    quickLab(...hexToLinear(colour), lab);
    return lab;
  });
  return colourRows(source, NO_TONE, [colours, tolerance, softness], (lab) => {
    let nearest = Infinity;
    for (const [l, a, b] of wanted)
      nearest = Math.min(nearest, (lab[0] - l) ** 2 + (lab[1] - a) ** 2 + (lab[2] - b) ** 2);
    return fading(Math.sqrt(nearest) - tolerance, softness);
  });
}
