import { boundsOf } from '../../controls/bounds.ts';
import { latticeOf, MM_PER_INCH, turnOf } from '@brachytone/core';
import { LIMITS } from '@brachytone/job';
import { useRef, type PointerEvent } from 'react';
import { edit } from '../../store/job-slice.ts';
import { useAppDispatch } from '../../store/store.ts';
import { useDocument } from '../../store/use-job.ts';
import { useScreenPlate } from '../docket/screens-stage.tsx';
import type { Lie } from './geometry.ts';
import { Overlay } from './overlay.tsx';

/** Length of the arm at rest, CSS pixels. */
const ARM = 110;
const RULING = { least: 1, most: 300 };

type Drag = { readonly kind: 'lattice'; readonly cells: number } | { readonly kind: 'centre' };

/** The screen's own lattice on the picture: an arm along its direction, so many cells long, to turn it and stretch it by. */
export function LatticeHandle({ lie, ratio }: { lie: Lie; ratio: number }) {
  const dispatch = useAppDispatch();
  const { recipe } = useDocument();
  const index = useScreenPlate();
  const { screen } = recipe.plates[index];
  const svg = useRef<SVGSVGElement>(null);
  const drag = useRef<(Drag & { gesture: string }) | undefined>(undefined);
  const lattice = latticeOf(screen);
  if (!lattice) return null;
  const { path, x = 0, y = 0 } = screen.settings as { path?: string; x?: number; y?: number };
  const centred = path === 'arc' || path === 'spiral';
  const scale = lie.scale / ratio;
  const pitch = (MM_PER_INCH / lattice.ruling) * scale;
  const cells = drag.current?.kind === 'lattice' ? drag.current.cells : Math.max(1, Math.round(ARM / pitch));
  const middle = {
    x: (recipe.sheet.width / 2 + (centred ? x : 0)) * scale,
    y: (recipe.sheet.height / 2 + (centred ? y : 0)) * scale,
  };
  const { cos, sin } = turnOf(lattice.angle);
  const knob = { x: middle.x + cells * pitch * cos, y: middle.y - cells * pitch * sin };
  const begin = (what: Drag) => (event: PointerEvent) => {
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = { ...what, gesture: `lattice-${Date.now()}` };
  };
  const move = (event: PointerEvent) => {
    const now = drag.current;
    if (!now) return;
    event.stopPropagation();
    const bounds = boundsOf(svg);
    const [px, py] = [event.clientX - bounds.left, event.clientY - bounds.top];
    const set = (label: string, change: Record<string, number>) =>
      dispatch(
        edit(
          label,
          (draft) => void Object.assign(draft.recipe.plates[index].screen.settings, change),
          now.gesture,
        ),
      );
    if (now.kind === 'centre') {
      set('Centre of the screen', {
        x: Number((px / scale - recipe.sheet.width / 2).toFixed(1)),
        y: Number((py / scale - recipe.sheet.height / 2).toFixed(1)),
      });
      return;
    }
    const [dx, dy] = [px - middle.x, middle.y - py];
    const length = Math.hypot(dx, dy) / scale;
    if (length === 0) return;
    const turned = (Math.atan2(dy, dx) * 180) / Math.PI;
    // With Shift the angle keeps to steps of 7.5°.
    const angle = event.shiftKey ? Math.round(turned / 7.5) * 7.5 : Math.round(turned * 10) / 10;
    const ruling = (now.cells * MM_PER_INCH) / length;
    set('Ruling and angle', {
      angle: Math.min(LIMITS.angle.most, Math.max(LIMITS.angle.least, angle)),
      ruling: Math.min(RULING.most, Math.max(RULING.least, Number(ruling.toFixed(ruling < 20 ? 2 : 1)))),
    });
  };
  const end = () => (drag.current = undefined);
  const ticks = pitch >= 5 ? Array.from({ length: cells - 1 }, (_, i) => i + 1) : [];
  return (
    <Overlay lie={lie} ratio={ratio} label="Lattice of the screen" svg={svg} onMove={move} onEnd={end}>
      <g stroke="#fff" strokeWidth={3.5} opacity={0.85}>
        <line x1={middle.x} y1={middle.y} x2={knob.x} y2={knob.y} />
      </g>
      <g stroke="var(--color-guide)" strokeWidth={1.5}>
        <line x1={middle.x} y1={middle.y} x2={knob.x} y2={knob.y} />
        {ticks.map((tick) => {
          const at = { x: middle.x + tick * pitch * cos, y: middle.y - tick * pitch * sin };
          return (
            <line
              key={tick}
              x1={at.x - 4 * sin}
              y1={at.y - 4 * cos}
              x2={at.x + 4 * sin}
              y2={at.y + 4 * cos}
            />
          );
        })}
      </g>
      <circle
        cx={middle.x}
        cy={middle.y}
        r={centred ? 7 : 3.5}
        fill="#fff"
        stroke="var(--color-guide)"
        strokeWidth={2}
        aria-label={centred ? 'Centre of the screen' : undefined}
        style={{ pointerEvents: centred ? 'auto' : 'none', cursor: 'move' }}
        onPointerDown={begin({ kind: 'centre' })}
      />
      <circle
        cx={knob.x}
        cy={knob.y}
        r={7}
        fill="#fff"
        stroke="var(--color-guide)"
        strokeWidth={2}
        aria-label="Turn and stretch the screen"
        style={{ pointerEvents: 'auto', cursor: 'grab' }}
        onPointerDown={begin({ kind: 'lattice', cells })}
      >
        <title>Drag to turn the angle and stretch the ruling; Shift keeps to steps of 7.5°</title>
      </circle>
    </Overlay>
  );
}
