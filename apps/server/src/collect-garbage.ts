import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';

let collect: (() => void) | undefined;

/**
 * Gives memory that this thread does not use any more back at once. The engine would do so by itself only when its own small
 * memory fills, for it does not see what large areas outside of it weigh.
 */
export function collectGarbage(): void {
  if (!collect) {
    setFlagsFromString('--expose-gc');
    // Where there is no such thing nothing is lost but memory.
    collect = runInNewContext("typeof gc === 'function' ? gc : () => {}") as () => void;
    setFlagsFromString('--no-expose-gc');
  }
  collect();
}
