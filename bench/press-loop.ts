import { newScreen } from '@brachytone/core';
import {
  pressLoop,
  pressOfGain,
  type Loop,
  type LoopResult,
} from '@brachytone/core/calibration/simulated/press-loop.ts';

/** A press of 28 % gain at 50 %, seen by a scanner that lies a little askew. */
export function runPressLoop(): LoopResult {
  const soft: Loop = {
    screen: newScreen('dots', { ruling: 45, angle: 22.5 }),
    resolution: 720,
    press: {
      spread: 0.06,
      takes: 0.5,
      slur: 0,
      mesh: null,
      starvation: 0.05,
      register: 0,
      noise: 0.02,
      seed: 3,
    },
    scan: { turn: 1.5, uneven: 0.1 },
  };
  return pressLoop({ ...soft, press: pressOfGain(soft, 28) });
}
