/**
 * Pictures that a page has drawn for it at one time. A browser has six connections to a server, of which each page holds two
 * for news: what a person does must never wait behind pictures that take seconds.
 */
const MOST = 3;

/** Gives turns, in the order in which they were asked for, to at most so many at a time. */
export class Turns {
  private readonly waiting: (() => void)[] = [];
  private held = 0;

  constructor(private readonly most: number) {}

  /**
   * Asks for a turn.
   *
   * @param begin called once it has come, perhaps at once
   * @returns gives the turn back, or asks no longer; a second call does nothing
   */
  ask(begin: () => void): () => void {
    let state: 'waiting' | 'held' | 'done' = 'waiting';
    const start = (): void => {
      state = 'held';
      this.held++;
      begin();
    };
    this.waiting.push(start);
    this.next();
    return () => {
      if (state === 'waiting') this.waiting.splice(this.waiting.indexOf(start), 1);
      if (state === 'held') this.held--;
      state = 'done';
      this.next();
    };
  }

  private next(): void {
    while (this.held < this.most) {
      const start = this.waiting.shift();
      if (!start) return;
      start();
    }
  }
}

/** Turns of all pictures of this page. */
export const pictureTurns = new Turns(MOST);
