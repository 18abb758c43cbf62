import { boundsOf } from '../../controls/bounds.ts';
import { boxCorners, placedHeight, type OriginalRecipe, type Placement } from '@brachytone/core';
import { LIMITS } from '@brachytone/job';
import { useRef, useState, type PointerEvent } from 'react';
import { useFiles } from '../../store/use-files.ts';
import { useDocument } from '../../store/use-job.ts';
import { useEditOriginal, useOriginal } from '../../store/use-original.ts';
import type { Lie } from './geometry.ts';
import { Overlay } from './overlay.tsx';
import { catches, pullCorner, snap, turnTo, type Box } from './place-moves.ts';

/** Within so many CSS pixels a moved box catches on edges and middles. */
const REACH = 6;
const NAMES = ['left top', 'right top', 'right bottom', 'left bottom'];

interface Drag {
  readonly kind: 'move' | 'turn' | number;
  readonly gesture: string;
  readonly placement: Placement;
  readonly from: { x: number; y: number };
}

/** Height in mm of an original's box, when its file is known. */
export function useHeights(): (original: OriginalRecipe) => number | undefined {
  const files = useFiles();
  return (original) => {
    const { content } = original;
    const file = content.kind === 'picture' ? files.get(content.picture) : undefined;
    return content.kind === 'picture' && !file ? undefined : placedHeight(original, file);
  };
}

/** The original that is worked on, to be moved, scaled and turned on the table, in the blue that never prints. */
export function PlaceHandles({ lie, ratio }: { lie: Lie; ratio: number }) {
  const { recipe } = useDocument();
  const original = useOriginal();
  const heightOf = useHeights();
  const change = useEditOriginal();
  const svg = useRef<SVGSVGElement>(null);
  const drag = useRef<Drag>(undefined);
  const [lines, setLines] = useState<{ x?: number; y?: number }>({});
  const height = original && heightOf(original);
  if (!original || height === undefined || !original.shown) return null;
  const { placement, locked } = original;
  const scale = lie.scale / ratio;
  const corners = boxCorners(original, height);
  const middle = { x: placement.x + placement.width / 2, y: placement.y + height / 2 };
  // Below, where neither the measures nor the bars are in its way.
  const foot = { x: (corners[2].x + corners[3].x) / 2, y: (corners[2].y + corners[3].y) / 2 };
  const away = Math.hypot(foot.x - middle.x, foot.y - middle.y);
  const handle = {
    x: foot.x + ((foot.x - middle.x) / away) * (22 / scale),
    y: foot.y + ((foot.y - middle.y) / away) * (22 / scale),
  };
  const mmAt = (event: PointerEvent) => {
    const bounds = boundsOf(svg);
    return { x: (event.clientX - bounds.left) / scale, y: (event.clientY - bounds.top) / scale };
  };
  const begin = (kind: Drag['kind']) => (event: PointerEvent) => {
    if (event.button !== 0) return;
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = { kind, gesture: `place-${Date.now()}`, placement, from: mmAt(event) };
  };
  const others = (): Box[] =>
    recipe.originals.flatMap((one) => {
      const high = heightOf(one);
      return one.id === original.id || !one.shown || high === undefined || one.placement.turn !== 0
        ? []
        : [{ ...one.placement, height: high }];
    });
  const move = (event: PointerEvent) => {
    const start = drag.current;
    if (!start) return;
    event.stopPropagation();
    const at = mmAt(event);
    const set = (next: Placement) =>
      change('Place', (draft) => void Object.assign(draft.placement, next), start.gesture);
    if (start.kind === 'turn') {
      set({ ...start.placement, turn: turnTo(at, middle, event.altKey) });
    } else if (start.kind === 'move') {
      const box = {
        x: start.placement.x + at.x - start.from.x,
        y: start.placement.y + at.y - start.from.y,
        width: placement.width,
        height,
      };
      const caught = event.altKey
        ? { ...box, lines: {} }
        : snap(box, catches(recipe.sheet, others()), REACH / scale);
      setLines(caught.lines);
      set({ ...start.placement, x: caught.x, y: caught.y });
    } else {
      const before = { ...original, placement: start.placement };
      const high = (height * start.placement.width) / placement.width;
      const was = boxCorners(before, high);
      const held = was[(start.kind + 2) % 4];
      set(pullCorner(start.placement, high, held, was[start.kind], at, LIMITS.placed.least));
    }
  };
  const end = () => {
    drag.current = undefined;
    setLines({});
  };
  const px = ({ x, y }: { x: number; y: number }) => `${x * scale},${y * scale}`;
  return (
    <Overlay svg={svg} lie={lie} ratio={ratio} label={`Place of ${original.name}`} onMove={move} onEnd={end}>
      <g stroke="#2f8fc4" fill="none" strokeWidth="1.5">
        {lines.x !== undefined && (
          <line
            x1={lines.x * scale}
            x2={lines.x * scale}
            y1={-2000}
            y2={4000}
            strokeWidth="1"
            strokeDasharray="4 3"
          />
        )}
        {lines.y !== undefined && (
          <line
            y1={lines.y * scale}
            y2={lines.y * scale}
            x1={-2000}
            x2={4000}
            strokeWidth="1"
            strokeDasharray="4 3"
          />
        )}
        <polygon
          points={corners.map(px).join(' ')}
          strokeDasharray={locked ? '3 3' : undefined}
          style={locked ? {} : { pointerEvents: 'all', cursor: 'move' }}
          onPointerDown={begin('move')}
        />
        {!locked && (
          <>
            <line x1={foot.x * scale} y1={foot.y * scale} x2={handle.x * scale} y2={handle.y * scale} />
            <circle
              role="button"
              aria-label="Turn"
              cx={handle.x * scale}
              cy={handle.y * scale}
              r="6"
              fill="#fff"
              style={{ pointerEvents: 'all', cursor: 'grab' }}
              onPointerDown={begin('turn')}
            >
              <title>Drag to turn; catches every 15°, with Alt freely</title>
            </circle>
            {corners.map((corner, i) => (
              <rect
                key={NAMES[i]}
                role="button"
                aria-label={`${NAMES[i]} corner`}
                x={corner.x * scale - 5}
                y={corner.y * scale - 5}
                width="10"
                height="10"
                fill="#fff"
                style={{
                  pointerEvents: 'all',
                  cursor: (i + (placement.mirrored ? 1 : 0)) % 2 ? 'nesw-resize' : 'nwse-resize',
                }}
                onPointerDown={begin(i)}
              />
            ))}
          </>
        )}
      </g>
    </Overlay>
  );
}
