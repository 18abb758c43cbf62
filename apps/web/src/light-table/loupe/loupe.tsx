import { filmFrame, filmLayout, latticeOf, MM_PER_INCH, mmToPixels, type View } from '@brachytone/core';
import { useMemo, useRef } from 'react';
import type { ViewRequest } from '../../engine/drafts.ts';
import { useDrawing } from '../../engine/use-drawing.ts';
import type { Arrival } from '../../engine/use-pictures.ts';
import { ASSUMED_PPI } from '../../store/screen-size.ts';
import { useAppSelector } from '../../store/store.ts';
import { useDocument } from '../../store/use-job.ts';
import { usePointer } from '../rack/pointer.ts';
import { useTones } from '../rack/readout.tsx';
import { whatToDraw } from '../table/what.ts';
import { lengthWords } from '../../words/words.ts';

/** Diameter of the glass in CSS pixels. */
const GLASS = 208;

/** A length for the scale: the longest of 1, 2, 5 … that takes at most half the glass. */
function scaleLength(pixelsPerMm: number): number {
  const lengths = [5, 2, 1, 0.5, 0.2, 0.1, 0.05, 0.02, 0.01];
  return lengths.find((mm) => mm * pixelsPerMm <= GLASS * 0.5) ?? 0.01;
}

/** A round glass over the table at the power of a real loupe: ×8 shows print eight times its size. */
export function Loupe({ arrival, version }: { arrival: Arrival; version: number }) {
  const document = useDocument();
  const view = useAppSelector((state) => state.view);
  const pointer = usePointer();
  const tones = useTones();
  const canvas = useRef<HTMLCanvasElement>(null);
  const ratio = window.devicePixelRatio || 1;
  const { recipe } = document;
  const isFilm = view.table === 'film';
  const frame = useMemo(() => (isFilm ? filmLayout(recipe).grid : filmFrame(recipe)), [recipe, isFilm]);
  const pixels = Math.round(GLASS * ratio);
  // Device pixels of the screen for one of the film; whole numbers once it is enlarged, so that every bit is as large.
  const asked = (((view.screenPpi ?? ASSUMED_PPI) * ratio) / frame.resolution) * view.loupe.power;
  const enlargement = asked > 1 ? Math.max(1, Math.round(asked)) : asked;
  const across = pixels / enlargement;
  const centre = pointer && {
    x: mmToPixels(pointer.mm.x + frame.bleed, frame),
    y: mmToPixels(pointer.mm.y + frame.bleed, frame),
  };
  const inside =
    centre && centre.x >= 0 && centre.y >= 0 && centre.x <= frame.width && centre.y <= frame.height;
  const region: View | undefined = inside
    ? {
        x: Math.round(centre.x - across / 2),
        y: Math.round(centre.y - across / 2),
        width: across,
        height: across,
        columns: pixels,
        rows: pixels,
      }
    : undefined;
  const drawing: ViewRequest | undefined =
    region && arrival !== 'none' && arrival !== 'failed'
      ? {
          recipe,
          frame,
          view: region,
          what: whatToDraw(document, isFilm ? 'film' : 'proof', view.plate, {
            look: { ...view.look, distance: 0 },
            wholeFilm: isFilm,
          }),
        }
      : undefined;
  useDrawing(drawing, version, arrival === 'whole', (rgba, columns, firstRow) => {
    canvas.current?.getContext('2d')?.putImageData(new ImageData(rgba, columns), 0, firstRow);
  });
  if (!pointer || !inside) return null;
  const plate = recipe.plates.find(({ id }) => id === view.plate) ?? recipe.plates[0];
  const tone = tones?.[recipe.plates.indexOf(plate)];
  const perMm = (enlargement * frame.resolution) / MM_PER_INCH / ratio;
  const bar = scaleLength(perMm);
  const lattice = latticeOf(plate.screen);
  const dot = tone && lattice?.size(tone.film / 100);
  const left = Math.max(0, pointer.table.x + 18);
  const top = Math.max(0, pointer.table.y - GLASS - 18);
  return (
    <div role="img" aria-label="Loupe" className="pointer-events-none absolute z-10" style={{ left, top }}>
      <div className="overflow-hidden rounded-full border-[5px] border-raised bg-bench outline-2 outline-ink">
        <canvas
          ref={canvas}
          data-testid="loupe-canvas"
          width={pixels}
          height={pixels}
          style={{ width: GLASS, height: GLASS, display: 'block' }}
        />
      </div>
      <div className="figures absolute top-full left-1/2 mt-1 flex -translate-x-1/2 items-center gap-3 rounded-sm bg-ink px-2 py-1 whitespace-nowrap text-raised">
        <span>×{view.loupe.power}</span>
        <span className="flex items-center gap-1.5">
          <span className="h-1.5 border-x border-b border-raised" style={{ width: bar * perMm }} />
          {lengthWords(bar)}
        </span>
        {dot !== undefined && (
          <span>
            {lattice?.mark} {lengthWords(dot)}
          </span>
        )}
      </div>
    </div>
  );
}
