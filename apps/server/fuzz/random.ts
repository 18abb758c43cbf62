/** Random numbers of a seed (mulberry32, public domain): the same seed gives the same inputs. */
export class Random {
  constructor(private state: number) {}

  /** 0 up to 1. */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) | 0;
    let t = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  }

  /** A whole number below a limit. */
  below(limit: number): number {
    return Math.floor(this.next() * limit);
  }

  of<T>(list: readonly T[]): T {
    return list[this.below(list.length)];
  }
}
