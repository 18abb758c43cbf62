import { quickLab } from '../../colour/lab.ts';
import { hexToLinear, srgbToLinear } from '../../colour/srgb.ts';
import { fullSample, type Picture } from '../../raster/picture.ts';
import type { CutOut } from '../../recipe/cut-out.ts';
import { keepConnected } from './patches.ts';

type LabAt = (pixel: number, out: Float64Array) => void;

/** Reads pixels as Lab. */
function labReader(picture: Picture): LabAt {
  const { data, channels } = picture;
  const full = fullSample(picture);
  const linear = Float32Array.from({ length: full + 1 }, (_, i) => srgbToLinear(i / full));
  if (channels < 3)
    return (pixel, out) => {
      const light = linear[data[pixel * channels]];
      quickLab(light, light, light, out);
    };
  return (pixel, out) => {
    const at = pixel * channels;
    quickLab(linear[data[at]], linear[data[at + 1]], linear[data[at + 2]], out);
  };
}

/** 1 for every pixel that a cut-out takes away, before specks and brush. */
export function findCut(picture: Picture, cut: Omit<CutOut, 'strokes'>): Uint8Array {
  const { width, height } = picture;
  const found = new Uint8Array(width * height);
  const labAt = labReader(picture);
  const lab = new Float64Array(3);
  switch (cut.by) {
    case 'hand':
      return found;
    case 'brightness':
      for (let i = 0; i < found.length; i++) {
        labAt(i, lab);
        if (lab[0] >= cut.from && lab[0] <= cut.to) found[i] = 1;
      }
      return found;
    case 'colour': {
      const wanted = new Float64Array(3);
      quickLab(...hexToLinear(cut.colour), wanted);
      const most = cut.tolerance * cut.tolerance;
      for (let i = 0; i < found.length; i++) {
        labAt(i, lab);
        const [l, a, b] = [lab[0] - wanted[0], lab[1] - wanted[1], lab[2] - wanted[2]];
        if (l * l + a * a + b * b <= most) found[i] = 1;
      }
      if (cut.connected) {
        const x = Math.min(width - 1, Math.max(0, Math.floor(cut.place.x * width)));
        const y = Math.min(height - 1, Math.max(0, Math.floor(cut.place.y * height)));
        keepConnected(found, width, height, y * width + x);
      }
      return found;
    }
    case 'edges':
      fromEdges(found, width, height, labAt, cut.tolerance);
      return found;
  }
}

/** A new pixel moves the colour that the background is taken for by this share of the difference. */
const FOLLOW = 1 / 8;

/**
 * Goes inwards from the picture's edges, from neighbour to neighbour, as long as the colour is near enough to what the
 * background has been on the way; so it follows a background that changes slowly and stops at a contour.
 */
function fromEdges(found: Uint8Array, width: number, height: number, labAt: LabAt, tolerance: number): void {
  const queue = new Int32Array(found.length);
  const background = new Int16Array(found.length * 3);
  const lab = new Float64Array(3);
  let end = 0;
  const start = (pixel: number) => {
    if (found[pixel]) return;
    found[pixel] = 1;
    labAt(pixel, lab);
    for (let k = 0; k < 3; k++) background[pixel * 3 + k] = lab[k] * 100;
    queue[end++] = pixel;
  };
  for (let x = 0; x < width; x++) {
    start(x);
    start((height - 1) * width + x);
  }
  for (let y = 0; y < height; y++) {
    start(y * width);
    start(y * width + width - 1);
  }
  const most = tolerance * tolerance;
  const visit = (pixel: number, from: number) => {
    if (found[pixel]) return;
    labAt(pixel, lab);
    let square = 0;
    for (let k = 0; k < 3; k++) square += (lab[k] - background[from * 3 + k] / 100) ** 2;
    if (square > most) return;
    found[pixel] = 1;
    for (let k = 0; k < 3; k++) {
      const before = background[from * 3 + k];
      background[pixel * 3 + k] = before + (lab[k] * 100 - before) * FOLLOW;
    }
    queue[end++] = pixel;
  };
  for (let at = 0; at < end; at++) {
    const pixel = queue[at];
    const x = pixel % width;
    if (x > 0) visit(pixel - 1, pixel);
    if (x < width - 1) visit(pixel + 1, pixel);
    if (pixel >= width) visit(pixel - width, pixel);
    if (pixel < found.length - width) visit(pixel + width, pixel);
  }
}
