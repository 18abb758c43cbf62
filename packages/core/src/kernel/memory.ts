import { OutOfKernelMemory } from '../base/errors.ts';
import { startKernels } from './start.ts';

/**
 * The kernels' own memory. It never grows, so views of it stay valid; pages that are never touched cost nothing. Its
 * areas are used within one call only, but for the thresholds, which stay until others need the room.
 */
export const { kernels, slowBecause } = startKernels();

const MEGABYTE = 1 << 20;

/** The longest row of pixels a film can have here; sheets end at 5 m and 4800 dots per inch, which is less. */
const LONGEST_ROW = 1 << 20;

/** Between rows that are read together: a processor knows where few pages lie that are a power of two apart. */
const APART = 4096 + 64;

const ROW_BYTES = 2 * LONGEST_ROW + APART;
export const RING_BYTES = 16 * MEGABYTE;
/** Room for arrays that are uploaded: thresholds of a screen with cells of up to some 2 900 pixels each way, or of several smaller ones. */
export const UPLOAD_BYTES = 16 * MEGABYTE + 256;

let end = 1024;
function area(bytes: number): number {
  const start = end;
  end += (bytes + 63) & ~63;
  return start;
}

/** Rows of 16-bit pixels, for work on one row at a time. */
export const ROWS = {
  source: area(ROW_BYTES),
  upper: area(ROW_BYTES),
  lower: area(ROW_BYTES),
  out: area(ROW_BYTES),
};
/** Most rows that are mixed out of two and compared at once, so that their bits fit in one row of pixels, and four numbers for each. */
export const MIXED_ROWS = 12;
export const MIXED_LINES = area(16 * MIXED_ROWS);
/** Rows of four inks, one after another. */
export const SEPARATED = { out: area(4 * ROW_BYTES), stride: ROW_BYTES };
/** Plates whose sets are counted at once. */
export const COUNTED_PLATES = 4;
const COUNTED_SETS = 2 ** COUNTED_PLATES;
/** Most pixels of a row that are counted at once. */
export const COUNTED_PIXELS = 1 << 14;
/** Most rows of pixels in a block. */
export const COUNTED_ROWS = 31;
const SET_BYTES = COUNTED_ROWS * (COUNTED_PIXELS / 8) + 64;
/**
 * Bits that each set of plates has in common, those they share with further plates, the bits of those, counts of blocks by sets (a byte each),
 * weights of sets, and two times three rows of light that blocks come to.
 */
export const BLOCKS = {
  alone: area(COUNTED_SETS * SET_BYTES),
  shared: area(COUNTED_SETS * SET_BYTES),
  further: area(SET_BYTES),
  setBytes: SET_BYTES,
  counts: area(COUNTED_SETS * (COUNTED_PIXELS + 64)),
  countBytes: COUNTED_PIXELS + 64,
  weights: area(12 * COUNTED_SETS),
  light: area(2 * 3 * 4 * (COUNTED_PIXELS + 16)),
  lightBytes: 4 * (COUNTED_PIXELS + 16),
};
/** Pixels of a first picture that are mixed at once, and most plates: rows of their shares, colours of their sets, room to work in, and a channel's light. */
export const [TINT_PIXELS, TINT_PLATES] = [1 << 12, 4];
export const TINTS = {
  shares: area(TINT_PLATES * (4 * TINT_PIXELS + APART)),
  stride: 4 * TINT_PIXELS + APART,
  colours: area(4 * 2 ** TINT_PLATES),
  work: area(16 * 2 ** (TINT_PLATES - 1)),
  out: area(4 * TINT_PIXELS),
};
/** Most numbers of a row of light that is passed through a low-pass at once, rows and columns that it weighs, and screen pixels that it makes. */
export const LOW_PASS = { numbers: 1 << 16, taps: 128, pixels: 1 << 12 };
/** Rows of light with the addresses and weights of those that are weighed, their two sums, and weights of columns with where they begin. */
export const LIGHT = {
  rows: area(LOW_PASS.taps * (4 * LOW_PASS.numbers + APART)),
  rowBytes: 4 * LOW_PASS.numbers + APART,
  addresses: area(4 * LOW_PASS.taps),
  weights: area(8 * LOW_PASS.taps),
  sums: [area(4 * LOW_PASS.numbers + 512), area(4 * LOW_PASS.numbers + 512)] as const,
  starts: area(4 * LOW_PASS.pixels),
  columnWeights: area(8 * LOW_PASS.taps * LOW_PASS.pixels),
  out: area(4 * LOW_PASS.pixels + 64),
};
/** Most numbers of a row of light that is brought within its range at once, and rows that each of them depends on. */
export const RANGE_NUMBERS = 1 << 14;
export const RANGE_ROWS = 5;
const RANGE_ROW_BYTES = 4 * RANGE_NUMBERS + APART;
const rangeRows = (): number => area(RANGE_ROWS * RANGE_ROW_BYTES);
/**
 * As many rows each of light, of what lies above and below its range, of room for these and of their share of it; sums around, sums of columns, and the
 * addresses of rows that are summed.
 */
export const RANGE = {
  rowBytes: RANGE_ROW_BYTES,
  within: rangeRows(),
  above: { over: rangeRows(), room: rangeRows(), share: rangeRows() },
  below: { over: rangeRows(), room: rangeRows(), share: rangeRows() },
  sums: area(RANGE_ROW_BYTES),
  down: area(RANGE_ROW_BYTES),
  addresses: area(4 * RANGE_ROWS),
};
/** Rows that a filter passes over, with the addresses of its taps. */
export const FILTER = {
  addresses: area(4096),
  row: area(ROW_BYTES),
  ring: area(RING_BYTES),
};
/** Pixels that its row has room for. */
export const FILTER_PIXELS = ROW_BYTES / 2;
/** Sums of the pixels of a few rows, column by column. */
export const CELLS = area(4 * LONGEST_ROW + 64);
/** Most pixels of a row that is looked up at once. */
export const LOOKED_UP = 1 << 16;
/** Segments of a row that is looked up, seven numbers each; those at its ends may reach beyond it. */
export const SEGMENTS = area(28 * (LOOKED_UP + 64));
/** Numbers that places in cells are found by, and room to work in. */
export const PLACE_NUMBERS = area(512);
/** Points each way that a cell is looked at, at most. */
const CELL_POINTS = 304;
const CELL_NUMBERS = CELL_POINTS ** 2;
/** Tones of a cell, those of an even one, the least and the largest; room to trace outlines in, their points, and what is told of them. */
export const CELL = {
  tones: area(4 * CELL_NUMBERS + 64),
  evenTones: area(4 * CELL_NUMBERS + 64),
  range: area(64),
  room: area(144 * CELL_NUMBERS + 64 * CELL_POINTS + 256),
  points: area(32 * CELL_NUMBERS + 64),
  told: area(32 + 2 * CELL_NUMBERS),
  mostNumbers: 4 * CELL_NUMBERS,
  mostLoops: CELL_NUMBERS / 2,
};
/** Errors that a row of diffusion takes and gives, with room at both sides, the pixels made above, and a row of noise. */
export const DIFFUSION = {
  errors: [area(4 * LONGEST_ROW + 128), area(4 * LONGEST_ROW + 128), area(4 * LONGEST_ROW + 64)] as const,
  made: area(LONGEST_ROW + 64),
  noise: area(ROW_BYTES),
};
/** Rows of bits, the row above them, what they are coded as, the columns where two rows change colour, and the codes of runs. */
export const STRIP = {
  data: area(4 * MEGABYTE + 64),
  above: area(LONGEST_ROW / 8 + 64),
  out: area(8 * MEGABYTE),
  changes: [area(4 * LONGEST_ROW + 128), area(4 * LONGEST_ROW + 128)] as const,
  codes: [area(1024), area(1024)] as const,
};
/** Most bytes of bits, and of their code, that are coded at once. */
export const STRIP_BYTES = { data: 4 * MEGABYTE, out: 8 * MEGABYTE };
/** A plane that is lent for work, and room that kernels may write to beyond it; see `withWorkPlane`. */
export const WORK_PLANE = { address: area(16 * MEGABYTE), bytes: 16 * MEGABYTE - 64 };
const UPLOADS = area(UPLOAD_BYTES);
/** Bits of plates that are lent for work, side by side; `bytes` is what each has room for. See `withWorkBits`. */
export const WORK_BITS = { address: area(COUNTED_PLATES * MEGABYTE), stride: MEGABYTE, bytes: MEGABYTE - 64 };

const { buffer } = kernels.memory;
if (end > buffer.byteLength) throw new Error('The kernels’ memory is smaller than its areas.');

/** Bands of rows have the rest; see `bandPlane`. */
export const BANDS = end;
export const BANDS_BYTES = buffer.byteLength - end;

/** A view of 16-bit pixels in the kernels' memory. */
export const pixelsAt = (address: number, count: number): Uint16Array =>
  new Uint16Array(buffer, address, count);
export const bytesAt = (address: number, count: number): Uint8Array => new Uint8Array(buffer, address, count);
export const wholesAt = (address: number, count: number): Int32Array =>
  new Int32Array(buffer, address, count);
/** A view of 32-bit numbers. */
export const lightAt = (address: number, count: number): Float32Array =>
  new Float32Array(buffer, address, count);
export const realsAt = (address: number, count: number): Float64Array =>
  new Float64Array(buffer, address, count);

/** Where an array lies in the kernels' memory, or undefined when it lies elsewhere. */
export const addressOf = (array: Uint16Array | Uint8Array): number | undefined =>
  array.buffer === buffer ? array.byteOffset : undefined;

type Uploaded = Uint16Array | Int32Array | Float32Array;

const uploads = new Map<Uploaded, number>();
let uploadsEnd = UPLOADS;

/** Whether an array is small enough for `uploadOnce`. */
export const canUpload = ({ byteLength }: Uploaded): boolean => byteLength <= UPLOAD_BYTES - 64;

/**
 * Copies an array that is used again and again into the kernels' memory, once. The address holds until another array is uploaded, which
 * may need the room.
 *
 * @throws OutOfKernelMemory when the array is larger than all the room for such; see `canUpload`
 */
export function uploadOnce(array: Uploaded): number {
  const found = uploads.get(array);
  if (found !== undefined) return found;
  if (!canUpload(array)) throw new OutOfKernelMemory(array.byteLength, UPLOAD_BYTES - 64);
  const bytes = (array.byteLength + 63) & ~63;
  if (uploadsEnd + bytes > UPLOADS + UPLOAD_BYTES) {
    uploads.clear();
    uploadsEnd = UPLOADS;
  }
  const address = uploadsEnd;
  bytesAt(address, array.byteLength).set(new Uint8Array(array.buffer, array.byteOffset, array.byteLength));
  uploads.set(array, address);
  uploadsEnd += bytes;
  return address;
}
