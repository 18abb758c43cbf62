import { filmFrame, type LinearRgb } from '@brachytone/core';
import { useMemo, useRef } from 'react';
import { useDrawing, type Drawing } from '../../engine/use-drawing.ts';
import { usePictures } from '../../engine/use-pictures.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useDocument } from '../../store/use-job.ts';
import { showPlate } from '../../store/view-slice.ts';
import { screenWords } from '../words.ts';

const CLEAR: LinearRgb = [0.93, 0.93, 0.91];
const BLACK: LinearRgb = [0.01, 0.01, 0.01];
const HEIGHT = 100;
const WIDEST = 130;

/** Rest before the whole film is counted for a card, ms: the table comes first. */
const PATIENCE = 900;

/** A plate: its own film as picture, ink, screen, coverage. */
export function PlateCard({ index }: { index: number }) {
  const dispatch = useAppDispatch();
  const { recipe } = useDocument();
  const alone = useAppSelector((state) => state.view.plate);
  const plate = recipe.plates[index];
  const ink = recipe.inks.find(({ id }) => id === plate.ink)!;
  const ratio = window.devicePixelRatio || 1;
  const frame = useMemo(() => filmFrame(recipe), [recipe]);
  const scale = Math.min((HEIGHT * ratio) / frame.height, (WIDEST * ratio) / frame.width);
  const columns = Math.max(1, Math.floor(frame.width * scale));
  const rows = Math.max(1, Math.floor(frame.height * scale));
  const canvas = useRef<HTMLCanvasElement>(null);
  const { arrival, version } = usePictures(recipe);
  const drawing = useMemo<Drawing>(
    () => ({
      recipe,
      frame,
      view: { x: 0, y: 0, width: frame.width, height: frame.height, columns, rows },
      what: { kind: 'bits', plates: [index], colours: [CLEAR, BLACK] },
    }),
    [recipe, frame, columns, rows, index],
  );
  const { sharpness, inked } = useDrawing(
    arrival === 'some' || arrival === 'whole' ? drawing : undefined,
    version,
    arrival === 'whole',
    (rgba, width, firstRow) => {
      canvas.current?.getContext('2d')?.putImageData(new ImageData(rgba, width), 0, firstRow);
    },
    PATIENCE,
  );
  const covers = inked.length > 0 && sharpness === 'exact' ? inked[0] * 100 : undefined;
  const pressed = alone === plate.id;
  return (
    <button
      type="button"
      aria-pressed={pressed}
      title={pressed ? 'Show all plates' : 'Show this plate alone'}
      onClick={() => dispatch(showPlate(pressed ? null : plate.id))}
      className={`flex h-[104px] items-stretch rounded-sm border bg-rack-deep text-left text-rack-text ${pressed ? 'border-rack-text' : 'border-black/40 hover:border-rack-soft'}`}
    >
      <span className="flex w-[130px] items-center justify-center bg-black/30">
        <canvas
          ref={canvas}
          width={columns}
          height={rows}
          style={{ width: columns / ratio, height: rows / ratio }}
        />
      </span>
      <span className="flex w-[188px] flex-col px-3 py-2">
        <span className="flex items-center gap-2">
          <span
            className="size-3 shrink-0 rounded-full border border-rack-soft/60"
            style={{ background: ink.colour }}
          />
          <span className="truncate font-semibold">{ink.name}</span>
          <span className="figures ml-auto text-rack-soft">{index + 1}</span>
        </span>
        <span className="figures mt-1 text-rack-soft">{screenWords(plate.screen)}</span>
        <span className="figures mt-auto">
          {covers === undefined ? (
            <span className="text-rack-soft">counting…</span>
          ) : (
            `covers ${covers.toFixed(1)} %`
          )}
        </span>
        <span className="mt-1.5 h-[3px] bg-black/50">
          <span className="block h-full bg-rack-soft" style={{ width: `${covers ?? 0}%` }} />
        </span>
      </span>
    </button>
  );
}
