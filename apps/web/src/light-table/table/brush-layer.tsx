import { boundsOf } from '../../controls/bounds.ts';
import {
  after,
  boxToPicture,
  inverse,
  mapPoint,
  MM_PER_INCH,
  packedPoints,
  pointsOf,
  scaled,
  thinned,
  sheetToBox,
  type Affine,
  type OriginalRecipe,
  type Stroke,
  type StrokePoint,
  present,
} from '@brachytone/core';
import { MOST_POINTS } from '@brachytone/job';
import { useRef, useState, type PointerEvent } from 'react';
import { useAppSelector } from '../../store/store.ts';
import { useBrush } from '../../store/use-brush.ts';
import { useFiles } from '../../store/use-files.ts';
import { useDocument } from '../../store/use-job.ts';
import { useEditOriginal, useOriginal } from '../../store/use-original.ts';
import type { Lie } from './geometry.ts';
import { Overlay } from './overlay.tsx';
import { useHeights } from './place-handles.tsx';

/** A stroke takes a new point after so much of the brush's radius. */
const SPACING = 0.2;

/** From the sheet (mm) to an original's picture, in shares of the picture's width. */
export function useSheetToPicture(original: OriginalRecipe | undefined): Affine | undefined {
  const heightOf = useHeights();
  const files = useFiles();
  if (!original) return undefined;
  const height = heightOf(original);
  if (height === undefined) return undefined;
  const { content, placement } = original;
  const toBox = sheetToBox(original, height);
  if (content.kind !== 'picture') return after(toBox, scaled(1, height / placement.width));
  const file = present(files.get(content.picture), 'picture under the brush');
  return after(after(toBox, boxToPicture(content.crop, file)), scaled(1 / file.width));
}

interface BrushProps {
  lie: Lie;
  ratio: number;
  /** From the sheet (mm) to shares of the width that strokes are measured in. */
  toShares: Affine;
  strokes: readonly Stroke[];
  /** A new stroke, or the last one longer; changes with the same gesture belong together. */
  onStroke: (stroke: Stroke, isNew: boolean, gesture: string) => void;
}

/** Takes strokes of the brush on the table, and shows the one that is picked. */
export function BrushLayer({ lie, ratio, toShares, strokes, onStroke }: BrushProps) {
  const picked = useAppSelector((state) => state.view.stroke);
  const brush = useBrush();
  const { sheet } = useDocument().recipe;
  const svg = useRef<SVGSVGElement>(null);
  const drawing = useRef<{ gesture: string; points: StrokePoint[] }>(undefined);
  const [pointer, setPointer] = useState<{ x: number; y: number }>();
  const scale = lie.scale / ratio;
  const toSheet = inverse(toShares);
  /** Millimetres of the width that shares are of. */
  const wide = Math.hypot(toSheet.xx, toSheet.yx);
  const radius = brush.radius / wide;
  const place = (event: PointerEvent) => {
    const bounds = boundsOf(svg);
    return { x: event.clientX - bounds.left, y: event.clientY - bounds.top };
  };
  const pointOf = (event: PointerEvent): StrokePoint => {
    const { x, y } = place(event);
    const share = mapPoint(toShares, x / scale, y / scale);
    const pressure = event.pointerType === 'pen' ? Math.max(0.05, event.pressure) : 1;
    return [share.x, share.y, pressure];
  };
  const drawn = (points: readonly StrokePoint[]): Stroke => ({
    points: packedPoints(points),
    radius,
    strength: brush.strength,
    softness: brush.softness,
  });
  const keep = () => {
    const { gesture, points } = present(drawing.current, 'stroke');
    onStroke(drawn(points), points.length === 1, gesture);
  };
  /** What is drawn is kept with as few places as paint the same film. */
  const end = () => {
    const { current } = drawing;
    drawing.current = undefined;
    if (!current || current.points.length < 3) return;
    const halfPixel = MM_PER_INCH / sheet.resolution / 2 / wide;
    onStroke(thinned(drawn(current.points), halfPixel), false, current.gesture);
  };
  const begin = (event: PointerEvent) => {
    if (event.button !== 0) return;
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    drawing.current = { gesture: `stroke-${Date.now()}`, points: [pointOf(event)] };
    keep();
  };
  const move = (event: PointerEvent) => {
    setPointer(place(event));
    if (!drawing.current) return;
    event.stopPropagation();
    const { points } = drawing.current;
    const next = pointOf(event);
    const last = points[points.length - 1];
    if (points.length >= MOST_POINTS || Math.hypot(next[0] - last[0], next[1] - last[1]) < radius * SPACING)
      return;
    points.push(next);
    keep();
  };
  const shown = picked === null ? undefined : strokes[picked];
  return (
    <Overlay
      svg={svg}
      lie={lie}
      ratio={ratio}
      role="application"
      label="Brush"
      className="cursor-none touch-none"
      onDown={begin}
      onMove={move}
      onEnd={end}
      onLeave={() => setPointer(undefined)}
    >
      <rect width="100%" height="100%" fill="transparent" />
      {shown && (
        <polyline
          points={pointsOf(shown)
            .map(([x, y]) => mapPoint(toSheet, x, y))
            .map(({ x, y }) => `${x * scale},${y * scale}`)
            .join(' ')}
          fill="none"
          stroke="#2f8fc4"
          strokeWidth={Math.max(2, shown.radius * wide * scale * 2)}
          strokeOpacity="0.35"
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      )}
      {pointer && (
        <>
          <circle
            cx={pointer.x}
            cy={pointer.y}
            r={brush.radius * scale}
            fill="none"
            stroke="#fff"
            strokeWidth="3"
            strokeOpacity="0.6"
          />
          <circle
            cx={pointer.x}
            cy={pointer.y}
            r={brush.radius * scale}
            fill="none"
            stroke="#2f8fc4"
            strokeWidth="1.5"
          />
        </>
      )}
    </Overlay>
  );
}

/** Adds a stroke to a list that is being changed, or makes the last one longer. */
export function putStroke(strokes: unknown, stroke: Stroke, isNew: boolean): void {
  const list = strokes as Stroke[];
  if (isNew) list.push(stroke);
  else list[list.length - 1] = stroke;
}

/** The brush of the open tone step. */
export function ToneBrush({ lie, ratio }: { lie: Lie; ratio: number }) {
  const original = useOriginal();
  const open = useAppSelector((state) => state.view.step);
  const change = useEditOriginal();
  const toShares = useSheetToPicture(original);
  const at = original?.tone.steps.findIndex(({ id }) => id === open) ?? -1;
  const step = original?.tone.steps[at];
  if (!step || step.kind !== 'brush' || !toShares) return null;
  return (
    <BrushLayer
      lie={lie}
      ratio={ratio}
      toShares={toShares}
      strokes={step.settings.strokes as readonly Stroke[]}
      onStroke={(stroke, isNew, gesture) =>
        change(
          'Brush stroke',
          (draft) => putStroke(draft.tone.steps[at].settings.strokes, stroke, isNew),
          gesture,
        )
      }
    />
  );
}
