import type { Crop } from '@brachytone/core';

/** Least share of the picture's side that a crop keeps. */
const LEAST = 0.02;

export const clamp = (value: number, least: number, most: number): number =>
  Math.min(most, Math.max(least, value));

/** A crop with one corner moved, kept in the picture and, when a shape is given, in that shape (width ÷ height in shares). */
export function moveCorner(
  crop: Crop,
  corner: { x: 0 | 1; y: 0 | 1 },
  to: { x: number; y: number },
  shape: number | undefined,
): Crop {
  const fixed = { x: crop.x + (corner.x ? 0 : crop.width), y: crop.y + (corner.y ? 0 : crop.height) };
  const room = { x: corner.x ? 1 - fixed.x : fixed.x, y: corner.y ? 1 - fixed.y : fixed.y };
  let width = clamp((to.x - fixed.x) * (corner.x ? 1 : -1), LEAST, room.x);
  let height = clamp((to.y - fixed.y) * (corner.y ? 1 : -1), LEAST, room.y);
  if (shape !== undefined) {
    width = Math.min(Math.max(width, height * shape), room.x, room.y * shape);
    height = width / shape;
  }
  return { x: corner.x ? fixed.x : fixed.x - width, y: corner.y ? fixed.y : fixed.y - height, width, height };
}
