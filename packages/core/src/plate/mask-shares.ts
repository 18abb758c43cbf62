import { quickLab } from '../colour/lab.ts';
import { hexToLinear } from '../colour/srgb.ts';
import { placeOriginal } from '../original/place-original.ts';
import { softShape } from '../original/mask/soft-shape.ts';
import { shifted } from '../original/shifted.ts';
import { fillPolygons } from '../path/fill.ts';
import { bitAt, createBits, type Bits } from '../raster/bits.ts';
import { mmToPixels, type Frame } from '../raster/frame.ts';
import { createPlane, HALF, percentToCoverage, SOLID, type Plane } from '../raster/plane.ts';
import { readInto } from '../raster/read-rows.ts';
import { intersect, isEmpty, type Region } from '../raster/region.ts';
import type { Rows } from '../raster/rows.ts';
import type { MaskArea, MaskColour, MaskPart, MaskTone } from '../recipe/plate-mask.ts';
import type { Shift } from '../recipe/recipe.ts';
import type { Scene } from '../recipe/scene.ts';
import { colourRows } from '../separation/colour-rows.ts';
import { mappedRows } from '../separation/mapped-rows.ts';
import { toTones, type ToneSource } from '../tone/tone-rows.ts';
import { NO_TONE } from '../tone/tone.ts';

/** What parts come to, one after another: 65535 wholly, 0 not at all. */
export function sharesOf(
  parts: readonly MaskPart[],
  scene: Scene,
  shift: Shift,
  frame: Frame,
  region: Region,
): Plane {
  const out = createPlane(region.width, region.height, parts[0]?.mode === 'subtract' ? SOLID : 0);
  const { data } = out;
  for (const part of parts) {
    const share = shareOf(part, scene, shift, frame, region).data;
    if (part.mode === 'add') for (let i = 0; i < data.length; i++) data[i] = Math.max(data[i], share[i]);
    else for (let i = 0; i < data.length; i++) data[i] = Math.min(data[i], SOLID - share[i]);
  }
  return out;
}

function shareOf(part: MaskPart, scene: Scene, shift: Shift, frame: Frame, region: Region): Plane {
  if (part.by === 'area') return areaShare(part, shift, frame, region);
  return sourceShare(part, scene, shift, frame, region);
}

function areaShare({ outline, feather }: MaskArea, shift: Shift, frame: Frame, region: Region): Plane {
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
  shift: Shift,
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
  return mappedRows(source, NO_TONE, `from ${from} to ${to}, ${softness}`, table);
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
