import { boundsOf } from '../../controls/bounds.ts';
import { inverse, mapPoint, sheetToBox, type Gradient, present } from '@brachytone/core';
import { useRef, type PointerEvent } from 'react';
import { useAppSelector } from '../../store/store.ts';
import { useEditOriginal, useOriginal } from '../../store/use-original.ts';
import type { Lie } from './geometry.ts';
import { Overlay } from './overlay.tsx';
import { useHeights } from './place-handles.tsx';

type Handle = { readonly kind: 'from' | 'to' | 'width' } | { readonly kind: 'point'; readonly at: number };

/** The gradient that is worked on: the original's own, its letters', or that of its open fade. */
function useShownGradient() {
  const original = useOriginal();
  const open = useAppSelector((state) => state.view.step);
  const change = useEditOriginal();
  const heightOf = useHeights();
  if (!original?.shown) return undefined;
  const { content, fade, placement } = original;
  const height = heightOf(original);
  if (height === undefined) return undefined;
  const box = { original, height, ratio: height / placement.width };
  if (open === 'fade' && fade?.by === 'gradient') {
    const set = (part: Partial<Gradient>, gesture: string) =>
      change('Fade', (draft) => void Object.assign(present(draft.fade, 'fade').gradient, part), gesture);
    return { ...box, gradient: fade.gradient, set };
  }
  if (content.kind === 'gradient') {
    const set = (part: Partial<Gradient>, gesture: string) =>
      change('Gradient', (draft) => void Object.assign(draft.content, part), gesture);
    return { ...box, gradient: content, set };
  }
  if (content.kind === 'lettering' && content.fill === 'gradient') {
    const set = (part: Partial<Gradient>, gesture: string) =>
      change(
        'Gradient',
        (draft) => void Object.assign((draft.content as { gradient: Gradient }).gradient, part),
        gesture,
      );
    return { ...box, gradient: content.gradient, set };
  }
  return undefined;
}

/** A gradient's places on the picture, to be dragged. */
export function GradientHandles({ lie, ratio }: { lie: Lie; ratio: number }) {
  const shown = useShownGradient();
  const svg = useRef<SVGSVGElement>(null);
  const drag = useRef<{ handle: Handle; gesture: string }>(undefined);
  if (!shown) return null;
  const { original, gradient, height, set } = shown;
  const { width } = original.placement;
  const toBox = sheetToBox(original, height);
  const toSheet = inverse(toBox);
  const scale = lie.scale / ratio;
  const onTable = ({ x, y }: { x: number; y: number }) => {
    const mm = mapPoint(toSheet, x, y);
    return { x: mm.x * scale, y: mm.y * scale };
  };
  // Lengths are measured in mm, since shares of width and height differ.
  const along = {
    x: (gradient.to.x - gradient.from.x) * width,
    y: (gradient.to.y - gradient.from.y) * height,
  };
  const side = {
    x: gradient.from.x - (along.y * gradient.width) / width,
    y: gradient.from.y + (along.x * gradient.width) / height,
  };
  const begin = (handle: Handle) => (event: PointerEvent) => {
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = { handle, gesture: `gradient-${Date.now()}` };
  };
  const move = (event: PointerEvent) => {
    if (!drag.current) return;
    event.stopPropagation();
    const bounds = boundsOf(svg);
    const share = mapPoint(
      toBox,
      (event.clientX - bounds.left) / scale,
      (event.clientY - bounds.top) / scale,
    );
    const at = { x: Math.round(share.x * 1e4) / 1e4, y: Math.round(share.y * 1e4) / 1e4 };
    const { handle, gesture } = drag.current;
    if (handle.kind === 'point') {
      set({ points: gradient.points.map((one, i) => (i === handle.at ? { ...one, ...at } : one)) }, gesture);
    } else if (handle.kind === 'width') {
      const length = Math.hypot(along.x, along.y);
      const off = Math.hypot((at.x - gradient.from.x) * width, (at.y - gradient.from.y) * height);
      set(
        { width: Math.min(50, Math.max(0.02, Math.round((off / Math.max(1e-6, length)) * 1000) / 1000)) },
        gesture,
      );
    } else {
      set({ [handle.kind]: at }, gesture);
    }
  };
  const dot = (place: { x: number; y: number }, handle: Handle, name: string) => {
    const { x, y } = onTable(place);
    return (
      <circle
        key={name}
        role="button"
        aria-label={name}
        cx={x}
        cy={y}
        r="7"
        fill="#fff"
        stroke="#2f8fc4"
        strokeWidth="2"
        style={{ pointerEvents: 'all', cursor: 'grab' }}
        onPointerDown={begin(handle)}
      >
        <title>{name}</title>
      </circle>
    );
  };
  const [from, to, across] = [gradient.from, gradient.to, side].map(onTable);
  return (
    <Overlay
      svg={svg}
      lie={lie}
      ratio={ratio}
      label="Gradient"
      onMove={move}
      onEnd={() => (drag.current = undefined)}
    >
      {gradient.shape === 'points' ? (
        gradient.points.map((point, at) =>
          dot(point, { kind: 'point', at }, `Point ${at + 1}, ${point.tone} %`),
        )
      ) : (
        <>
          <line x1={from.x} y1={from.y} x2={to.x} y2={to.y} stroke="#2f8fc4" strokeWidth="2" />
          {gradient.shape === 'elliptical' && (
            <line
              x1={from.x}
              y1={from.y}
              x2={across.x}
              y2={across.y}
              stroke="#2f8fc4"
              strokeWidth="1.5"
              strokeDasharray="4 3"
            />
          )}
          {dot(gradient.from, { kind: 'from' }, 'First stop')}
          {dot(gradient.to, { kind: 'to' }, 'Last stop')}
          {gradient.shape === 'elliptical' && dot(side, { kind: 'width' }, 'Width of the ellipse')}
        </>
      )}
    </Overlay>
  );
}
