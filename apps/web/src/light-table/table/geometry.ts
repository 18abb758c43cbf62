import { MM_PER_INCH, type Frame, type View } from '@brachytone/core';
import { ASSUMED_PPI } from '../../store/screen-size.ts';
import type { ViewState } from '../../store/view-slice.ts';

/** Room around the sheet when it is fitted, in CSS pixels: for the bars above and below, and the measures. */
const MARGIN = { x: 56, top: 62, bottom: 54 };

/** CSS pixels of a millimetre at print size. */
const printScale = (screenPpi: number | null): number => (screenPpi ?? ASSUMED_PPI) / MM_PER_INCH;

/** Where a sheet lies on the table. Screen lengths are in device pixels. */
export interface Lie {
  /** Left top corner of the trimmed sheet. */
  readonly left: number;
  readonly top: number;
  /** Size of the trimmed sheet. */
  readonly width: number;
  readonly height: number;
  /** The sheet with its bleed, in whole pixels. */
  readonly film: {
    readonly left: number;
    readonly top: number;
    readonly width: number;
    readonly height: number;
  };
  /** Device pixels of a millimetre. */
  readonly scale: number;
}

/**
 * Lays a sheet (mm) with its film grid on a table of the given size in device pixels.
 *
 * @param side room for rulers left and right, CSS pixels
 */
export function layOut(
  view: Pick<ViewState, 'zoom' | 'centre' | 'screenPpi'>,
  sheet: { width: number; height: number },
  frame: Frame,
  table: { width: number; height: number },
  ratio: number,
  side: number = MARGIN.x,
): Lie {
  const fit = Math.min(
    (table.width - 2 * side * ratio) / (sheet.width + 2 * frame.bleed),
    (table.height - (MARGIN.top + MARGIN.bottom) * ratio) / (sheet.height + 2 * frame.bleed),
  );
  const scale =
    view.zoom === 'fit'
      ? Math.max(fit, 0.01)
      : view.zoom === 'print'
        ? printScale(view.screenPpi) * ratio
        : view.zoom === 'dots'
          ? frame.resolution / MM_PER_INCH
          : view.zoom * ratio;
  const step = frame.resolution / MM_PER_INCH / scale;
  const width = Math.max(1, Math.floor(frame.width / step + 1e-6));
  const height = Math.max(1, Math.floor(frame.height / step + 1e-6));
  const middle = { x: table.width / 2, y: (table.height + (MARGIN.top - MARGIN.bottom) * ratio) / 2 };
  const centre = view.centre ?? { x: sheet.width / 2, y: sheet.height / 2 };
  const edge = frame.bleed * scale;
  const film = {
    left: Math.round(middle.x - centre.x * scale - edge),
    top: Math.round(middle.y - centre.y * scale - edge),
    width,
    height,
  };
  return {
    left: film.left + edge,
    top: film.top + edge,
    width: width - 2 * edge,
    height: height - 2 * edge,
    film,
    scale,
  };
}

/** The part of a lying sheet that can be seen, as a view of its film, with its place on the table. */
export function visiblePart(
  lie: Lie,
  frame: Frame,
  table: { width: number; height: number },
): { view: View; left: number; top: number } | undefined {
  const { film } = lie;
  const left = Math.max(0, film.left);
  const top = Math.max(0, film.top);
  const columns = Math.min(table.width, film.left + film.width) - left;
  const rows = Math.min(table.height, film.top + film.height) - top;
  if (columns < 1 || rows < 1) return undefined;
  const step = frame.resolution / MM_PER_INCH / lie.scale;
  return {
    left,
    top,
    view: {
      x: (left - film.left) * step,
      y: (top - film.top) * step,
      width: columns * step,
      height: rows * step,
      columns,
      rows,
    },
  };
}

/** The scale's name as a percentage of print size. */
export const zoomWords = (lie: Lie, ratio: number, screenPpi: number | null): string =>
  `${Math.round((lie.scale / ratio / printScale(screenPpi)) * 100)} %`;

/** Zoom and centre after the scale changes by a factor around a point of the table (device pixels). */
export function zoomAround(
  lie: Lie,
  frame: Frame,
  point: { x: number; y: number },
  factor: number,
  table: { width: number; height: number },
  ratio: number,
): { zoom: number; centre: { x: number; y: number } } {
  const most = (frame.resolution / MM_PER_INCH) * 16;
  const least = Math.min(lie.scale, (table.height * 0.1) / (frame.height / (frame.resolution / MM_PER_INCH)));
  const scale = Math.min(most, Math.max(least, lie.scale * factor));
  const x = (point.x - lie.left) / lie.scale;
  const y = (point.y - lie.top) / lie.scale;
  const middle = { x: table.width / 2, y: (table.height + (MARGIN.top - MARGIN.bottom) * ratio) / 2 };
  return {
    zoom: scale / ratio,
    centre: onSheet(lie, { x: x + (middle.x - point.x) / scale, y: y + (middle.y - point.y) / scale }),
  };
}

/** The centre after the sheet is dragged by a distance in device pixels. */
export function dragged(
  lie: Lie,
  by: { x: number; y: number },
  table: { width: number; height: number },
  ratio: number,
): { x: number; y: number } {
  const middle = { x: table.width / 2, y: (table.height + (MARGIN.top - MARGIN.bottom) * ratio) / 2 };
  return onSheet(lie, {
    x: (middle.x - lie.left - by.x) / lie.scale,
    y: (middle.y - lie.top - by.y) / lie.scale,
  });
}

/** The nearest point of the sheet, mm: what is in the middle of the table is always on it, so that it is never lost. */
const onSheet = (
  { width, height, scale }: Lie,
  { x, y }: { x: number; y: number },
): { x: number; y: number } => ({
  x: Math.min(width / scale, Math.max(0, x)),
  y: Math.min(height / scale, Math.max(0, y)),
});
