import { clamp, turnOf, type Crop } from '@brachytone/core';
import { recrop } from '@brachytone/job';
import { useRef, type PointerEvent } from 'react';
import { useFiles } from '../../store/use-files.ts';
import { useDocument } from '../../store/use-job.ts';
import { useEditOriginal, useOriginal } from '../../store/use-original.ts';
import { moveCorner, turnedAbout } from './crop-moves.ts';
import type { Lie } from './geometry.ts';

const CORNERS = [
  { x: 0, y: 0, cursor: 'nwse-resize', name: 'Top left' },
  { x: 1, y: 0, cursor: 'nesw-resize', name: 'Top right' },
  { x: 0, y: 1, cursor: 'nesw-resize', name: 'Bottom left' },
  { x: 1, y: 1, cursor: 'nwse-resize', name: 'Bottom right' },
] as const;

/** The crop on the whole picture: outside in ruby, handles in the blue that never prints. */
export function CropHandles({ lie, ratio }: { lie: Lie; ratio: number }) {
  const { recipe } = useDocument();
  const original = useOriginal();
  const change = useEditOriginal();
  const files = useFiles();
  const drag = useRef<{
    crop: Crop;
    x: number;
    y: number;
    gesture: string;
    corner?: (typeof CORNERS)[number];
  }>(undefined);
  const data = original?.content.kind === 'picture' ? files.get(original.content.picture) : undefined;
  if (original?.content.kind !== 'picture' || !data) return null;
  const { crop } = original.content;
  const sheetShape = (recipe.sheet.width / recipe.sheet.height) * (data.height / data.width);
  const filled = Math.abs(crop.width / crop.height / sheetShape - 1) < 0.004;
  const turn = turnOf(crop.turn);
  const size = { width: lie.width / ratio, height: lie.height / ratio };
  const set = (next: Crop, gesture: string) =>
    change('Crop', (draft) => void Object.assign(draft, recrop(original, recipe.sheet, data, next)), gesture);
  const begin = (event: PointerEvent, corner?: (typeof CORNERS)[number]) => {
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = {
      crop,
      x: event.clientX,
      y: event.clientY,
      gesture: `crop-${Date.now()}`,
      ...(corner ? { corner } : {}),
    };
  };
  const move = (event: PointerEvent) => {
    const start = drag.current;
    if (!start) return;
    event.stopPropagation();
    const moved = { x: event.clientX - start.x, y: event.clientY - start.y };
    if (!start.corner) {
      const by = { x: moved.x / size.width, y: moved.y / size.height };
      const x = clamp(start.crop.x + by.x, 0, 1 - start.crop.width);
      const y = clamp(start.crop.y + by.y, 0, 1 - start.crop.height);
      set({ ...start.crop, x, y }, start.gesture);
      return;
    }
    const { corner } = start;
    // Along the crop's own sides, which may be turned.
    const by = {
      x: (moved.x * turn.cos - moved.y * turn.sin) / size.width,
      y: (moved.x * turn.sin + moved.y * turn.cos) / size.height,
    };
    const to = {
      x: start.crop.x + corner.x * start.crop.width + by.x,
      y: start.crop.y + corner.y * start.crop.height + by.y,
    };
    const next = moveCorner(start.crop, corner, to, filled && !event.shiftKey ? sheetShape : undefined);
    set(turnedAbout(start.crop, next, data, turn), start.gesture);
  };
  const end = () => (drag.current = undefined);
  const px = (share: number, length: number) => share * length;
  const box = {
    left: px(crop.x, size.width),
    top: px(crop.y, size.height),
    width: px(crop.width, size.width),
    height: px(crop.height, size.height),
  };
  const middle = { x: box.left + box.width / 2, y: box.top + box.height / 2 };
  const corners = [
    { x: -1, y: -1 },
    { x: 1, y: -1 },
    { x: 1, y: 1 },
    { x: -1, y: 1 },
  ].map(({ x, y }) => {
    const [u, v] = [(x * box.width) / 2, (y * box.height) / 2];
    return { x: middle.x + u * turn.cos + v * turn.sin, y: middle.y - u * turn.sin + v * turn.cos };
  });
  return (
    <div
      className="absolute overflow-visible"
      style={{ left: lie.left / ratio, top: lie.top / ratio, ...size }}
      onPointerMove={move}
      onPointerUp={end}
      onPointerCancel={end}
    >
      <svg className="absolute inset-0 size-full" aria-hidden="true">
        <path
          fill="#a81f3d"
          fillOpacity="0.42"
          fillRule="evenodd"
          d={`M0 0H${size.width}V${size.height}H0Z M${corners.map(({ x, y }) => `${x} ${y}`).join('L')}Z`}
        />
      </svg>
      <div
        role="group"
        aria-label="Crop"
        className="absolute cursor-move border-2 border-guide"
        style={{ ...box, transform: `rotate(${-crop.turn}deg)` }}
        onPointerDown={(event) => begin(event)}
      >
        {CORNERS.map((corner) => (
          <button
            key={corner.name}
            type="button"
            aria-label={`${corner.name} corner of the crop`}
            title="Drag; with Shift, freely"
            className="absolute size-3.5 -translate-1/2 rounded-full border-2 border-guide bg-white"
            style={{ left: `${corner.x * 100}%`, top: `${corner.y * 100}%`, cursor: corner.cursor }}
            onPointerDown={(event) => begin(event, corner)}
          />
        ))}
      </div>
    </div>
  );
}
