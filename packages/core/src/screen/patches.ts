import type { Bits } from '../raster/bits.ts';

/**
 * Turns over every patch of one value that has fewer pixels than `area`. Inked patches are connected by their sides; bare
 * ones too.
 */
export function dropPatches(bits: Bits, value: 0 | 1, area: number): void {
  if (area <= 1) return;
  const runs = runsOf(bits, value);
  const { parent, sizes } = joined(runs, bits.height);
  const root = (i: number): number => {
    while (parent[i] !== i) i = parent[i];
    return i;
  };
  for (let y = 0; y < bits.height; y++) {
    for (let i = runs.rows[y]; i < runs.rows[y + 1]; i++) {
      if (sizes[root(i)] >= area) continue;
      for (let x = runs.starts[i]; x < runs.ends[i]; x++)
        bits.data[y * bits.stride + (x >> 3)] ^= 0x80 >> (x & 7);
    }
  }
}

interface Runs {
  readonly starts: number[];
  readonly ends: number[];
  /** First run of each row, and one past the last. */
  readonly rows: number[];
}

/** Runs of pixels of a value, row by row. */
function runsOf({ width, height, stride, data }: Bits, value: 0 | 1): Runs {
  const starts: number[] = [];
  const ends: number[] = [];
  const rows: number[] = [0];
  const none = value ? 0x00 : 0xff;
  for (let y = 0; y < height; y++) {
    let from = -1;
    for (let x = 0; x < width;) {
      const byte = data[y * stride + (x >> 3)];
      // Eight at a time where they are all alike.
      if ((x & 7) === 0 && x + 8 <= width && (from < 0 ? byte === none : byte === (none ^ 0xff))) {
        x += 8;
        continue;
      }
      const here = (byte >> (7 - (x & 7))) & 1;
      if (here === value && from < 0) from = x;
      else if (here !== value && from >= 0) {
        starts.push(from);
        ends.push(x);
        from = -1;
      }
      x++;
    }
    if (from >= 0) {
      starts.push(from);
      ends.push(width);
    }
    rows.push(starts.length);
  }
  return { starts, ends, rows };
}

/** Joins runs that touch those of the row above; the size of a patch stands at its root. */
function joined({ starts, ends, rows }: Runs, height: number) {
  const parent = Int32Array.from({ length: starts.length }, (_, i) => i);
  const sizes = Float64Array.from(starts, (start, i) => ends[i] - start);
  const root = (i: number): number => {
    while (parent[i] !== i) i = parent[i] = parent[parent[i]];
    return i;
  };
  for (let y = 1; y < height; y++) {
    let above = rows[y - 1];
    for (let i = rows[y]; i < rows[y + 1]; i++) {
      while (above < rows[y] && ends[above] <= starts[i]) above++;
      for (let k = above; k < rows[y] && starts[k] < ends[i]; k++) {
        const [a, b] = [root(i), root(k)];
        if (a === b) continue;
        parent[a] = b;
        sizes[b] += sizes[a];
      }
    }
  }
  return { parent, sizes };
}
