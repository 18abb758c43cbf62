import { filmLayout, seamsFit, stripsOf, usedSeams, type Panels, type Strip } from '@brachytone/core';
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { edit } from '../../store/job-slice.ts';
import { useAppDispatch } from '../../store/store.ts';
import { useDocument } from '../../store/use-job.ts';
import type { Lie } from './geometry.ts';
import { Overlay } from './overlay.tsx';

const GUIDE = '#1c638c';
/** Width of what can be taken hold of, CSS pixels. */
const HOLD = 12;
/** Least side of a part that is kept whole, mm. */
const LEAST = 5;

/** Seams of panels on the sheet, to be dragged, and the parts that they keep off. */
export function PanelLayer({ lie, ratio }: { lie: Lie; ratio: number }) {
  const svg = useRef<SVGSVGElement>(null);
  const { films, recipe } = useDocument();
  const { panels } = films;
  const dispatch = useAppDispatch();
  if (!panels) return null;
  const layout = filmLayout(recipe);
  const strips = stripsOf(panels, layout);
  if (!strips) return null;
  const scale = lie.scale / ratio;
  const put = (label: string, next: Partial<Panels>, gesture: string) =>
    dispatch(
      edit(label, (draft) => void Object.assign(draft.films, { panels: { ...panels, ...next } }), gesture),
    );
  const { trim, mm } = layout;
  /** mm of the film to CSS pixels from the trimmed sheet's corner. */
  const at = (film: number, edge: number) => (film - edge) * scale;
  const seamsOf = (way: 'across' | 'down', strip: Strip) =>
    usedSeams(strip, panels[way]).map((seam, i, all) => {
      const isAcross = way === 'across';
      const edge = isAcross ? trim.x : trim.y;
      const place = at(seam, edge);
      const [from, to] = isAcross
        ? [at(0, trim.y), at(mm.height, trim.y)]
        : [at(0, trim.x), at(mm.width, trim.x)];
      const half = (panels.overlap / 2) * scale;
      const line = (offset: number) =>
        isAcross
          ? { x1: place + offset, x2: place + offset, y1: from, y2: to }
          : { y1: place + offset, y2: place + offset, x1: from, x2: to };
      const moveTo = (next: number, gesture: string) => {
        const moved = all.map((one, k) => (k === i ? Number(next.toFixed(2)) : one));
        if (seamsFit(strip, moved)) put('Seam', { [way]: moved }, gesture);
      };
      return (
        <g key={`${way}${i}`} data-testid={`seam-${way}-${i}`}>
          <line {...line(-half)} stroke={GUIDE} strokeWidth="0.75" strokeDasharray="3 4" />
          <line {...line(half)} stroke={GUIDE} strokeWidth="0.75" strokeDasharray="3 4" />
          <line {...line(0)} stroke={GUIDE} strokeWidth="1.5" />
          <Hold
            label={`Seam ${i + 1} ${way}`}
            cursor={isAcross ? 'ew-resize' : 'ns-resize'}
            box={
              isAcross
                ? { x: place - HOLD / 2, y: from, width: HOLD, height: to - from }
                : { x: from, y: place - HOLD / 2, width: to - from, height: HOLD }
            }
            onMove={(by, gesture, start) => moveTo(start + (isAcross ? by.x : by.y) / scale, gesture)}
            begin={seam}
          />
        </g>
      );
    });
  return (
    <Overlay lie={lie} ratio={ratio} label="Panels" svg={svg}>
      {panels.whole.map((box, i) => {
        const change = (next: Partial<typeof box>, gesture: string) =>
          put(
            'Kept whole',
            { whole: panels.whole.map((one, k) => (k === i ? { ...one, ...next } : one)) },
            gesture,
          );
        const [x, y, width, height] = [box.x, box.y, box.width, box.height].map((one) => one * scale);
        return (
          <g key={`whole${i}`}>
            <rect x={x} y={y} width={width} height={height} fill="#2f8fc422" stroke={GUIDE} strokeWidth="1" />
            <Hold
              label={`Part ${i + 1} that stays whole`}
              cursor="move"
              box={{ x, y, width, height }}
              begin={box}
              onMove={(by, gesture, start) =>
                change({ x: start.x + by.x / scale, y: start.y + by.y / scale }, gesture)
              }
            />
            <rect x={x + width - 4} y={y + height - 4} width={8} height={8} fill="#fff" stroke={GUIDE} />
            <Hold
              label={`Size of part ${i + 1}`}
              cursor="nwse-resize"
              box={{ x: x + width - HOLD / 2, y: y + height - HOLD / 2, width: HOLD, height: HOLD }}
              begin={box}
              onMove={(by, gesture, start) =>
                change(
                  {
                    width: Math.max(LEAST, start.width + by.x / scale),
                    height: Math.max(LEAST, start.height + by.y / scale),
                  },
                  gesture,
                )
              }
            />
          </g>
        );
      })}
      {seamsOf('across', strips.across)}
      {seamsOf('down', strips.down)}
    </Overlay>
  );
}

let gestures = 0;

/** A part of the overlay that can be dragged, or moved by the arrow keys. */
function Hold<Begin>({
  label,
  cursor,
  box,
  begin,
  onMove,
}: {
  label: string;
  cursor: string;
  box: { x: number; y: number; width: number; height: number };
  begin: Begin;
  /** @param by CSS pixels since `start`, which is what it began with */
  onMove: (by: { x: number; y: number }, gesture: string, start: Begin) => void;
}) {
  const drag = useRef<{ x: number; y: number; start: Begin; gesture: string } | undefined>(undefined);
  const down = (event: PointerEvent<SVGRectElement>) => {
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = { x: event.clientX, y: event.clientY, start: begin, gesture: `panels-${(gestures += 1)}` };
  };
  const move = (event: PointerEvent<SVGRectElement>) => {
    const held = drag.current;
    if (!held) return;
    event.stopPropagation();
    onMove({ x: event.clientX - held.x, y: event.clientY - held.y }, held.gesture, held.start);
  };
  const key = (event: KeyboardEvent<SVGRectElement>) => {
    const step = event.shiftKey ? 10 : 1;
    const ways: Record<string, [number, number]> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, -step],
      ArrowDown: [0, step],
    };
    const way = ways[event.key];
    if (!way) return;
    event.preventDefault();
    event.stopPropagation();
    onMove({ x: way[0], y: way[1] }, `panels-${(gestures += 1)}`, begin);
  };
  return (
    <rect
      {...box}
      role="button"
      tabIndex={0}
      aria-label={label}
      fill="transparent"
      style={{ cursor, pointerEvents: 'all' }}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={() => (drag.current = undefined)}
      onPointerCancel={() => (drag.current = undefined)}
      onKeyDown={key}
    />
  );
}
