import {
  COARSE_LOOP,
  pressLoop,
  pressOfGain,
  type LoopResult,
} from '@brachytone/core/calibration/simulated/press-loop.ts';

/** A press of 28 % gain at 50 %, seen by a scanner that lies a little askew. */
export const runPressLoop = (): LoopResult =>
  pressLoop({ ...COARSE_LOOP, scan: { turn: 1.5, uneven: 0.1 }, press: pressOfGain(COARSE_LOOP, 28) });
