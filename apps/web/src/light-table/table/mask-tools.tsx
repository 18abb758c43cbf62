import { mapPoint, present, type MaskPart, type PlateMask } from '@brachytone/core';
import { MOST_CORNERS } from '@brachytone/job';
import { useEffect, useRef, useState, type PointerEvent } from 'react';
import { boundsOf } from '../../controls/bounds.ts';
import { inWorker } from '../../engine/engine.ts';
import { edit } from '../../store/job-slice.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useDocument } from '../../store/use-job.ts';
import { useFiles } from '../../store/use-files.ts';
import { useOriginal } from '../../store/use-original.ts';
import { pickMaskPart } from '../../store/view-slice.ts';
import { NO_MASK } from '../docket/inks/mask-group.tsx';
import { useSheetToPicture } from './brush-layer.tsx';
import type { Lie } from './geometry.ts';
import { Overlay } from './overlay.tsx';

interface Point {
  readonly x: number;
  readonly y: number;
}

/** A lasso takes a new corner after so many CSS pixels; a polygon is closed by a click so near to its first corner. */
const SPACING = 3;
const NEAR = 9;
/** How far a colour that is picked reaches at first, CIE 1976. */
const TOLERANCE = 14;

/** Draws areas of the open plate's mask, picks its colours, and shows where its areas lie. */
export function MaskTools({ lie, ratio, ink }: { lie: Lie; ratio: number; ink: string }) {
  const dispatch = useAppDispatch();
  const { recipe } = useDocument();
  const { tool, maskMode, maskPart, region } = useAppSelector((state) => state.view);
  const at = recipe.plates.findIndex((plate) => plate.ink === ink);
  const plate = recipe.plates[at];
  const open = region === null ? undefined : plate?.regions?.[region];
  const mask: PlateMask = { ...NO_MASK, ...(open ? { parts: open.parts } : plate?.mask) };
  const svg = useRef<SVGSVGElement>(null);
  const [drawn, setDrawn] = useState<readonly Point[]>([]);
  const dragging = useRef(false);
  const original = useOriginal();
  const toPicture = useSheetToPicture(original);
  const files = useFiles();
  const isDrawing = tool === 'lasso' || tool === 'polygon' || tool === 'box';
  useEffect(() => {
    setDrawn([]);
    if (tool !== 'polygon') return;
    const onKeyDown = (event: KeyboardEvent) => {
      if (event.key === 'Escape') setDrawn([]);
    };
    addEventListener('keydown', onKeyDown);
    return () => removeEventListener('keydown', onKeyDown);
  }, [tool]);
  if (!plate) return null;
  const scale = lie.scale / ratio;
  const put = (label: string, parts: readonly MaskPart[]) =>
    dispatch(
      edit(label, (draft) => {
        const own = draft.recipe.plates[at];
        if (open && region !== null) Object.assign(present(own.regions, 'regions')[region], { parts });
        else own.mask = { ...mask, parts } as never;
      }),
    );
  const add = (corners: readonly Point[]) => {
    setDrawn([]);
    const every = Math.ceil(corners.length / MOST_CORNERS);
    const kept = corners.filter((_, i) => i % every === 0);
    if (kept.length < 3) return;
    const mm = (value: number) => Math.round((value / scale) * 100) / 100;
    const outline = kept.flatMap(({ x, y }) => [mm(x) - plate.shift.x, mm(y) - plate.shift.y]);
    put('Mask area', [...mask.parts, { by: 'area', mode: maskMode, outline, feather: 0 }]);
    dispatch(pickMaskPart(mask.parts.length));
  };
  const placeOf = (event: PointerEvent): Point => {
    const bounds = boundsOf(svg);
    return { x: event.clientX - bounds.left, y: event.clientY - bounds.top };
  };
  const sample = (place: Point) => {
    if (!toPicture || original?.content.kind !== 'picture') return;
    const { picture } = original.content;
    const file = files.get(picture);
    if (!file) return;
    const share = mapPoint(toPicture, place.x / scale, place.y / scale);
    const where = { x: share.x, y: (share.y * file.width) / file.height };
    if (where.x < 0 || where.x > 1 || where.y < 0 || where.y > 1) return;
    void inWorker((worker) => worker.colourAt(picture, where)).then((colour) => {
      if (!colour) return;
      const picked = maskPart === null ? undefined : mask.parts[maskPart];
      if (
        maskPart !== null &&
        picked?.by === 'colour' &&
        picked.original === original.id &&
        picked.mode === maskMode
      ) {
        const colours = [...picked.colours, colour].slice(-24);
        put('Another colour of the mask', mask.parts.with(maskPart, { ...picked, colours }));
        return;
      }
      const part: MaskPart = {
        by: 'colour',
        mode: maskMode,
        original: original.id,
        colours: [colour],
        tolerance: TOLERANCE,
        softness: 4,
      };
      put('Mask by colour', [...mask.parts, part]);
      dispatch(pickMaskPart(mask.parts.length));
    });
  };
  const begin = (event: PointerEvent) => {
    if (event.button !== 0) return;
    event.stopPropagation();
    const place = placeOf(event);
    if (tool === 'sample') {
      sample(place);
      return;
    }
    if (tool === 'polygon') {
      const [first] = drawn;
      if (drawn.length > 2 && Math.hypot(first.x - place.x, first.y - place.y) < NEAR) add(drawn);
      else setDrawn([...drawn, place]);
      return;
    }
    event.currentTarget.setPointerCapture(event.pointerId);
    dragging.current = true;
    setDrawn([place]);
  };
  const move = (event: PointerEvent) => {
    if (!dragging.current) return;
    event.stopPropagation();
    const place = placeOf(event);
    if (tool === 'box') {
      const [{ x, y }] = drawn;
      setDrawn([{ x, y }, { x: place.x, y }, place, { x, y: place.y }]);
      return;
    }
    const last = drawn[drawn.length - 1];
    if (Math.hypot(last.x - place.x, last.y - place.y) >= SPACING) setDrawn([...drawn, place]);
  };
  const end = () => {
    if (!dragging.current) return;
    dragging.current = false;
    add(drawn);
  };
  const isActive = isDrawing || tool === 'sample';
  if (!isActive && maskPart === null) return null;
  const onTable = (outline: readonly number[]) =>
    outline.map((mm, n) => (mm + (n % 2 === 0 ? plate.shift.x : plate.shift.y)) * scale).join(' ');
  return (
    <Overlay
      svg={svg}
      lie={lie}
      ratio={ratio}
      {...(isActive ? { role: 'application' as const } : {})}
      label="Mask"
      className={isActive ? 'cursor-crosshair touch-none' : ''}
      onDown={begin}
      onMove={move}
      onEnd={end}
    >
      {isActive && <rect width="100%" height="100%" fill="transparent" />}
      {mask.parts.map((part, i) =>
        part.by === 'area' && (isDrawing || i === maskPart) ? (
          <polygon
            key={i}
            points={onTable(part.outline)}
            fill="none"
            stroke={part.mode === 'add' ? '#2f8fc4' : '#a81f3d'}
            strokeWidth={i === maskPart ? 2 : 1}
            strokeDasharray="5 4"
          />
        ) : null,
      )}
      {drawn.length > 0 && (
        <polyline
          points={drawn.map(({ x, y }) => `${x},${y}`).join(' ')}
          fill="#2f8fc4"
          fillOpacity="0.12"
          stroke="#2f8fc4"
          strokeWidth="2"
        />
      )}
      {tool === 'polygon' &&
        drawn.map(({ x, y }, i) => (
          <circle key={i} cx={x} cy={y} r={i === 0 ? 6 : 3} fill="#fff" stroke="#2f8fc4" strokeWidth="2" />
        ))}
    </Overlay>
  );
}
