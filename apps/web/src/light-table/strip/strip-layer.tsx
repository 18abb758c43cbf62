import type { Frame, View } from '@brachytone/core';
import type { JobDocument } from '@brachytone/job';
import { useMemo, useRef } from 'react';
import { formatQuantity } from '../../words/quantity.ts';
import { useDrawing } from '../../engine/use-drawing.ts';
import { edit } from '../../store/job-slice.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useDocument } from '../../store/use-job.ts';
import { stripOpened } from '../../store/view-slice.ts';
import { whatToDraw } from '../table/what.ts';
import { alikePaths, stripValues, withNumbers, type NumberPath, type Strip } from '../../store/strip.ts';

/** The visible part of the sheet, cut into bands, each made with another value. */
export function StripLayer({
  strip,
  visible,
  frame,
  ratio,
  version,
  whole,
}: {
  strip: Strip;
  visible: { view: View; left: number; top: number };
  frame: Frame;
  ratio: number;
  version: number;
  whole: boolean;
}) {
  const { across, down, patch } = strip;
  const columns = stripValues(across);
  const rows = down ? stripValues(down) : [undefined];
  const { view, left, top } = visible;
  const step = view.width / view.columns;
  return (
    <div role="group" aria-label="Bands of the test strip">
      {rows.flatMap((value, j) =>
        columns.map((first, i) => {
          const x = Math.round((i * view.columns) / columns.length);
          const y = Math.round((j * view.rows) / rows.length);
          const wide = Math.round(((i + 1) * view.columns) / columns.length) - x;
          const high = Math.round(((j + 1) * view.rows) / rows.length) - y;
          // A patch lies in the middle of what is seen.
          const fromX = patch ? (view.columns - wide) / 2 : x;
          const fromY = patch ? (view.rows - high) / 2 : y;
          const part: View = {
            x: view.x + fromX * step,
            y: view.y + fromY * step,
            width: wide * step,
            height: high * step,
            columns: wide,
            rows: high,
          };
          const numbers = [
            {
              path: across.path,
              value: first,
              label: across.label,
              words: formatQuantity(first, across.unit),
            },
            ...(down && value !== undefined
              ? [{ path: down.path, value, label: down.label, words: formatQuantity(value, down.unit) }]
              : []),
          ];
          return (
            <Band
              key={`${i}-${j}`}
              numbers={numbers}
              part={part}
              frame={frame}
              place={{ left: left + x, top: top + y }}
              ratio={ratio}
              version={version}
              whole={whole}
            />
          );
        }),
      )}
    </div>
  );
}

interface Tried {
  readonly path: NumberPath;
  readonly value: number;
  readonly label: string;
  readonly words: string;
}

/** Numbers that are tried, on all plates that are set alike. */
const everywhere = (document: JobDocument, numbers: readonly Tried[], alike: readonly string[]) =>
  numbers.flatMap(({ path, value }) =>
    alikePaths(document, path, alike).map((one) => ({ path: one, value })),
  );

function Band({
  numbers,
  part,
  frame,
  place,
  ratio,
  version,
  whole,
}: {
  numbers: readonly Tried[];
  part: View;
  frame: Frame;
  place: { left: number; top: number };
  ratio: number;
  version: number;
  whole: boolean;
}) {
  const dispatch = useAppDispatch();
  const document = useDocument();
  const { table, plate, ends, look, alike } = useAppSelector((state) => state.view);
  const canvas = useRef<HTMLCanvasElement>(null);
  const key = numbers.map(({ value }) => value).join();
  const tried: JobDocument = useMemo(
    () => withNumbers(document, everywhere(document, numbers, alike)),
    // The values stand for the numbers.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [document, key, alike],
  );
  // What is no plate's is only seen on the original; everything else is looked at as it prints.
  const onOriginal = numbers.some(({ path }) => path.includes('colourDots'));
  const shown = onOriginal ? 'original' : table === 'original' ? 'proof' : table;
  const what = whatToDraw(tried, shown, plate, { look, ends });
  const { sharpness } = useDrawing(
    { recipe: tried.recipe, frame, view: part, what },
    version,
    whole,
    (rgba, columns, firstRow) =>
      canvas.current?.getContext('2d')?.putImageData(new ImageData(rgba, columns), 0, firstRow),
  );
  const words = numbers.map((one) => one.words).join(' · ');
  const adopt = () => {
    dispatch(
      edit(numbers.map(({ label }) => label).join(' and '), (draft) => {
        for (const { path, value } of everywhere(document, numbers, alike)) {
          const last = path[path.length - 1];
          const owner = path.slice(0, -1).reduce<unknown>((node, name) => (node as never)[name], draft);
          (owner as Record<string | number, unknown>)[last] = value;
        }
      }),
    );
    dispatch(stripOpened(null));
  };
  return (
    <button
      type="button"
      aria-label={`Take ${words}`}
      title={`Take ${words}`}
      data-sharpness={sharpness}
      onPointerDown={(event) => event.stopPropagation()}
      onClick={adopt}
      className="group absolute cursor-pointer outline-1 -outline-offset-1 outline-guide/70 outline-dashed hover:z-[1] hover:outline-2 hover:outline-guide hover:outline-solid focus-visible:z-[1]"
      style={{
        left: place.left / ratio,
        top: place.top / ratio,
        width: part.columns / ratio,
        height: part.rows / ratio,
      }}
    >
      <canvas
        ref={canvas}
        width={part.columns}
        height={part.rows}
        className="block bg-white"
        style={{ width: part.columns / ratio, height: part.rows / ratio }}
      />
      <span className="figures absolute inset-x-0 bottom-0 bg-ink px-1 py-0.5 text-center leading-[17px] text-raised group-hover:bg-guide-deep">
        {numbers.map((one) => (
          <span key={one.label} className="block truncate">
            {one.words}
          </span>
        ))}
      </span>
    </button>
  );
}
