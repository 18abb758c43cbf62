import type { Placement } from '@brachytone/core';

interface Point {
  readonly x: number;
  readonly y: number;
}

/** A straight box on the sheet, mm. */
export interface Box extends Point {
  readonly width: number;
  readonly height: number;
}

const edgesOf = (start: number, size: number): number[] => [start, start + size / 2, start + size];

/** Places that edges and middles catch on: those of the sheet, and of the other boxes on it. */
export function catches(sheet: { width: number; height: number }, others: readonly Box[]) {
  return {
    xs: [...edgesOf(0, sheet.width), ...others.flatMap(({ x, width }) => edgesOf(x, width))],
    ys: [...edgesOf(0, sheet.height), ...others.flatMap(({ y, height }) => edgesOf(y, height))],
  };
}

/** The least way that brings one of the edges or the middle onto a catch within reach, and that catch. */
function nearest(start: number, size: number, places: readonly number[], reach: number) {
  let best: { by: number; at: number } | undefined;
  for (const edge of edgesOf(start, size)) {
    for (const at of places) {
      const by = at - edge;
      if (Math.abs(by) <= reach && (!best || Math.abs(by) < Math.abs(best.by))) best = { by, at };
    }
  }
  return best;
}

/** A moved box caught on what is near, and the lines it caught on (mm). */
export function snap(
  box: Box,
  { xs, ys }: { xs: readonly number[]; ys: readonly number[] },
  reach: number,
): { x: number; y: number; lines: { x?: number; y?: number } } {
  const across = nearest(box.x, box.width, xs, reach);
  const down = nearest(box.y, box.height, ys, reach);
  return {
    x: box.x + (across?.by ?? 0),
    y: box.y + (down?.by ?? 0),
    lines: { ...(across ? { x: across.at } : {}), ...(down ? { y: down.at } : {}) },
  };
}

/** A placement with one corner pulled to a point and the opposite one held fast; its shape stays. */
export function pullCorner(
  placement: Placement,
  height: number,
  held: Point,
  corner: Point,
  to: Point,
  least: number,
): Placement {
  const d = { x: corner.x - held.x, y: corner.y - held.y };
  const along = ((to.x - held.x) * d.x + (to.y - held.y) * d.y) / (d.x * d.x + d.y * d.y);
  const factor = Math.max(along, least / placement.width);
  const middle = { x: held.x + (d.x * factor) / 2, y: held.y + (d.y * factor) / 2 };
  const width = placement.width * factor;
  return { ...placement, x: middle.x - width / 2, y: middle.y - (height * factor) / 2, width };
}

/** Degrees anticlockwise that a line is turned when `up` should be straight above `foot`; caught on multiples of 15. */
export function turnTo(foot: Point, up: Point, free: boolean): number {
  const degrees = (Math.atan2(foot.x - up.x, foot.y - up.y) * 180) / Math.PI;
  const even = Math.round(degrees / 15) * 15;
  const turn = !free && Math.abs(degrees - even) < 2 ? even : Math.round(degrees * 10) / 10;
  return turn === -180 ? 180 : turn;
}
