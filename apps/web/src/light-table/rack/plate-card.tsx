import { inkOf, filmFrame, type LinearRgb } from '@brachytone/core';
import { useMemo, useRef, type KeyboardEvent } from 'react';
import type { ViewRequest } from '../../engine/drafts.ts';
import { useDrawing } from '../../engine/use-drawing.ts';
import { usePictures } from '../../engine/use-pictures.ts';
import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { Eye, EyeOff } from 'lucide-react';
import { edit } from '../../store/job-slice.ts';
import { inkBackground } from '../ink-colour.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useDocument } from '../../store/use-job.ts';
import { showPlate } from '../../store/view-slice.ts';
import { moveTo } from '../move-to.ts';
import { areaWords, screenWords, shortScreen } from '../../words/words.ts';

const CLEAR: LinearRgb = [0.93, 0.93, 0.91];
const BLACK: LinearRgb = [0.01, 0.01, 0.01];
const HEIGHT = 100;
const WIDEST = 130;
const NARROW = 60;
/** So many cards have room to be wide. */
const WIDE_CARDS = 2;

/** Rest before the whole film is counted for a card, ms: the table comes first. */
const PATIENCE = 900;

/** A plate: its own film as picture, ink, screen, coverage; dragged, or moved by Shift and an arrow, to print sooner or later. */
export function PlateCard({ index }: { index: number }) {
  const dispatch = useAppDispatch();
  const { plates, inks } = useDocument().recipe;
  const { id, ink } = plates[index];
  const onKeyDown = (event: KeyboardEvent) => {
    const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
    const next = plates[index + by];
    if (!event.shiftKey || by === 0 || !next) return;
    event.preventDefault();
    dispatch(edit('Printing order', (draft) => moveTo(draft.recipe.plates, id, next.id)));
  };
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id });
  return (
    <div
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`relative shrink-0 ${isDragging ? 'z-10' : ''}`}
      {...attributes}
      {...listeners}
      role="group"
      aria-label={`Plate ${inkOf(inks, ink).name}`}
      tabIndex={-1}
      onKeyDown={onKeyDown}
    >
      <Plate index={index} />
      <LeaveOut index={index} />
    </div>
  );
}

/** Takes a plate out of the proof and the films, and in again. */
function LeaveOut({ index }: { index: number }) {
  const dispatch = useAppDispatch();
  const { plates, inks } = useDocument().recipe;
  const { printed, ink } = plates[index];
  const { name } = inkOf(inks, ink);
  if (plates.length === 1) return null;
  return (
    <button
      type="button"
      aria-pressed={!printed}
      aria-label={`${name}, left out`}
      title={printed ? 'Leave this plate out of the proof and the films' : 'Take this plate in again'}
      className="absolute right-1.5 bottom-2.5 flex size-6 items-center justify-center rounded-sm text-rack-soft hover:text-rack-text"
      onPointerDown={(event) => event.stopPropagation()}
      onClick={() =>
        dispatch(
          edit(
            printed ? `Leave out ${name}` : `Take in ${name}`,
            (draft) => void (draft.recipe.plates[index].printed = !printed),
          ),
        )
      }
    >
      {printed ? <Eye size={14} /> : <EyeOff size={14} />}
    </button>
  );
}

function Plate({ index }: { index: number }) {
  const dispatch = useAppDispatch();
  const { recipe } = useDocument();
  const alone = useAppSelector((state) => state.view.plate);
  const plate = recipe.plates[index];
  const ink = inkOf(recipe.inks, plate.ink);
  const ratio = window.devicePixelRatio || 1;
  const { sheet } = recipe;
  const frame = useMemo(() => filmFrame({ sheet }), [sheet]);
  const wide = recipe.plates.length <= WIDE_CARDS;
  const scale = Math.min((HEIGHT * ratio) / frame.height, ((wide ? WIDEST : NARROW) * ratio) / frame.width);
  const columns = Math.max(1, Math.floor(frame.width * scale));
  const rows = Math.max(1, Math.floor(frame.height * scale));
  const canvas = useRef<HTMLCanvasElement>(null);
  const { arrival, version } = usePictures(recipe);
  const drawing = useMemo<ViewRequest>(
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
      className={`flex h-[104px] items-stretch rounded-sm border bg-rack-deep text-left text-rack-text ${plate.printed ? '' : 'opacity-50'} ${pressed ? 'border-rack-text' : 'border-black/40 hover:border-rack-soft'}`}
    >
      <span className={`flex items-center justify-center bg-black/30 ${wide ? 'w-[130px]' : 'w-[64px]'}`}>
        <canvas
          ref={canvas}
          width={columns}
          height={rows}
          style={{ width: columns / ratio, height: rows / ratio }}
        />
      </span>
      <span className={`flex flex-col px-2.5 py-2 ${wide ? 'w-[206px]' : 'w-[112px]'}`}>
        <span className="flex items-center gap-2">
          <span
            className="size-3 shrink-0 rounded-full border border-rack-soft/60"
            style={{ background: inkBackground(ink, recipe.stock) }}
          />
          <span className="truncate font-semibold">{ink.name}</span>
          <span className="figures ml-auto text-rack-soft">{index + 1}</span>
        </span>
        <span className="figures mt-1 truncate text-rack-soft" title={screenWords(plate.screen)}>
          {wide ? screenWords(plate.screen) : shortScreen(plate.screen)}
        </span>
        <span className="figures mt-auto">
          {covers === undefined ? (
            <span className="text-rack-soft">counting…</span>
          ) : (
            <>
              {wide && 'covers '}
              {covers.toFixed(1)} % {wide ? '· ' : <br />}
              {areaWords((covers / 100) * frameArea(recipe.sheet))}
            </>
          )}
        </span>
        <span className="mt-1.5 mr-5 h-[3px] bg-black/50">
          <span className="block h-full bg-rack-soft" style={{ width: `${covers ?? 0}%` }} />
        </span>
      </span>
    </button>
  );
}

/** What a film covers, mm². */
const frameArea = ({ width, height, bleed }: { width: number; height: number; bleed: number }): number =>
  (width + 2 * bleed) * (height + 2 * bleed);
