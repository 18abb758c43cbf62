import type { Blocks } from './blocks.ts';
import type { Columns, LightRows } from './light-rows.ts';
import type { View, ViewRows } from './plates-view.ts';
import { lowPassed } from './reconstruct.ts';
import { ROWS_AROUND } from './within-range.ts';

/** Rows at either end of what was made last that a next part of a view, above or below, has in common with it. */
const KEPT = 2 * ROWS_AROUND;

/** Rows of screen pixels through the low-pass. Those that the next part of a view asks for again are kept. */
export class PassedRows {
  /** Rows of each plane. */
  private kept = new Map<number, readonly Float32Array[]>();

  /** @param count planes that rows of blocks have: channels of one kind of colours after those of another */
  constructor(
    private readonly rows: LightRows,
    private readonly view: View,
    private readonly blocks: Blocks,
    private readonly columns: Columns,
    private readonly count: number,
  ) {}

  /** Planes of some rows. Rows of blocks behind them must have been made. */
  planes(shown: ViewRows): readonly Float32Array[] {
    const { kept, view, count } = this;
    const end = shown.first + shown.count;
    let from = shown.first;
    while (from < end && kept.has(from)) from++;
    let to = end;
    while (to > from && kept.has(to - 1)) to--;
    const missing = { first: from, count: to - from };
    const made = lowPassed(this.rows, view, missing, this.blocks, this.columns, count);
    const width = view.columns;
    const planes = made.map((plane, k) => {
      if (missing.count === shown.count) return plane;
      const all = new Float32Array(width * shown.count);
      all.set(plane, width * (from - shown.first));
      for (let y = shown.first; y < end; y++) {
        const row = y < from || y >= to ? kept.get(y) : undefined;
        if (row) all.set(row[k], width * (y - shown.first));
      }
      return all;
    });
    this.kept = new Map();
    for (let y = shown.first; y < end; y++) {
      if (y >= shown.first + KEPT && y < end - KEPT) continue;
      const at = width * (y - shown.first);
      this.kept.set(
        y,
        planes.map((plane) => plane.slice(at, at + width)),
      );
    }
    return planes;
  }
}
