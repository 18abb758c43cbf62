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
  beginStrip(
    first: number,
    second: number,
    before: number,
    stride: number,
    width: number,
    rest: number,
  ): void;
  stripRest(): number;
  encodeRows(
    data: number,
    stride: number,
    width: number,
    height: number,
    white: number,
    black: number,
    out: number,
  ): number;
  moveBehind(bytes: number, count: number, before: number, out: number): void;
  endStrip(rest: number, out: number): number;
  packRow(made: number, width: number, out: number): void;
  addPixels(row: number, sums: number, count: number): void;
  cellMeans(sums: number, shift: number, out: number, count: number): void;
  bothBits(a: number, b: number, out: number, bytes: number): void;
  countBlocks(bits: number, stride: number, rows: number, shift: number, out: number, count: number): void;
  sumBits(from: number, count: number): number;
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
  mixSets(
    shares: number,
    stride: number,
    plates: number,
    colours: number,
    work: number,
    out: number,
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
  partRow(
    row: number,
    least: number,
    most: number,
    worth: number,
    within: number,
    above: number,
    below: number,
    count: number,
  ): number;
  roomOfRow(row: number, origin: number, scale: number, kept: number, room: number, count: number): void;
  sumAround(rows: number, down: number, out: number, count: number): void;
  divideRows(row: number, by: number, least: number, out: number, count: number): void;
  addProducts(a: number, b: number, weight: number, to: number, count: number): void;
  readCell(
    plane: number,
    width: number,
    x: number,
    y: number,
    xx: number,
    xy: number,
    yx: number,
    yy: number,
    side: number,
    table: number,
    out: number,
    range: number,
  ): number;
  traceCell(
    tones: number,
    thresholds: number,
    side: number,
    shift: number,
    strays: number,
    room: number,
    out: number,
    told: number,
  ): number;
}
