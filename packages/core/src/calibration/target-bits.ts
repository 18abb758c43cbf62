import { percentToCoverage } from '../raster/plane.ts';
import { createBits, cropBits, placeBits, setBit, setBits, type Bits } from '../raster/bits.ts';
import { MM_PER_INCH, type Frame } from '../raster/frame.ts';
import { intersect, isEmpty, type Region } from '../raster/region.ts';
import { frameOf } from '../recipe/frame.ts';
import type { Screen } from '../screen/screen.ts';
import { flatPatch } from '../screen/flat-patch.ts';
import { MARK, PATCH, type Point, type TargetLayout } from './target-layout.ts';

/** The grid of a target's films. */
export const targetFrame = ({ width, height }: TargetLayout, resolution: number): Frame =>
  frameOf({ width, height, bleed: 0 }, resolution);

/** Draws squares and discs on bits of a region, by mm. */
class Drawing {
  readonly bits: Bits;
  private readonly pixels: number;

  constructor(
    private readonly region: Region,
    resolution: number,
  ) {
    this.bits = createBits(region.width, region.height);
    this.pixels = resolution / MM_PER_INCH;
  }

  /** A box, in mm; pixels whose middles lie in it. */
  box(x: number, y: number, width: number, height: number): void {
    const first = (mm: number): number => Math.ceil(mm * this.pixels - 0.5);
    const part = intersect(
      { x: first(x), y: first(y), width: first(x + width) - first(x), height: first(y + height) - first(y) },
      this.region,
    );
    if (isEmpty(part)) return;
    for (let row = part.y; row < part.y + part.height; row++)
      setBits(this.bits, row - this.region.y, part.x - this.region.x, part.x + part.width - this.region.x);
  }

  /** Whole pixels of a square about a middle, in mm. */
  square({ x, y }: Point, side: number): Region {
    const [left, top] = [x - side / 2, y - side / 2].map((mm) => Math.round(mm * this.pixels));
    const size = Math.round(side * this.pixels);
    return { x: left, y: top, width: size, height: size };
  }

  /** A disc with a hole, in mm. */
  ring({ x, y }: Point, outer: number, hole = 0): void {
    const { pixels, region } = this;
    const [cx, cy, r] = [x * pixels, y * pixels, outer * pixels];
    for (
      let row = Math.max(region.y, Math.floor(cy - r));
      row < Math.min(region.y + region.height, cy + r + 1);
      row++
    ) {
      for (
        let column = Math.max(region.x, Math.floor(cx - r));
        column < Math.min(region.x + region.width, cx + r + 1);
        column++
      ) {
        const far = Math.hypot(column + 0.5 - cx, row + 0.5 - cy);
        if (far <= r && far >= hole * pixels) setBit(this.bits, column - region.x, row - region.y);
      }
    }
  }
}

/**
 * A target's film of an ink, in a region: its tones in a screen, linear, everything else hard-edged.
 *
 * @param film tone on the film by tone of the target, both in percent; the same unless given
 */
export function targetFilm(
  layout: TargetLayout,
  ink: number,
  screen: Screen,
  resolution: number,
  region: Region,
  film: (tone: number) => number = (tone) => tone,
): Bits {
  const frame = targetFrame(layout, resolution);
  const drawing = new Drawing(region, resolution);
  if (ink === layout.marks) {
    for (const corner of layout.corners) drawing.ring(corner, MARK.outer, MARK.hole);
    drawing.ring(layout.key, MARK.key);
    const [from, to] = layout.ruler;
    for (let mm = 0; mm <= to.x - from.x; mm++) {
      const long = mm % 10 === 0 ? 4 : mm % 5 === 0 ? 2.5 : 1.5;
      drawing.box(from.x + mm - 0.1, from.y, 0.2, long);
    }
  }
  // Crosses that all plates have, to see how they miss one another.
  for (const x of [38, layout.width - 38]) {
    drawing.box(x - 3, 9.9, 6, 0.2);
    drawing.box(x - 0.1, 7, 0.2, 6);
  }
  for (const { inks, x, y } of layout.overprints)
    if (inks.includes(ink)) drawing.box(x - PATCH / 2, y - PATCH / 2, PATCH, PATCH);
  for (const { kind, size, pitch, side, x, y, ...step } of layout.ladder) {
    if (step.ink !== ink) continue;
    const count = Math.floor(side / pitch);
    const start = -((count - 1) * pitch) / 2;
    for (let i = 0; i < count; i++) {
      if (kind === 'line') drawing.box(x + start + i * pitch - size / 2, y - side / 2, size, side);
      else
        for (let j = 0; j < count; j++)
          drawing.ring({ x: x + start + i * pitch, y: y + start + j * pitch }, size / 2);
    }
  }
  for (const patch of layout.patches) {
    if (patch.ink !== ink || patch.tone === 0) continue;
    const whole = drawing.square(patch, PATCH);
    const part = intersect(whole, region);
    if (isEmpty(part)) continue;
    const coverage = percentToCoverage(film(patch.tone));
    const bits = flatPatch(screen, frame, coverage, whole);
    const inside = { ...part, x: part.x - whole.x, y: part.y - whole.y };
    placeBits(cropBits(bits, inside), drawing.bits, part.x - region.x, part.y - region.y);
  }
  return drawing.bits;
}
