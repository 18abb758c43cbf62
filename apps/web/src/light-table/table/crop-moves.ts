import { clamp, type Crop } from '@brachytone/core';

/** Least share of the picture's side that a crop keeps. */
const LEAST = 0.02;

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
  return {
    x: corner.x ? fixed.x : fixed.x - width,
    y: corner.y ? fixed.y : fixed.y - height,
    width,
    height,
    turn: crop.turn,
  };
}

/**
 * A crop resized along its own turned sides: the corner that was held must stay where it was, so the middle moves the
 * turned way instead of the straight one.
 */
export function turnedAbout(
  before: Crop,
  after: Crop,
  picture: { width: number; height: number },
  turn: { cos: number; sin: number },
): Crop {
  const x = (after.x + after.width / 2 - before.x - before.width / 2) * picture.width;
  const y = (after.y + after.height / 2 - before.y - before.height / 2) * picture.height;
  const moved = { x: x * turn.cos + y * turn.sin - x, y: -x * turn.sin + y * turn.cos - y };
  return {
    ...after,
    x: clamp(after.x + moved.x / picture.width, 0, 1 - after.width),
    y: clamp(after.y + moved.y / picture.height, 0, 1 - after.height),
  };
}
