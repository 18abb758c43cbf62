import { bytesAt, canUpload, UPLOAD_BYTES, uploadOnce, WORK_BITS } from '../kernel/memory.ts';
import { OutOfKernelMemory } from '../base/errors.ts';
import { createPlane, percentToCoverage } from '../raster/plane.ts';
import { brickColumn } from './brick.ts';
import { screenPlane } from './screen-plane.ts';
import { canScreenRows } from './screen-rows.ts';
import { bitAt } from '../raster/bits.ts';

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
