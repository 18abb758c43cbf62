import { Engine } from './engine.ts';
import { startLane, type Lane } from './lanes.ts';

let lane: Lane | undefined;
let checks: Engine | undefined;

/** A worker for the press check alone, started when it is first needed: a check may take a second or two, and the table must not wait for it. */
export const checkLane = (): Lane => (lane ??= startLane());

/** Runs checks in that worker, one after another. */
export const checkEngine = (): Engine => (checks ??= new Engine([checkLane()]));
