import type { Plane } from './plane.ts';

/** Most planes, and pixels of them, that wait to be used again. */
const MOST = 64;
const MOST_PIXELS = 24e6;

const waiting: Uint16Array<ArrayBuffer>[] = [];
let pixels = 0;

/** A plane to be written over as a whole: what is in it is left from before. Recycled memory is used again, for allocation is expensive. */
export function scratchPlane(width: number, height: number): Plane {
  const count = width * height;
  const at = waiting.findIndex(({ length }) => length >= count && length <= 2 * count);
  if (at < 0) return { width, height, data: new Uint16Array(count) };
  const [found] = waiting.splice(at, 1);
  pixels -= found.length;
  return { width, height, data: new Uint16Array(found.buffer, 0, count) };
}

/** Gives a plane's memory back; nobody may hold on to it. */
export function recycle({ data }: Plane): void {
  const { buffer } = data;
  if (!(buffer instanceof ArrayBuffer) || data.byteOffset !== 0) return;
  const whole = new Uint16Array(buffer, 0, buffer.byteLength >> 1);
  if (waiting.length >= MOST || pixels + whole.length > MOST_PIXELS) return;
  waiting.push(whole);
  pixels += whole.length;
}
