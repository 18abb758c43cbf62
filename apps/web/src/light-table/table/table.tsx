import { boundsOf } from '../../controls/bounds.ts';
import { filmFrame, filmLayout, labToHex, present } from '@brachytone/core';
import { useEffect, useEffectEvent, useMemo, useRef, type PointerEvent } from 'react';
import { useParams } from 'react-router';
import type { ViewRequest } from '../../engine/drafts.ts';
import { useDrawing } from '../../engine/use-drawing.ts';
import { usePictures } from '../../engine/use-pictures.ts';
import { triedMend } from '../../store/check-slice.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useDocument } from '../../store/use-job.ts';
import { useOriginal } from '../../store/use-original.ts';
import { loupeHeld, loupePowered, zoomed } from '../../store/view-slice.ts';
import { Loupe } from '../loupe/loupe.tsx';
import { pointAt } from '../rack/pointer.ts';
import { CommentLayer } from '../proof-links/comment-layer.tsx';
import { CropHandles } from './crop-handles.tsx';
import { ToneBrush } from './brush-layer.tsx';
import { useCropRecipe } from './crop-recipe.ts';
import { DrawingFailure } from './drawing-failure.tsx';
import { FindingLayer } from './finding-layer.tsx';
import { GradientHandles } from './gradient-handles.tsx';
import { PanelLayer } from './panel-layer.tsx';
import { PartTools } from './part-tools.tsx';
import { PlaceHandles } from './place-handles.tsx';
import { dragged, layOut, visiblePart, zoomAround } from './geometry.ts';
import { useKeptPicture } from './kept-picture.ts';
import { LatticeHandle } from './lattice-handle.tsx';
import { Measures } from './measures.tsx';
import { StripLayer } from '../strip/strip-layer.tsx';
import { Product } from '../product/product.tsx';
import { Beside } from '../pulls/beside.tsx';
import { Wipe } from '../pulls/wipe.tsx';
import { TouchUp } from './touch-up.tsx';
import { TryLayer } from './try-layer.tsx';
import { usePointers } from './use-pointers.ts';
import { useSize } from './use-size.ts';
import { TableBars } from './table-bars.tsx';
import { whatToDraw } from './what.ts';

const benchColour = (light: number): string => {
  const level = Math.round(255 * light);
  return `rgb(${level} ${level - 1} ${Math.max(0, level - 4)})`;
};

/** The light table itself: the sheet with the very dots, to be looked at from any distance. */
export function Table() {
  const dispatch = useAppDispatch();
  const document = useDocument();
  const view = useAppSelector((state) => state.view);
  const { stage } = useParams();
  const listening = useAppSelector((state) => state.check.dial !== null);
  const tried = useAppSelector((state) => triedMend(state.check));
  const box = useRef<HTMLDivElement>(null);
  const size = useSize(box);

  const original = useOriginal();
  const cropRecipe = useCropRecipe(document.recipe, original);
  const part = stage === 'original' ? view.step : null;
  const cropping =
    stage === 'original' && view.table === 'original' && part === null && cropRecipe !== undefined;
  const recipe = cropping ? cropRecipe : document.recipe;
  const { sheet } = recipe;
  // Beside another pull, or with a strip or a mend on it, a film is shown without its marks.
  const wholeFilm =
    view.table === 'film' && !view.wipe && view.beside.length === 0 && !view.strip && !tried && !cropping;
  const { marks, plates } = recipe;
  const frame = useMemo(
    () => (wholeFilm ? filmLayout({ sheet, marks, plates }).grid : filmFrame({ sheet })),
    [sheet, marks, plates, wholeFilm],
  );
  const { arrival, version } = usePictures(recipe);
  const lie = layOut(view, recipe.sheet, frame, size, size.ratio);
  const visible = size.width > 0 ? visiblePart(lie, frame, size) : undefined;
  const what = whatToDraw(document, view.table, view.plate, {
    look: listening ? { ...view.look, mesh: true } : view.look,
    ends: view.ends,
    cutting: part === 'cut' ? original?.id : undefined,
    reach: stage === 'inks' ? view.reach : null,
    wholeFilm,
  });
  const mirrored = view.table === 'film' && document.films.mirrored;
  const drawing: ViewRequest | undefined =
    visible && (arrival === 'some' || arrival === 'whole')
      ? {
          recipe,
          frame,
          // A mirrored film shows its other end here; the canvas turns it over.
          view: mirrored
            ? { ...visible.view, x: frame.width - visible.view.x - visible.view.width }
            : visible.view,
          what,
        }
      : undefined;
  const { canvas, receive } = useKeptPicture(size, visible, mirrored);
  const { sharpness, failure, retry } = useDrawing(drawing, version, arrival === 'whole', receive);

  const onTable = ({ x, y }: { x: number; y: number }) => {
    const bounds = boundsOf(box);
    return { x: (x - bounds.left) * size.ratio, y: (y - bounds.top) * size.ratio };
  };
  const pixels = ({ x, y }: { x: number; y: number }) => ({ x: x * size.ratio, y: y * size.ratio });
  const pointers = usePointers({
    begin: () => lie,
    drag: (from, by) =>
      dispatch(
        zoomed({
          zoom: view.zoom === 'fit' ? lie.scale / size.ratio : view.zoom,
          centre: dragged(from, pixels(by), size, size.ratio),
        }),
      ),
    pinch: (from, around, factor, by) => {
      const to = zoomAround(from, frame, onTable(around), factor, size, size.ratio);
      const scale = to.zoom * size.ratio;
      const on = pixels(by);
      dispatch(zoomed({ ...to, centre: { x: to.centre.x - on.x / scale, y: to.centre.y - on.y / scale } }));
    },
    hold: (held) => dispatch(loupeHeld(held)),
  });
  const point = (event: PointerEvent) => {
    const { x, y } = onTable({ x: event.clientX, y: event.clientY });
    const across = (x - lie.left) / lie.scale;
    pointAt({
      mm: { x: mirrored ? recipe.sheet.width - across : across, y: (y - lie.top) / lie.scale },
      table: { x: x / size.ratio, y: y / size.ratio },
    });
  };
  const onWheel = useEffectEvent((event: WheelEvent) => {
    event.preventDefault();
    if (view.loupe.open && !event.ctrlKey) {
      dispatch(loupePowered(event.deltaY < 0 ? 1 : -1));
      return;
    }
    const point = onTable({ x: event.clientX, y: event.clientY });
    const factor = Math.exp(-event.deltaY * (event.ctrlKey ? 0.01 : 0.0016));
    dispatch(zoomed(zoomAround(lie, frame, point, factor, size, size.ratio)));
  });
  useEffect(() => {
    const element = present(box.current, 'table');
    const turned = (event: WheelEvent) => onWheel(event);
    element.addEventListener('wheel', turned, { passive: false });
    return () => element.removeEventListener('wheel', turned);
  }, []);

  const css = (pixels: number) => `${pixels / size.ratio}px`;
  return (
    <main
      ref={box}
      aria-label="Light table"
      className="relative grow cursor-default touch-none overflow-hidden active:cursor-grabbing"
      style={{ background: benchColour(view.bench) }}
      {...pointers}
      onPointerDown={(event) => {
        // A finger points where it comes down; it need not move.
        point(event);
        pointers.onPointerDown(event);
      }}
      onPointerMove={(event) => {
        point(event);
        pointers.onPointerMove(event);
      }}
      onPointerLeave={() => pointAt(undefined)}
    >
      <div
        className="absolute shadow-[0_1px_5px_rgb(0_0_0/0.28)]"
        style={{
          left: css(lie.film.left),
          top: css(lie.film.top),
          width: css(lie.film.width),
          height: css(lie.film.height),
          background:
            view.table === 'proof' || view.table === 'original' ? labToHex(recipe.stock.lab) : '#fbfaf7',
        }}
      />
      <canvas
        ref={canvas}
        data-testid="table-canvas"
        data-sharpness={sharpness}
        className="pointer-events-none absolute inset-0"
        style={{
          width: css(size.width),
          height: css(size.height),
          transformOrigin: '0 0',
        }}
      />
      {view.strip && visible && !cropping && (arrival === 'some' || arrival === 'whole') && (
        <StripLayer
          strip={view.strip}
          visible={visible}
          frame={frame}
          ratio={size.ratio}
          version={version}
          whole={arrival === 'whole'}
        />
      )}
      {size.width > 0 && !cropping && <Measures lie={lie} sheet={recipe.sheet} ratio={size.ratio} />}
      {cropping && <CropHandles lie={lie} ratio={size.ratio} />}
      {/* While a strip is out its bands are what is clicked. */}
      {size.width > 0 && !view.strip && (
        <>
          {stage === 'original' && !cropping && (
            <>
              {part !== 'cut' && <PlaceHandles lie={lie} ratio={size.ratio} />}
              {part !== 'cut' && <GradientHandles lie={lie} ratio={size.ratio} />}
              <PartTools lie={lie} ratio={size.ratio} />
            </>
          )}
          {stage === 'screens' && view.table !== 'original' && <LatticeHandle lie={lie} ratio={size.ratio} />}
          {stage === 'tone' && <ToneBrush lie={lie} ratio={size.ratio} />}
          {stage === 'inks' && <TouchUp lie={lie} ratio={size.ratio} />}
        </>
      )}
      {view.wipe && visible && !cropping && (arrival === 'some' || arrival === 'whole') && (
        <Wipe visible={visible} ratio={size.ratio} />
      )}
      {view.beside.length > 0 && !cropping && <Beside size={size} />}
      {size.width > 0 && stage === 'films' && <PanelLayer lie={lie} ratio={size.ratio} />}
      {size.width > 0 && stage === 'press' && <FindingLayer lie={lie} ratio={size.ratio} />}
      {tried && size.width > 0 && stage === 'press' && (
        <TryLayer mend={tried} lie={lie} size={size} version={version} whole={arrival === 'whole'} />
      )}
      {view.proofLinks && size.width > 0 && view.table !== 'product' && (
        <CommentLayer lie={lie} ratio={size.ratio} />
      )}
      {view.table === 'product' && <Product />}
      {failure && <DrawingFailure failure={failure} retry={retry} />}
      <TableBars lie={lie} ratio={size.ratio} sharpness={sharpness} arrival={arrival} />
      {view.loupe.open && !cropping && <Loupe arrival={arrival} version={version} />}
    </main>
  );
}
