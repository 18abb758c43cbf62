import type { Crop, Placement } from '@brachytone/core';

interface Size {
  readonly width: number;
  readonly height: number;
}

/** The largest crop of a picture, in its middle, that has the sheet's shape. */
export function cropToSheet(sheet: Size, picture: Size): Crop {
  const wanted = sheet.width / sheet.height;
  const has = picture.width / picture.height;
  const width = Math.min(1, wanted / has);
  const height = Math.min(1, has / wanted);
  return { x: (1 - width) / 2, y: (1 - height) / 2, width, height };
}

/** A cropped picture as large as the sheet allows, in its middle. */
export function placeOnSheet(sheet: Size, picture: Size, crop: Crop): Placement {
  const shape = (crop.width * picture.width) / (crop.height * picture.height);
  const width = Math.min(sheet.width, sheet.height * shape);
  return { x: (sheet.width - width) / 2, y: (sheet.height - width / shape) / 2, width };
}
