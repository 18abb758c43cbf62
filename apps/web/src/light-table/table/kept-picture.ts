import type { View } from '@brachytone/core';
import { useCallback, useLayoutEffect, useRef } from 'react';
import type { ViewRequest } from '../../engine/drafts.ts';

/** A part of the film with its place on the table, device pixels. */
export interface Place {
  readonly view: View;
  readonly left: number;
  readonly top: number;
}

/** A place on the table after the sheet was moved and zoomed: `x · scale + left`, `y · scale + top`. */
export interface Move {
  readonly scale: number;
  readonly left: number;
  readonly top: number;
}

/** How a picture that was made for a place moves with its sheet, when that lies elsewhere by now. */
export function moveOf(was: Place, now: Place): Move {
  /** Device pixels of a film pixel. */
  const before = was.view.columns / was.view.width;
  const after = now.view.columns / now.view.width;
  const scale = after / before;
  return {
    scale,
    left: now.left + (was.view.x - now.view.x) * after - was.left * scale,
    top: now.top + (was.view.y - now.view.y) * after - was.top * scale,
  };
}

/** The same as a CSS transform from the canvas's left top corner; turned over where the film is mirrored. */
function transformOf(was: Place, now: Place, mirrored: boolean, ratio: number): string {
  const { scale, left, top } = moveOf(was, now);
  const middle = was.left + was.view.columns / 2;
  // A picture that lies where it was made is not resampled for less than a thousandth of a pixel.
  const near = (value: number) => Number(value.toFixed(3));
  const [a, x] = mirrored ? [-scale, left + 2 * middle * scale] : [scale, left];
  return `matrix(${near(a)}, 0, 0, ${near(scale)}, ${near(x / ratio)}, ${near(top / ratio)})`;
}

/**
 * A canvas that keeps the last picture, moved and zoomed along with its sheet, until the next one is drawn over it.
 *
 * @param now      where the sheet is seen; undefined while it is not
 * @param mirrored true for a film that is shown turned over
 */
export function useKeptPicture(
  size: { width: number; height: number; ratio: number },
  now: Place | undefined,
  mirrored: boolean,
) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const shown = useRef<{ drawing: ViewRequest; place: Place } | undefined>(undefined);
  const latest = useRef(now);
  latest.current = now;
  const { ratio } = size;
  const settle = useCallback(() => {
    if (!canvas.current) return;
    const { style } = canvas.current;
    const was = shown.current?.place;
    style.visibility = latest.current ? 'visible' : 'hidden';
    style.transform = was && latest.current ? transformOf(was, latest.current, mirrored, ratio) : '';
  }, [mirrored, ratio]);
  // A canvas whose size is set is blank: what it showed is laid on it again.
  useLayoutEffect(() => {
    const element = canvas.current;
    const { width, height } = size;
    if (!element || width === 0 || (element.width === width && element.height === height)) return;
    const before = document.createElement('canvas');
    before.width = element.width;
    before.height = element.height;
    before.getContext('2d')?.drawImage(element, 0, 0);
    element.width = width;
    element.height = height;
    element.getContext('2d')?.drawImage(before, 0, 0);
  }, [size]);
  // After every render: the sheet may lie elsewhere.
  useLayoutEffect(settle);
  const receive = useCallback(
    (rgba: Uint8ClampedArray<ArrayBuffer>, columns: number, firstRow: number, drawing: ViewRequest) => {
      const context = canvas.current?.getContext('2d');
      const place = latest.current;
      if (!context || !place) return;
      const before = shown.current;
      if (before?.drawing !== drawing) {
        const isMoved =
          !before ||
          before.place.left !== place.left ||
          before.place.top !== place.top ||
          JSON.stringify(before.drawing.view) !== JSON.stringify(drawing.view);
        if (isMoved) context.clearRect(0, 0, context.canvas.width, context.canvas.height);
        shown.current = { drawing, place };
        settle();
      }
      // Rows of one drawing come to one place, wherever the sheet was dragged meanwhile.
      const { left, top } = shown.current?.place ?? place;
      context.putImageData(new ImageData(rgba, columns), left, top + firstRow);
    },
    [settle],
  );
  return { canvas, receive };
}
