import { filmFrame, MM_PER_INCH, type OfferedMend, type View } from '@brachytone/core';
import { useRef } from 'react';
import { useDrawing } from '../../engine/use-drawing.ts';
import { useAppSelector } from '../../store/store.ts';
import { useDocument } from '../../store/use-job.ts';
import type { BoxSize } from './use-size.ts';
import type { Lie } from './geometry.ts';
import { whatToDraw } from './what.ts';

/** The same part of the sheet as it is and with a mend, side by side over the middle of the table. */
export function TryLayer({
  mend,
  lie,
  size,
  version,
  whole,
}: {
  mend: OfferedMend;
  lie: Lie;
  size: BoxSize;
  version: number;
  whole: boolean;
}) {
  const document = useDocument();
  const { ratio } = size;
  const wide = Math.floor(Math.min(size.width * 0.42, 380 * ratio));
  const high = Math.floor(Math.min(size.height * 0.62, 420 * ratio));
  // The middle of the table, as far as the sheet goes.
  const middle = { x: (size.width / 2 - lie.left) / lie.scale, y: (size.height / 2 - lie.top) / lie.scale };
  const panes = [
    { name: 'Now', recipe: document.recipe },
    { name: mend.label, recipe: mend.recipe },
  ];
  return (
    <div
      role="group"
      aria-label="Before and after"
      className="absolute z-[2] flex gap-1 rounded-sm border border-ink bg-raised p-1 shadow-[0_2px_10px_rgb(0_0_0/0.35)]"
      style={{
        left: (size.width / 2 - wide) / ratio - 6,
        top: (size.height - high) / 2 / ratio - 12,
      }}
      onPointerDown={(event) => event.stopPropagation()}
    >
      {panes.map(({ name, recipe }) => (
        <Pane
          key={name}
          name={name}
          document={{ ...document, recipe }}
          columns={wide}
          rows={high}
          middle={middle}
          scale={lie.scale}
          ratio={ratio}
          version={version}
          whole={whole}
        />
      ))}
    </div>
  );
}

function Pane({
  name,
  document,
  columns,
  rows,
  middle,
  scale,
  ratio,
  version,
  whole,
}: {
  name: string;
  document: ReturnType<typeof useDocument>;
  columns: number;
  rows: number;
  middle: { x: number; y: number };
  scale: number;
  ratio: number;
  version: number;
  whole: boolean;
}) {
  const { table, plate, look } = useAppSelector((state) => state.view);
  const canvas = useRef<HTMLCanvasElement>(null);
  const { recipe } = document;
  const frame = filmFrame(recipe);
  const step = frame.resolution / MM_PER_INCH / scale;
  const view: View = {
    x: Math.round(((middle.x + frame.bleed) * frame.resolution) / MM_PER_INCH - (columns * step) / 2),
    y: Math.round(((middle.y + frame.bleed) * frame.resolution) / MM_PER_INCH - (rows * step) / 2),
    width: columns * step,
    height: rows * step,
    columns,
    rows,
  };
  useDrawing(
    { recipe, frame, view, what: whatToDraw(document, table === 'film' ? 'film' : 'proof', plate, { look }) },
    version,
    whole,
    (rgba, across, firstRow) =>
      canvas.current?.getContext('2d')?.putImageData(new ImageData(rgba, across), 0, firstRow),
  );
  return (
    <figure>
      <canvas
        ref={canvas}
        width={columns}
        height={rows}
        className="block bg-white"
        style={{ width: columns / ratio, height: rows / ratio }}
      />
      <figcaption className="figures truncate pt-1 text-center" style={{ width: columns / ratio }}>
        {name}
      </figcaption>
    </figure>
  );
}
