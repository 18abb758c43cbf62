import type { SheetWish } from '@brachytone/job';

/** A sheet that is wished for, as it stands in a request: its longest side, or both, mm. */
export interface SheetKeys {
  readonly longest?: number;
  readonly width?: number;
  readonly height?: number;
}

/** The wish; undefined where there is none. */
export function sheetOf({ longest, width, height }: SheetKeys): SheetWish | undefined {
  if (width !== undefined && height !== undefined) return { page: { width, height } };
  return longest === undefined ? undefined : { longest };
}
