import {
  bitAt,
  createPlane,
  findSupercell,
  buildThresholds,
  percentToCoverage,
  screenPlane,
  type Spot,
} from '@brachytone/core';
import { useEffect, useRef, useState } from 'react';

const SIDE = 40;
/** Cells across the button. */
const CELLS = 2.4;

/** A dot shape drawn by the engine itself at 30 % tone. */
export function SpotButton({
  spot,
  angle,
  pressed,
  onPick,
}: {
  spot: Spot;
  angle: number;
  pressed: boolean;
  onPick: () => void;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const pixels = SIDE * 2;
  // The table comes first: while the angle is being turned, the buttons follow once it rests.
  const [settled, setSettled] = useState(angle);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(angle), 400);
    return () => clearTimeout(timer);
  }, [angle]);
  useEffect(() => {
    const context = canvas.current!.getContext('2d')!;
    const thresholds = buildThresholds(findSupercell(CELLS, settled, pixels), spot);
    const bits = screenPlane(createPlane(pixels, pixels, percentToCoverage(30)), 0, 0, thresholds);
    const image = context.createImageData(pixels, pixels);
    for (let y = 0; y < pixels; y++) {
      for (let x = 0; x < pixels; x++) {
        const at = (y * pixels + x) * 4;
        image.data.set([31, 29, 26, bitAt(bits, x, y) ? 255 : 0], at);
      }
    }
    context.putImageData(image, 0, 0);
  }, [spot, settled, pixels]);
  return (
    <button
      type="button"
      role="radio"
      aria-checked={pressed}
      aria-label={spot.name}
      title={spot.name}
      onClick={onPick}
      className={`rounded-sm border bg-white p-1 ${pressed ? 'border-ink outline-1 outline-ink' : 'border-edge hover:border-soft'}`}
    >
      <canvas
        ref={canvas}
        width={pixels}
        height={pixels}
        style={{ width: SIDE, height: SIDE, display: 'block' }}
      />
    </button>
  );
}
