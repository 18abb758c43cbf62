import { filmFrame, labToHex, mmToPixels, present } from '@brachytone/core';
import { useEffect, useMemo, useRef } from 'react';
import { plainName } from '@brachytone/job';
import { Button } from '../../controls/button.tsx';
import { Segmented } from '../../controls/segmented.tsx';
import type { ViewRequest } from '../../engine/drafts.ts';
import { useDrawing } from '../../engine/use-drawing.ts';
import { usePictures } from '../../engine/use-pictures.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { scenePicked } from '../../store/view-slice.ts';
import { useDocument } from '../../store/use-job.ts';
import { useSize } from '../table/use-size.ts';
import { whatToDraw } from '../table/what.ts';
import { sheetWords } from '../../words/words.ts';
import { likelyScene, SCENES } from './scenes.ts';
import { drawWarped } from './warp.ts';

/** What products stand on. */
const GROUND = '#a9a8a4';
/** Pixels of the proof for one of the screen where it lies flat. */
const FINE = 1.5;

/** The proof on what it is printed on, true to scale. */
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
  const size = useSize(box);
  const frame = useMemo(() => filmFrame(recipe), [recipe]);
  const { arrival, version } = usePictures(recipe);
  const extent = scene.extent(sheet);
  const scale = Math.min(size.width / extent.width, size.height / extent.height);
  const columns = Math.max(8, Math.min(frame.width, Math.round(sheet.width * scale * FINE)));
  const rows = Math.max(8, Math.round((columns * sheet.height) / sheet.width));
  const print = useMemo(() => {
    const made = window.document.createElement('canvas');
    made.width = columns;
    made.height = rows;
    return made;
  }, [columns, rows]);
  const paint = () => {
    const context = canvas.current?.getContext('2d');
    if (!context || scale === 0) return;
    const left = (size.width - extent.width * scale) / 2;
    const top = (size.height - extent.height * scale) / 2;
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.clearRect(0, 0, size.width, size.height);
    const onSheet = () => context.setTransform(scale, 0, 0, scale, left, top);
    onSheet();
    scene.under(context, sheet, labToHex(stock.lab));
    context.save();
    const shape = scene.shape?.(sheet);
    if (shape) context.clip(shape);
    const place = scene.place(sheet);
    context.setTransform(1, 0, 0, 1, 0, 0);
    drawWarped(context, print, (u, v) => {
      const { x, y } = place(u, v);
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
  const drawing: ViewRequest | undefined =
    scale > 0 && (arrival === 'some' || arrival === 'whole')
      ? {
          recipe,
          frame,
          view: {
            x: bleed,
            y: bleed,
            width: frame.width - 2 * bleed,
            height: frame.height - 2 * bleed,
            columns,
            rows,
          },
          what: whatToDraw({ recipe, ...rest }, 'proof', null, { look: { ...look, distance: 0 } }),
        }
      : undefined;
  /** The scene as it is seen, on the ground it stands on. */
  const save = () => {
    const seen = canvas.current;
    if (!seen) return;
    const out = window.document.createElement('canvas');
    [out.width, out.height] = [seen.width, seen.height];
    const context = out.getContext('2d');
    if (!context) return;
    context.fillStyle = GROUND;
    context.fillRect(0, 0, out.width, out.height);
    context.drawImage(seen, 0, 0);
    out.toBlob((blob) => {
      if (!blob) return;
      const href = URL.createObjectURL(blob);
      const download = `${plainName(`${rest.name} ${scene.name}`) || 'product'}.png`;
      Object.assign(window.document.createElement('a'), { href, download }).click();
      URL.revokeObjectURL(href);
    }, 'image/png');
  };
  const { sharpness } = useDrawing(drawing, version, arrival === 'whole', (rgba, wide, firstRow) => {
    print.getContext('2d')?.putImageData(new ImageData(rgba, wide), 0, firstRow);
    soon();
  });
  useEffect(soon);
  return (
    <div
      ref={box}
      className="absolute inset-0 z-[2]"
      style={{ background: GROUND }}
      onPointerDown={(event) => event.stopPropagation()}
      onWheel={(event) => event.stopPropagation()}
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
      <div className="absolute bottom-3 left-3.5 flex items-center gap-2">
        <Segmented
          label="What it is printed on"
          value={picked}
          options={SCENES.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={setPicked}
        />
        <Button className="!h-7" disabled={sharpness !== 'exact'} onClick={save}>
          Save picture
        </Button>
        <span className="figures rounded-sm bg-raised/80 px-1.5 py-0.5 text-soft">
          {sheetWords(sheet)}, true to scale
          {scene.tooLarge?.(sheet) ? ` · larger than the ${scene.name.toLowerCase()} takes` : ''}
        </span>
      </div>
    </div>
  );
}
