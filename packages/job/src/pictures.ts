import type { PictureWish } from '@brachytone/core';

/** A format that pictures of a print leave in. */
export interface PictureFormat {
  readonly id: string;
  readonly name: string;
  readonly ending: string;
  readonly mediaType: string;
  /** True where it can be clear. */
  readonly canBeClear: boolean;
  /** Pixels of a side that it holds at most. */
  readonly most: number;
}

const FORMATS = [
  { id: 'png', name: 'PNG', ending: 'png', mediaType: 'image/png', canBeClear: true, most: 20_000 },
  // Twice as many would be held by the format, but what packs it has all of it in memory, some 14 bytes a pixel.
  { id: 'webp', name: 'WebP', ending: 'webp', mediaType: 'image/webp', canBeClear: true, most: 8192 },
  { id: 'jpeg', name: 'JPEG', ending: 'jpg', mediaType: 'image/jpeg', canBeClear: false, most: 20_000 },
  { id: 'tiff', name: 'TIFF', ending: 'tif', mediaType: 'image/tiff', canBeClear: true, most: 20_000 },
] as const;

export type PictureFormatId = (typeof FORMATS)[number]['id'];

/** Every format of pictures, in the order they are offered. */
export const PICTURE_FORMATS: readonly (PictureFormat & { readonly id: PictureFormatId })[] = FORMATS;

/** A picture of a job's print that is asked for. */
export interface PictureRequest extends PictureWish {
  readonly format: PictureFormatId;
  /** Id of the plate that is seen alone; missing for all that are printed. */
  readonly plate?: string;
}
