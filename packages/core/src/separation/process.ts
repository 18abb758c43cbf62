import { clamp } from '../base/numbers.ts';
import { anyAmounts, invert, type Bounds } from '../ink/invert.ts';
import type { InkModel } from '../ink/model.ts';
import type { Lab } from '../colour/lab.ts';
import { cache } from '../base/cache.ts';
import { makeGrid, readGrid, type Grid } from './grid.ts';
import { targetOf } from './target.ts';

/** How black is made. */
export interface BlackRule {
  /** How much of what black could take over it takes, 0 (only what the others cannot do) to 100. */
  readonly generation: number;
  /** The share of that in strong colours, 0 (in greys alone) to 100 (everywhere). */
  readonly replacement: number;
  /** Darkness in percent below which black stays out. */
  readonly from: number;
  /** Most of all inks together, percent. */
  readonly limit: number;
}

/** Place of black among the inks. */
const BLACK = 3;
/** ΔE by which black may worsen a colour. */
const FREE = 0.2;
const THRIFT = 0.05;
const LAST_THRIFT = 1e-4;
const HALVINGS = 6;
/** ΔE from which on a colour is beyond the inks' reach: there is one way alone to come nearest. */
const BEYOND = 3;
/** What the limit may be passed by while amounts are looked for. */
const HAIR = 0.004;
/** Chroma from which on a colour is strong. */
const STRONG = 45;

/** Bounds that hold black. */
function heldBlack({ lower, upper, limit }: Bounds, black: number): Bounds {
  lower[BLACK] = upper[BLACK] = black;
  return { lower, upper, limit };
}

/** For every colour the least and the most black that it can be made with, and all four amounts with each. */
function blackRange(model: InkModel, limit: number, size: number): Grid {
  const target = targetOf(model, limit);
  const free = anyAmounts(4, limit);
  const held = anyAmounts(4, limit);
  const start = new Float64Array(4);
  const trial = new Float64Array(4);
  return makeGrid(size, 10, ([r, g, b], out) => {
    const wanted = target(1 - r, 1 - g, 1 - b);
    start.fill(0.3);
    const best = Math.min(
      invert(model, wanted, free, start, THRIFT),
      invert(model, wanted, free, start, LAST_THRIFT),
    );
    const begin = start[BLACK];
    if (best > BEYOND) {
      out[0] = out[1] = begin;
      out.set(start, 2);
      out.set(start, 6);
      return;
    }
    const works = (black: number, amounts: Float64Array): boolean => {
      trial.set(amounts);
      if (invert(model, wanted, heldBlack(held, black), trial, LAST_THRIFT) > best + FREE) return false;
      if (trial[0] + trial[1] + trial[2] + black > limit + HAIR) return false;
      amounts.set(trial);
      return true;
    };
    const search = (end: number, amounts: Float64Array): number => {
      amounts.set(start);
      if (works(end, amounts)) return end;
      amounts.set(start);
      let good = begin;
      let bad = end;
      for (let i = 0; i < HALVINGS; i++) {
        const middle = (good + bad) / 2;
        if (works(middle, amounts)) good = middle;
        else bad = middle;
      }
      return good;
    };
    out[0] = search(0, out.subarray(2, 6));
    out[1] = search(1, out.subarray(6, 10));
  });
}

const recentRanges = cache<Grid>('black ranges');

/** How much of the black a colour could have the rule gives it, 0–1. */
function blackShare([l, a, b]: Lab, white: number, black: number, rule: BlackRule): number {
  const strong = clamp(Math.sqrt(a * a + b * b) / STRONG, 0, 1);
  const darkness = (white - l) / (white - black);
  const past = clamp((darkness - rule.from / 100) / 0.3, 0, 1);
  return (rule.generation / 100) * (1 - strong * (1 - rule.replacement / 100)) * past * past * (3 - 2 * past);
}

/**
 * Amounts of cyan, magenta, yellow and black for every colour of a grid. A colour within the inks' reach can be made with
 * more or less black; the route's rule says where between the least and the most. Together they never pass the limit.
 *
 * @param key equal iff the model is
 */
export function processGrid(model: InkModel, key: string, rule: BlackRule, size: number): Grid {
  const limit = rule.limit / 100;
  const range = recentRanges(`${key} ${limit} ${size}`, () => blackRange(model, limit, size));
  const target = targetOf(model, limit);
  const [white] = target(1, 1, 1);
  const [black] = target(0, 0, 0);
  const found = new Float64Array(10);
  const held = anyAmounts(4, limit);
  const more = anyAmounts(4, limit);
  return makeGrid(size, 4, ([r, g, b], out) => {
    const wanted = target(1 - r, 1 - g, 1 - b);
    readGrid(range, [r, g, b], found);
    const share = blackShare(wanted, white, black, rule);
    for (let k = 0; k < 4; k++) out[k] = found[2 + k] + (found[6 + k] - found[2 + k]) * share;
    const wantedBlack = found[0] + (found[1] - found[0]) * share;
    const left = invert(model, wanted, heldBlack(held, wantedBlack), out, LAST_THRIFT);
    // Where the limit leaves no room for the other three, more black takes their place.
    if (left > 3 * FREE && found[1] > wantedBlack + 1e-6) {
      more.lower[BLACK] = wantedBlack;
      invert(model, wanted, more, out, LAST_THRIFT);
    }
    const rest = out[0] + out[1] + out[2];
    const room = Math.max(0, limit - out[BLACK]);
    if (rest > room) for (let k = 0; k < BLACK; k++) out[k] *= room / rest;
  });
}
