/** The loops of `assembly/`, which says what each does. Addresses are bytes in `memory`. */
export interface Kernels {
  readonly memory: { readonly buffer: ArrayBuffer };
  compareRow(
    coverage: number,
    thresholds: number,
    run: number,
    brick: number,
    column: number,
    width: number,
    out: number,
  ): void;
  mixRows(upper: number, lower: number, weight: number, out: number, count: number): void;
  mixAndCompare(
    upper: number,
    lower: number,
    rows: number,
    lines: number,
    run: number,
    brick: number,
    width: number,
  ): void;
  stretchNear(row: number, bases: number, masks: number, weights: number, out: number, count: number): void;
  stretchRow(row: number, offsets: number, weights: number, out: number, count: number): void;
  weighDown(addresses: number, weights: number, taps: number, out: number, count: number): void;
  weighAlong(row: number, weights: number, taps: number, out: number, count: number): void;
  leastOf(addresses: number, taps: number, out: number, count: number): void;
  mostOf(addresses: number, taps: number, out: number, count: number): void;
  sharpenRow(row: number, soft: number, gain: number, least: number, out: number, count: number): void;
  recoverRow(row: number, around: number, dark: number, light: number, out: number, count: number): void;
  grainRow(row: number, columns: number, y: number, share: number, out: number, count: number): void;
  lookUpRow(
    coverage: number,
    table: number,
    segments: number,
    skip: number,
    width: number,
    out: number,
  ): void;
  greyRow(
    pixels: number,
    channels: number,
    red: number,
    green: number,
    blue: number,
    table: number,
    out: number,
    count: number,
  ): void;
  throughTable(row: number, table: number, out: number, count: number): void;
  placeRow(
    kind: number,
    numbers: number,
    x: number,
    y: number,
    step: number,
    count: number,
    out: number,
  ): void;
  diffuseRow(
    coverage: number,
    here: number,
    next: number,
    after: number,
    made: number,
    noise: number,
    modulation: number,
    feedback: number,
    kernel: number,
    way: number,
    width: number,
  ): void;
  separateRow(
    red: number,
    green: number,
    blue: number,
    table: number,
    size: number,
    out: number,
    stride: number,
    count: number,
  ): void;
  separateBytes(
    pixels: number,
    channels: number,
    tone: number,
    table: number,
    size: number,
    out: number,
    stride: number,
    count: number,
  ): void;
  beginStrip(first: number, second: number, width: number): void;
  stripRest(): number;
  rowAbove(): number;
  resumeStrip(first: number, second: number, rest: number): void;
  encodeRows(
    data: number,
    stride: number,
    width: number,
    height: number,
    white: number,
    black: number,
    out: number,
  ): number;
  endStrip(out: number): number;
  packRow(made: number, width: number, out: number): void;
  addPixels(row: number, sums: number, count: number): void;
  cellMeans(sums: number, shift: number, out: number, count: number): void;
  bothBits(a: number, b: number, out: number, bytes: number): void;
  countBlocks(bits: number, stride: number, rows: number, shift: number, out: number, count: number): void;
  sumBytes(from: number, count: number): number;
  addLight(
    counts: number,
    stride: number,
    sets: number,
    weights: number,
    out: number,
    outStride: number,
    count: number,
  ): void;
  weighRows(rows: number, weights: number, taps: number, a: number, b: number, count: number): void;
  weighColumns(
    a: number,
    b: number,
    starts: number,
    weights: number,
    taps: number,
    out: number,
    count: number,
  ): void;
  addScaled(from: number, weight: number, to: number, count: number): void;
}
