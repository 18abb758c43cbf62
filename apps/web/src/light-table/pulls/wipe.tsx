import { boundsOf } from '../../controls/bounds.ts';
import { filmFrame, mmToPixels, type View, present } from '@brachytone/core';
import type { JobDocument } from '@brachytone/job';
import { useMemo, useRef, type PointerEvent } from 'react';
import { useDrawing } from '../../engine/use-drawing.ts';
import { usePictures } from '../../engine/use-pictures.ts';
import { usePullsQuery } from '../../store/api.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useDocument } from '../../store/use-job.ts';
import { wiped } from '../../store/view-slice.ts';
import { whatToDraw } from '../table/what.ts';
import { PrintPicture } from './print-picture.tsx';

/** A pull, or the originals, to compare with. */
interface Wiped {
  readonly document: JobDocument;
  readonly name: string;
  readonly original: boolean;
  /** SHA-256 of the picture of a simulated print. */
  readonly print?: string | undefined;
}

/** What is compared with; undefined while it has not come. */
function useWiped(): Wiped | undefined {
  const now = useDocument();
  const job = useAppSelector((state) => present(state.job, 'open job').id);
  const against = useAppSelector((state) => state.view.wipe?.against);
  const { data: pulls = [] } = usePullsQuery(job);
  if (against === 'original') return { document: now, name: 'Before', original: true };
  const pull = pulls.find(({ id }) => id === against);
  return pull && { document: pull.document, name: pull.name, original: false, print: pull.print?.picture };
}

/** A pull, or the originals, over the left part of the table, up to a line that is dragged. */
export function Wipe({
  visible,
  ratio,
}: {
  visible: { view: View; left: number; top: number };
  ratio: number;
}) {
  const dispatch = useAppDispatch();
  const now = useDocument();
  const { wipe, look, table } = useAppSelector((state) => state.view);
  const { against, at } = present(wipe, 'wipe');
  const found = useWiped();
  const box = useRef<HTMLDivElement>(null);
  const dragging = useRef(false);
  if (!found) return null;
  const { document, name, original, print } = found;
  const { columns, rows } = visible.view;
  const move = (event: PointerEvent) => {
    if (!dragging.current) return;
    event.stopPropagation();
    const bounds = boundsOf(box);
    const next = (event.clientX - bounds.left) / bounds.width;
    dispatch(wiped({ against, at: Math.min(1, Math.max(0, next)) }));
  };
  return (
    <div
      ref={box}
      role="group"
      aria-label="Wipe"
      className="pointer-events-none absolute"
      style={{
        left: visible.left / ratio,
        top: visible.top / ratio,
        width: columns / ratio,
        height: rows / ratio,
      }}
    >
      <div className="absolute inset-0" style={{ clipPath: `inset(0 ${(1 - at) * 100}% 0 0)` }}>
        {print !== undefined && table !== 'film' ? (
          <PrintPicture
            picture={print}
            name={name}
            document={document}
            view={viewOn(document, now, visible.view)}
            ratio={ratio}
          />
        ) : (
          <Picture
            key={against}
            document={document}
            view={viewOn(document, now, visible.view)}
            what={whatToDraw(document, original ? 'original' : table === 'film' ? 'film' : 'proof', null, {
              look,
            })}
            ratio={ratio}
          />
        )}
        <span className="absolute top-2 left-2 rounded-sm bg-ink px-1.5 py-0.5 text-raised">{name}</span>
      </div>
      <div
        role="slider"
        tabIndex={0}
        aria-label="Where the wipe stands"
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={Math.round(at * 100)}
        className="pointer-events-auto absolute inset-y-0 flex w-5 -translate-x-1/2 cursor-ew-resize touch-none justify-center"
        style={{ left: `${at * 100}%` }}
        onPointerDown={(event) => {
          event.stopPropagation();
          event.currentTarget.setPointerCapture(event.pointerId);
          dragging.current = true;
        }}
        onPointerMove={move}
        onPointerUp={() => (dragging.current = false)}
        onKeyDown={(event) => {
          const by = { ArrowLeft: -0.02, ArrowRight: 0.02 }[event.key];
          if (by) dispatch(wiped({ against, at: Math.min(1, Math.max(0, at + by)) }));
        }}
      >
        <span className="h-full w-0.5 bg-guide" />
        <span className="absolute top-1/2 size-4 -translate-y-1/2 rounded-full border-2 border-guide bg-raised" />
      </div>
    </div>
  );
}

/** A view of the present film on the film of another state, which may have another size or resolution. */
function viewOn(document: JobDocument, now: JobDocument, view: View): View {
  const from = filmFrame(now.recipe);
  const to = filmFrame(document.recipe);
  const ratio = to.resolution / from.resolution;
  const shift = mmToPixels(to.bleed - from.bleed, to);
  return {
    ...view,
    x: view.x * ratio + shift,
    y: view.y * ratio + shift,
    width: view.width * ratio,
    height: view.height * ratio,
  };
}

export function Picture({
  document,
  view,
  what,
  ratio,
}: {
  document: JobDocument;
  view: View;
  what: ReturnType<typeof whatToDraw>;
  ratio: number;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { recipe } = document;
  const { arrival, version } = usePictures(recipe);
  const frame = useMemo(() => filmFrame(recipe), [recipe]);
  const { sharpness } = useDrawing(
    arrival === 'some' || arrival === 'whole' ? { recipe, frame, view, what } : undefined,
    version,
    arrival === 'whole',
    (rgba, columns, firstRow) =>
      canvas.current?.getContext('2d')?.putImageData(new ImageData(rgba, columns), 0, firstRow),
  );
  return (
    <canvas
      ref={canvas}
      data-testid="wipe-canvas"
      data-sharpness={sharpness}
      width={view.columns}
      height={view.rows}
      className="block bg-white"
      style={{ width: view.columns / ratio, height: view.rows / ratio }}
    />
  );
}
