import { filmFrame, labToHex, mmToPixels, present } from '@brachytone/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { plainName } from '@brachytone/job';
import { boundsOf } from '../../controls/bounds.ts';
import { Button } from '../../controls/button.tsx';
import { Segmented } from '../../controls/segmented.tsx';
import { Select } from '../../controls/select.tsx';
import type { ViewRequest } from '../../engine/drafts.ts';
import { useDrawing } from '../../engine/use-drawing.ts';
import { usePictures } from '../../engine/use-pictures.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { scenePicked } from '../../store/view-slice.ts';
import { useDocument } from '../../store/use-job.ts';
import { usePointers } from '../table/use-pointers.ts';
import { useSize, type BoxSize } from '../table/use-size.ts';
import { whatToDraw } from '../table/what.ts';
import { sheetWords } from '../../words/words.ts';
import { likelyScene, SCENES } from './scenes.ts';
import { drawWarped, seenPart, type Part } from './warp.ts';

/** What products stand on. */
const GROUND = '#a9a8a4';
/** Pixels of the proof for one of the screen where it lies flat. */
const FINE = 1.5;

/** Most pixels across of the part of the proof that is seen. */
const MOST = 6000;
/** Times the whole scene. */
const FARTHEST_IN = 16;

interface Point {
  readonly x: number;
  readonly y: number;
}

/** Pixels across of pictures that are saved, besides those of the screen. */
const WIDTHS = [2000, 4000, 8000] as const;

/** How near a scene is looked at: times the whole, and what of it is in the middle, in shares of its size. */
interface Near extends Point {
  readonly zoom: number;
}
const WHOLE: Near = { zoom: 1, x: 0.5, y: 0.5 };

/** A box so many pixels wide, that takes up as much of the page as before. */
const scaledTo = ({ width, height, ratio }: BoxSize, wide: number): BoxSize => ({
  width: wide,
  height: Math.round((height * wide) / width),
  ratio: (ratio * wide) / width,
});

const samePart = (a: Part, b: Part): boolean =>
  a.x === b.x && a.y === b.y && a.width === b.width && a.height === b.height;

/** A canvas for a part of a print, with what is known of it already. */
function begun(
  width: number,
  height: number,
  part: Part,
  last: { canvas: HTMLCanvasElement; part: Part } | undefined,
): HTMLCanvasElement {
  const made = Object.assign(window.document.createElement('canvas'), { width, height });
  if (!last) return made;
  const across = width / part.width;
  const down = height / part.height;
  made
    .getContext('2d')
    ?.drawImage(
      last.canvas,
      (last.part.x - part.x) * across,
      (last.part.y - part.y) * down,
      last.part.width * across,
      last.part.height * down,
    );
  return made;
}

/** The proof on what it is printed on, true to scale; a wheel, a drag and two fingers come nearer. */
export function Product() {
  const { recipe, ...rest } = useDocument();
  const { look } = useAppSelector((state) => state.view);
  const { sheet, stock } = recipe;
  const dispatch = useAppDispatch();
  const chosen = useAppSelector((state) => state.view.scene);
  const picked = chosen ?? likelyScene(sheet, stock.texture === 'cloth');
  const setPicked = (id: string) => dispatch(scenePicked(id));
  const scene = present(
    SCENES.find(({ id }) => id === picked),
    'product',
  );
  const box = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const onScreen = useSize(box);
  const [width, setWidth] = useState('screen');
  /** Pixels across of the picture that is being made to be saved: until it is there the scene is drawn as large as it. */
  const [saving, setSaving] = useState<number>();
  const size = saving === undefined ? onScreen : scaledTo(onScreen, saving);
  const frame = useMemo(() => filmFrame(recipe), [recipe]);
  const { arrival, version } = usePictures(recipe);
  const extent = scene.extent(sheet);
  const fit = Math.min(size.width / extent.width, size.height / extent.height);
  const [near, setNear] = useState<Near>(WHOLE);
  const scale = fit * near.zoom;
  const [left, top] = [
    size.width / 2 - near.x * extent.width * scale,
    size.height / 2 - near.y * extent.height * scale,
  ];
  const place = useMemo(() => scene.place(sheet), [scene, sheet]);
  const seen = seenPart((u, v) => {
    const { x, y } = place(u, v);
    return { x: left + x * scale, y: top + y * scale };
  }, size);
  const columns = Math.max(
    8,
    Math.min(MOST, frame.width * seen.width, Math.round(sheet.width * seen.width * scale * FINE)),
  );
  const rows = Math.max(8, Math.round((columns * sheet.height * seen.height) / (sheet.width * seen.width)));
  /** What was drawn last, and the part of the print it is. */
  const shown = useRef<{ canvas: HTMLCanvasElement; part: Part } | undefined>(undefined);
  const paint = () => {
    const context = canvas.current?.getContext('2d');
    if (!context || scale === 0) return;
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.clearRect(0, 0, size.width, size.height);
    const onSheet = () => context.setTransform(scale, 0, 0, scale, left, top);
    onSheet();
    scene.under(context, sheet, labToHex(stock.lab));
    context.save();
    const shape = scene.shape?.(sheet);
    if (shape) context.clip(shape);
    context.setTransform(1, 0, 0, 1, 0, 0);
    const { canvas: print, part = seen } = shown.current ?? {};
    if (print)
      drawWarped(context, print, (u, v) => {
        const { x, y } = place(part.x + u * part.width, part.y + v * part.height);
        return { x: left + x * scale, y: top + y * scale };
      });
    context.restore();
    onSheet();
    scene.over?.(context, sheet);
  };
  const later = useRef(0);
  const soon = () => {
    cancelAnimationFrame(later.current);
    later.current = requestAnimationFrame(paint);
  };
  const bleed = mmToPixels(sheet.bleed, frame);
  const [wide, high] = [frame.width - 2 * bleed, frame.height - 2 * bleed];
  const drawing: ViewRequest | undefined =
    scale > 0 && (arrival === 'some' || arrival === 'whole')
      ? {
          recipe,
          frame,
          view: {
            x: bleed + seen.x * wide,
            y: bleed + seen.y * high,
            width: seen.width * wide,
            height: seen.height * high,
            columns,
            rows,
          },
          what: whatToDraw({ recipe, ...rest }, 'proof', null, { look: { ...look, distance: 0 } }),
        }
      : undefined;
  /** The scene as it is seen, on the ground it stands on. */
  const save = () => {
    const whole = canvas.current;
    if (!whole) return;
    const out = window.document.createElement('canvas');
    [out.width, out.height] = [whole.width, whole.height];
    const context = out.getContext('2d');
    if (!context) return;
    context.fillStyle = GROUND;
    context.fillRect(0, 0, out.width, out.height);
    context.drawImage(whole, 0, 0);
    out.toBlob((blob) => {
      if (!blob) return;
      const href = URL.createObjectURL(blob);
      const download = `${plainName(`${rest.name} ${scene.name}`) || 'product'}.png`;
      Object.assign(window.document.createElement('a'), { href, download }).click();
      URL.revokeObjectURL(href);
    }, 'image/png');
  };
  const { sharpness } = useDrawing(drawing, version, arrival === 'whole', (rgba, across, firstRow) => {
    const last = shown.current;
    if (!last || last.canvas.width !== columns || last.canvas.height !== rows || !samePart(last.part, seen))
      shown.current = { canvas: begun(columns, rows, seen, last), part: seen };
    shown.current?.canvas.getContext('2d')?.putImageData(new ImageData(rgba, across), 0, firstRow);
    soon();
  });
  useEffect(soon);
  /** Saves the picture that is wanted as soon as all of it is drawn as large as that. */
  const saveOnceDrawn = () => {
    const last = shown.current;
    const isDrawn =
      last && last.canvas.width === columns && last.canvas.height === rows && samePart(last.part, seen);
    if (saving === undefined || sharpness !== 'exact' || !isDrawn) return;
    paint();
    save();
    setSaving(undefined);
  };
  useEffect(saveOnceDrawn);
  const nearer = (from: Near, around: Point, factor: number, by: Point = { x: 0, y: 0 }): Near => {
    const zoom = Math.min(FARTHEST_IN, Math.max(1, from.zoom * factor));
    if (zoom === 1) return WHOLE;
    const bounds = boundsOf(box);
    // What lies under the pointer stays there.
    const over = (before: number, at: number, half: number, length: number) =>
      ((at - half) * (1 / (fit * before) - 1 / (fit * zoom))) / length;
    const x = (around.x - bounds.left) * size.ratio;
    const y = (around.y - bounds.top) * size.ratio;
    const share = (at: number) => Math.min(1, Math.max(0, at));
    return {
      zoom,
      x: share(
        from.x +
          over(from.zoom, x, size.width / 2, extent.width) -
          (by.x * size.ratio) / (extent.width * fit * zoom),
      ),
      y: share(
        from.y +
          over(from.zoom, y, size.height / 2, extent.height) -
          (by.y * size.ratio) / (extent.height * fit * zoom),
      ),
    };
  };
  const pointers = usePointers({
    begin: () => near,
    drag: (from, by) => setNear(nearer(from, { x: 0, y: 0 }, 1, by)),
    pinch: (from, around, factor, by) => setNear(nearer(from, around, factor, by)),
  });
  return (
    <div
      ref={box}
      className="absolute inset-0 z-[2] cursor-default touch-none active:cursor-grabbing"
      style={{ background: GROUND }}
      {...pointers}
      onPointerDown={(event) => {
        event.stopPropagation();
        if (event.target === canvas.current) pointers.onPointerDown(event);
      }}
      onWheel={(event) => {
        event.stopPropagation();
        setNear(
          nearer(
            near,
            { x: event.clientX, y: event.clientY },
            Math.exp(-event.deltaY * (event.ctrlKey ? 0.01 : 0.0016)),
          ),
        );
      }}
    >
      <canvas
        ref={canvas}
        role="img"
        aria-label={`The print on the ${scene.name.toLowerCase()}`}
        data-testid="product-canvas"
        data-sharpness={sharpness}
        width={size.width}
        height={size.height}
        style={{ width: size.width / size.ratio, height: size.height / size.ratio }}
      />
      <div className="absolute bottom-3 left-3.5 flex max-w-[calc(100%-28px)] flex-wrap items-center gap-2">
        <Segmented
          label="What it is printed on"
          value={picked}
          options={SCENES.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={setPicked}
        />
        <Button className="!h-7" aria-pressed={near.zoom === 1} onClick={() => setNear(WHOLE)}>
          Fit
        </Button>
        <Button
          className="!h-7"
          disabled={sharpness !== 'exact' || saving !== undefined}
          onClick={() => setSaving(width === 'screen' ? onScreen.width : Number(width))}
        >
          {saving === undefined ? 'Save picture' : 'Making it…'}
        </Button>
        <span className="flex w-[142px]">
          <Select
            label="Width of the saved picture"
            value={width}
            options={[
              { value: 'screen', name: 'as on the screen' },
              ...WIDTHS.map((pixels) => ({ value: String(pixels), name: `${pixels / 1000} 000 px wide` })),
            ]}
            onChange={setWidth}
          />
        </span>
        <span className="figures rounded-sm bg-raised/80 px-1.5 py-0.5 text-soft">
          {sheetWords(sheet)}, true to scale
          {scene.tooLarge?.(sheet) ? ` · larger than the ${scene.name.toLowerCase()} takes` : ''}
        </span>
      </div>
    </div>
  );
}
