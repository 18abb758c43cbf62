import type { Crop } from '@brachytone/core';

/** Shapes a crop is often given: width over height. 0 stands for the whole picture. */
export const RATIOS: readonly { name: string; ratio: number }[] = [
  { name: 'Whole picture', ratio: 0 },
  { name: '1 : 1', ratio: 1 },
  { name: '4 : 5', ratio: 4 / 5 },
  { name: '3 : 4', ratio: 3 / 4 },
  { name: '2 : 3', ratio: 2 / 3 },
  { name: '5 : 4', ratio: 5 / 4 },
  { name: '4 : 3', ratio: 4 / 3 },
  { name: '3 : 2', ratio: 3 / 2 },
  { name: '16 : 9', ratio: 16 / 9 },
  { name: '1 : √2 (ISO 216)', ratio: Math.SQRT1_2 },
];

/** The largest crop of a shape around the same middle that stays in the picture and is about as large as before. */
export function cropToRatio(crop: Crop, picture: { width: number; height: number }, ratio: number): Crop {
  const shape = (ratio * picture.height) / picture.width;
  const area = crop.width * crop.height;
  const middle = { x: crop.x + crop.width / 2, y: crop.y + crop.height / 2 };
  const width = Math.min(Math.sqrt(area * shape), 1, shape);
  const height = width / shape;
  const kept = (at: number, size: number) => Math.min(1 - size, Math.max(0, at - size / 2));
  return { x: kept(middle.x, width), y: kept(middle.y, height), width, height, turn: crop.turn };
}
