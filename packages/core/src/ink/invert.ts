import type { Lab } from '../colour/lab.ts';
import { predictInto, slopesInto, type InkModel } from './model.ts';

/** What amounts of inks may be. */
export interface Bounds {
  readonly lower: Float64Array;
  readonly upper: Float64Array;
  /** Most of all inks together, 1 for one ink's solid. */
  readonly limit: number;
}

/** Any amount of every ink, up to a limit of all together. */
export const anyAmounts = (count: number, limit = count): Bounds => ({
  lower: new Float64Array(count),
  upper: new Float64Array(count).fill(1),
  limit,
});

const MOST = 8;
const lab = new Float64Array(3);
const slopes = new Float64Array(3 * MOST);
const system = new Float64Array(MOST * MOST);
const pull = new Float64Array(MOST);
const step = new Float64Array(MOST);
const tried = new Float64Array(MOST);

/** ΔE that all inks together over the limit count for, an ink's solid of it. */
const OVER = 300;
/** Steps after which an answer is as good as it gets. */
const MOST_STEPS = 30;
/** An answer that gets no better than by this is taken. */
const LEAST_GAIN = 1e-5;

function sumOf(amounts: Float64Array, count: number): number {
  let sum = 0;
  for (let i = 0; i < count; i++) sum += amounts[i];
  return sum;
}

/** Square of the difference from the target (CIE 1976), and what thrift and the limit add to it. */
function costOf(model: InkModel, amounts: Float64Array, target: Lab, limit: number, thrift: number): number {
  predictInto(model, amounts, lab);
  const over = OVER * Math.max(0, sumOf(amounts, model.count) - limit);
  let cost = over * over;
  for (let k = 0; k < 3; k++) cost += (lab[k] - target[k]) * (lab[k] - target[k]);
  for (let i = 0; i < model.count; i++) cost += thrift * amounts[i] * amounts[i];
  return cost;
}

/**
 * Finds amounts of the inks whose predicted colour comes nearest to a target in Lab, within bounds: the damped
 * least-squares method of K. Levenberg (1944) and D. W. Marquardt (1963), with amounts at a bound held there while they are
 * drawn beyond it.
 *
 * @param amounts where to start; filled with what is found
 * @param thrift  what a solid of one ink costs, in squared ΔE: parts answers that look the same
 * @returns the colour difference that is left (CIE 1976)
 */
export function invert(
  model: InkModel,
  target: Lab,
  { lower, upper, limit }: Bounds,
  amounts: Float64Array,
  thrift: number,
): number {
  const { count } = model;
  for (let i = 0; i < count; i++) amounts[i] = Math.min(upper[i], Math.max(lower[i], amounts[i]));
  let damping = 1e-3;
  let cost = costOf(model, amounts, target, limit, thrift);
  for (let round = 0; round < MOST_STEPS; round++) {
    slopesInto(model, amounts, slopes);
    const over = sumOf(amounts, count) - limit;
    for (let i = 0; i < count; i++) {
      pull[i] = -thrift * amounts[i] - (over > 0 ? OVER * OVER * over : 0);
      for (let k = 0; k < 3; k++) pull[i] -= slopes[3 * i + k] * (lab[k] - target[k]);
      for (let j = 0; j <= i; j++) {
        let sum = over > 0 ? OVER * OVER : 0;
        for (let k = 0; k < 3; k++) sum += slopes[3 * i + k] * slopes[3 * j + k];
        system[i * MOST + j] = system[j * MOST + i] = sum;
      }
      system[i * MOST + i] += thrift;
    }
    let better = false;
    for (let attempt = 0; attempt < 8 && !better; attempt++) {
      solve(count, amounts, lower, upper, damping);
      for (let i = 0; i < count; i++) tried[i] = Math.min(upper[i], Math.max(lower[i], amounts[i] + step[i]));
      const next = costOf(model, tried, target, limit, thrift);
      if (next < cost) {
        better = true;
        const gain = cost - next;
        amounts.set(tried.subarray(0, count));
        damping = Math.max(1e-9, damping * 0.2);
        cost = next;
        if (gain < LEAST_GAIN * (1 + cost)) return leftOver(target);
      } else damping *= 6;
    }
    if (!better) break;
  }
  predictInto(model, amounts, lab);
  return leftOver(target);
}

const leftOver = (target: Lab): number =>
  Math.sqrt((lab[0] - target[0]) ** 2 + (lab[1] - target[1]) ** 2 + (lab[2] - target[2]) ** 2);

const work = new Float64Array(MOST * MOST);

/** Solves the damped system for the free amounts, by elimination; the others stay. */
function solve(
  count: number,
  amounts: Float64Array,
  lower: Float64Array,
  upper: Float64Array,
  damping: number,
): void {
  let free = 0;
  for (let i = 0; i < count; i++) {
    step[i] = 0;
    const held = (amounts[i] <= lower[i] && pull[i] <= 0) || (amounts[i] >= upper[i] && pull[i] >= 0);
    if (!held) order[free++] = i;
  }
  for (let a = 0; a < free; a++) {
    const i = order[a];
    right[a] = pull[i];
    for (let b = 0; b < free; b++) work[a * MOST + b] = system[i * MOST + order[b]];
    work[a * MOST + a] += damping * (system[i * MOST + i] + 1);
  }
  for (let a = 0; a < free; a++) {
    const pivot = work[a * MOST + a];
    for (let b = a + 1; b < free; b++) {
      const factor = work[b * MOST + a] / pivot;
      if (factor === 0) continue;
      for (let c = a; c < free; c++) work[b * MOST + c] -= factor * work[a * MOST + c];
      right[b] -= factor * right[a];
    }
  }
  for (let a = free - 1; a >= 0; a--) {
    let value = right[a];
    for (let b = a + 1; b < free; b++) value -= work[a * MOST + b] * step[order[b]];
    step[order[a]] = value / work[a * MOST + a];
  }
}

const order = new Int32Array(MOST);
const right = new Float64Array(MOST);
