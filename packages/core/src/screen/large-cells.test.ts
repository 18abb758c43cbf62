import { bytesAt, canUpload, UPLOAD_BYTES, uploadOnce, WORK_BITS } from '../kernel/memory.ts';
import { OutOfKernelMemory } from '../base/errors.ts';
import { createPlane, percentToCoverage, SOLID } from '../raster/plane.ts';
import { brickColumn } from './brick.ts';
import { screenPlane } from './screen-plane.ts';
import { canScreenRows } from './screen-rows.ts';
import { bitAt } from '../raster/bits.ts';
import { findSupercell } from './supercell.ts';
import { round } from './spot/round.ts';
import { buildThresholds } from './thresholds.ts';

it('an array that does not fit into the room for uploads is refused, and touches nothing', () => {
  const beyond = bytesAt(WORK_BITS.address, 4096).fill(0x77);
  const array = new Uint16Array(UPLOAD_BYTES / 2 + 1).fill(0xffff);
  expect(canUpload(array)).toBe(false);
  expect(() => uploadOnce(array)).toThrow(OutOfKernelMemory);
  expect(beyond.every((byte) => byte === 0x77)).toBe(true);
});

it('thresholds too many for the kernels’ memory are compared with all the same', () => {
  // A cell of 1 lpi at 3 001 dpi, turned so that its brick is a single row.
  const brick = { width: 3001 * 3001, height: 1, shift: 123457 };
  const stride = brick.width + 8;
  const data = new Uint16Array(stride);
  for (let i = 0; i < stride; i++) data[i] = Math.imul(i % brick.width, 40503) & 0xffff;
  const thresholds = { brick, run: brick.width, stride, data };
  expect(canScreenRows(thresholds)).toBe(false);
  const coverage = createPlane(5003, 40, percentToCoverage(37));
  // The third row runs over the brick's end.
  const [x, y] = [brick.width - 2 * brick.shift - 1000, 1];
  const bits = screenPlane(coverage, x, y, thresholds);
  let wrong = 0;
  for (let row = 0; row < coverage.height; row++) {
    const first = brickColumn(brick, x, y + row);
    for (let column = 0; column < coverage.width; column++) {
      const bar = data[(first + column) % brick.width];
      if (bitAt(bits, column, row) !== Number(coverage.data[column] > bar)) wrong++;
    }
  }
  expect(wrong).toBe(0);
});

describe('a cell of 1 lpi at 1200 dpi', () => {
  const supercell = findSupercell(1, 15, 1200);
  const { data, brick, stride } = buildThresholds(supercell, round);
  const thresholds = (visit: (threshold: number, x: number, y: number) => void): void => {
    for (let y = 0; y < brick.height; y++)
      for (let x = 0; x < brick.width; x++) visit(data[y * stride + x], x, y);
  };
  it('inks just the share of its pixels that is asked for', () => {
    const counts = new Uint32Array(SOLID + 1);
    thresholds((threshold) => counts[threshold]++);
    let inked = 0;
    for (let coverage = 1; coverage <= SOLID; coverage++) {
      inked += counts[coverage - 1];
      if (coverage % 97 === 0) expect(inked).toBe(Math.round((coverage / SOLID) * supercell.pixels));
    }
  });
  it('inks a pixel when the circle through it has the area that is asked for: π r²', () => {
    const { m, n, ax, ay, pixels } = supercell;
    const [p, q] = [m * ax + n * ay, n * ax - m * ay];
    let most = 0;
    thresholds((threshold, x, y) => {
      const u = (((((x + 0.5) * p - (y + 0.5) * q) / pixels) % 1) + 1.5) % 1;
      const v = (((((x + 0.5) * q + (y + 0.5) * p) / pixels) % 1) + 1.5) % 1;
      const square = Math.min(u, 1 - u) ** 2 + Math.min(v, 1 - v) ** 2;
      if (square < 0.25) most = Math.max(most, Math.abs(threshold / SOLID - Math.PI * square));
    });
    expect(most).toBeLessThan(0.0005);
  });
});
