import { rounded } from '../base/numbers.ts';
import type { Gradient, GradientTone, Place } from './gradient.ts';

// Rounded, so that there and back is the same number again.
const placeAt = (x: number, y: number): Place => ({ x: rounded(x, 6), y: rounded(y, 6) });
const middleOf = (a: Place, b: Place): Place => placeAt((a.x + b.x) / 2, (a.y + b.y) / 2);
const mirroredAt = (centre: Place, place: Place): Place =>
  placeAt(2 * centre.x - place.x, 2 * centre.y - place.y);

/**
 * A gradient in another shape, with what it can keep. A circle or ellipse begins in the middle of the line and ends where that does; a line runs across
 * the circle; points stand where the stops did, and their tones become those of the stops.
 */
export function withShape(gradient: Gradient, shape: Gradient['shape']): Gradient {
  const { from, to, stops, points } = gradient;
  if (shape === gradient.shape) return gradient;
  if (shape === 'points') {
    // Those of before come back where nothing but the shape was changed since.
    const tones = (list: readonly GradientTone[]) =>
      list.map(({ tone, colour }) => `${tone} ${colour}`).join();
    if (tones(points) === tones(stops)) return { ...gradient, shape };
    return {
      ...gradient,
      shape,
      points: stops.map(({ at, middle: _, ...tone }) => ({
        x: from.x + at * (to.x - from.x),
        y: from.y + at * (to.y - from.y),
        ...tone,
      })),
    };
  }
  if (gradient.shape === 'points') {
    // Points lie anywhere; along a line they come in the order in which they were set.
    const last = Math.max(1, points.length - 1);
    const along = points.map(({ x: _x, y: _y, ...tone }, i) => ({ at: i / last, ...tone, middle: 0.5 }));
    return shape === 'linear' || along.length < 2
      ? { ...gradient, shape, stops: along.length < 2 ? stops : along }
      : { ...gradient, shape, stops: along, from: middleOf(from, to) };
  }
  if (gradient.shape === 'linear') return { ...gradient, shape, from: middleOf(from, to) };
  if (shape === 'linear') return { ...gradient, shape, from: mirroredAt(from, to) };
  return { ...gradient, shape };
}
