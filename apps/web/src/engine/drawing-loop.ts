import type { Shown } from '@brachytone/core';
import { draftBlocks, draftOf, halvesOf, hasSequential, type ViewRequest } from './drafts.ts';
import type { Wish } from './engine.ts';
import { FIRST, LAST, SECOND, THIRD } from './ranks.ts';
import { stripsOf } from './strips.ts';
import type { DrawRequest } from './worker.ts';

/** Whether what is shown is the first picture, or has every bit of the film in it. */
export type Sharpness = 'nothing' | 'draft' | 'exact';

/** How far a drawing is. */
export interface DrawingState {
  readonly sharpness: Sharpness;
  /** Inked shares of the plates, once exact. */
  readonly inked: readonly number[];
  /** Why it could not be drawn; null when it could, or when something it is made of has yet to arrive. */
  readonly failure: Error | null;
}

export const NOTHING_DRAWN: DrawingState = { sharpness: 'nothing', inked: [], failure: null };

/** Takes rows of a drawing as they come: whole drafts first, exact strips after. */
export type Receive = (
  rgba: Uint8ClampedArray<ArrayBuffer>,
  columns: number,
  firstRow: number,
  request: ViewRequest,
  sharpness: Sharpness,
) => void;

/** What draws, in workers. */
export interface DrawingEngine {
  /** Draws a part of a view, in the worker of that end of the sheet. */
  readonly draw: (request: DrawRequest, wish: Wish) => Promise<Shown>;
  /** Brings sequential plates of a view a little further down; true when they have come to the row of the film. */
  readonly prepare: (
    request: ViewRequest,
    plates: readonly number[],
    row: number,
    rank: number,
  ) => Promise<boolean>;
  /** Told of every draft that was shown. */
  readonly draftShown: () => void;
  /** Told of a view that is exact and still current, when there is time for more. */
  readonly idle: (request: ViewRequest, current: () => boolean) => void;
}

/** How a drawing is waited for. */
export interface Patience {
  /** Rest before exact work starts, ms. */
  readonly settle: number;
  /** True for what lets the table's own pictures go first. */
  readonly patient: boolean;
}

/** Exact strips are shown together, for every picture shown is work for the page: the first after so long, and from then on so often, ms. */
const [SHOWN_AFTER, SHOWN_EVERY] = [250, 100];
/** How long whole pictures are waited for before exact work starts from small ones, ms. */
const LONG = 3000;

/** A view that was asked for. Each is an object of its own: work is current while it is the latest. */
interface Turn {
  readonly request: ViewRequest;
  /** False while only small pictures have arrived. */
  readonly whole: boolean;
}

/**
 * Draws in workers, over and over as what is asked for changes: a draft at once, then exactly. Work for an older view is dropped. It
 * ends with `dispose`.
 */
export class DrawingLoop {
  private turn: Turn | undefined;
  private drafting: Promise<void> | undefined;
  /** An exact drawing that is brought to its end even when a newer view is asked for. */
  private ending: Promise<void> | undefined;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private state = NOTHING_DRAWN;

  constructor(
    private readonly engine: DrawingEngine,
    private readonly receive: Receive,
    private readonly told: (state: DrawingState) => void,
    private readonly patience: Patience,
  ) {}

  /**
   * Asks for a view; undefined for none.
   *
   * @param whole false while only small pictures have arrived
   */
  show(request: ViewRequest | undefined, whole: boolean): void {
    clearTimeout(this.timer);
    this.turn = request && { request, whole };
    const { turn } = this;
    if (!turn) return;
    this.tell({ failure: null, ...(this.state.sharpness === 'exact' ? { sharpness: 'draft' } : {}) });
    this.drafting ??= this.drawDrafts().finally(() => (this.drafting = undefined));
    // What would soon be made again from the whole pictures is only made when they are long in coming.
    const rest = draftOf(turn.request) === undefined ? 0 : this.patience.settle;
    this.timer = setTimeout(() => void this.finish(turn), Math.max(rest, whole ? 0 : LONG));
  }

  /** Draws what could not be drawn once more. */
  retry(): void {
    if (this.turn) this.show(this.turn.request, this.turn.whole);
  }

  /** Ends all work; nothing is received or told any more. */
  dispose(): void {
    clearTimeout(this.timer);
    this.turn = undefined;
  }

  private tell(part: Partial<DrawingState>): void {
    this.state = { ...this.state, ...part };
    this.told(this.state);
  }

  /** Tells why a view could not be drawn, unless something has yet to arrive: then it is drawn when it does. */
  private fail(turn: Turn, error: unknown): void {
    if (this.turn !== turn) return;
    const failure = error instanceof Error ? error : new Error(String(error));
    if (failure.name === 'MissingMaterial') return;
    clearTimeout(this.timer);
    this.tell({ failure });
  }

  /** Draws drafts of the latest view until none newer is left. */
  private async drawDrafts(): Promise<void> {
    // What is patient lets the table's own pictures go before its own.
    const rank = this.patience.patient ? THIRD : FIRST;
    const bare = this.state.sharpness === 'nothing' && rank === FIRST;
    for (let done: Turn | undefined; this.turn && this.turn !== done;) {
      const turn = (done = this.turn);
      try {
        await this.drawDraft(turn, rank, bare);
      } catch (error) {
        this.fail(turn, error);
      }
    }
  }

  private async drawDraft(turn: Turn, rank: number, bare: boolean): Promise<void> {
    const { request } = turn;
    for (const blocks of draftBlocks(request, bare)) {
      const draft = draftOf(request, blocks);
      // What is finer is only drawn while nothing newer waits.
      if (!draft || this.turn !== turn) return;
      const { rows, columns } = draft.view;
      const parts = halvesOf(rows, blocks);
      const made = await Promise.all(
        parts.map((part, i) =>
          this.engine.draw(
            { ...request, ...draft, rows: part, blocks },
            {
              rank,
              end: i === 0 ? 0 : 1,
              ahead: true,
            },
          ),
        ),
      );
      // A draft that a newer one of the same view follows is shown all the same: a slider is being dragged.
      if (!this.turn || (this.turn !== turn && !sameView(this.turn.request, request))) return;
      parts.forEach((part, i) => this.receive(made[i].rgba, columns, part.first, request, 'draft'));
      this.tell({ sharpness: 'draft' });
      this.engine.draftShown();
    }
  }

  /** Draws exactly, once the draft is shown: strips would be drawn over by it. */
  private async finish(turn: Turn): Promise<void> {
    await this.drafting;
    const current = () => this.turn === turn;
    // What has no draft is drawn to its end before a newer one of the same view, or nothing would be seen while a hand moves.
    const ends = draftOf(turn.request) === undefined && !hasSequential(turn.request);
    if (ends) await this.ending;
    if (!current() || this.state.failure) return;
    const wanted = ends
      ? () => this.turn !== undefined && sameView(this.turn.request, turn.request)
      : current;
    try {
      const drawing = this.drawExact(turn.request, wanted);
      if (ends) {
        this.ending = drawing.then(
          () => undefined,
          () => undefined,
        );
      }
      const inked = await drawing;
      if (!inked || !current()) return;
      this.tell({ sharpness: turn.whole ? 'exact' : 'draft', inked });
      if (turn.whole && !this.patience.patient) this.engine.idle(turn.request, current);
    } catch (error) {
      this.fail(turn, error);
    }
  }

  /** Draws all rows exactly, in strips shared among the workers; undefined when dropped. */
  private async drawExact(
    request: ViewRequest,
    current: () => boolean,
  ): Promise<readonly number[] | undefined> {
    const { view } = request;
    const { patient } = this.patience;
    const rank = patient ? LAST : SECOND;
    const shown = this.gathered(request);
    const strips = stripsOf(view, patient);
    const sums: number[] = [];
    const sequential = hasSequential(request);
    let [first, last] = [0, strips.length - 1];
    const drawFrom = async (end: 0 | 1): Promise<void> => {
      while (first <= last && current()) {
        const rows = strips[end === 0 ? first++ : last--];
        const foot = view.y + ((rows.first + rows.count) * view.height) / view.rows;
        if (sequential && !(await this.prepared(request, foot, current, rank))) return;
        const part = { ...request, rows };
        const made = await this.engine.draw(part, {
          rank: strips.length === 1 ? Math.min(FIRST, rank + 1) : rank,
          end,
          ahead: true,
        });
        if (!current()) return;
        made.inked.forEach((share, k) => (sums[k] = (sums[k] ?? 0) + (share * rows.count) / view.rows));
        shown.add(made.rgba, rows.first);
      }
    };
    // One worker from the top down, one from the foot up: each keeps the tones of its end for the next time. Sequential plates are
    // made by one alone.
    // Each has two strips in hand, so that a worker goes on to the next while the page takes what it made.
    await Promise.all(sequential ? [drawFrom(0)] : [drawFrom(0), drawFrom(1), drawFrom(0), drawFrom(1)]);
    if (!current()) return undefined;
    shown.finish();
    return sums;
  }

  /** Brings sequential plates down to a row of the film, bit by bit, so that a newer view need not wait; false when dropped. */
  private async prepared(
    request: ViewRequest,
    row: number,
    current: () => boolean,
    rank: number,
  ): Promise<boolean> {
    const { what, frame } = request;
    if (what.kind !== 'bits' && what.kind !== 'proof') return true;
    const end = Math.min(frame.height, Math.ceil(row));
    while (current()) if (await this.engine.prepare(request, what.plates, end, rank)) return true;
    return false;
  }

  /** Rows of an exact view that wait to be shown together. */
  private gathered(request: ViewRequest) {
    let waiting: { rgba: Uint8ClampedArray<ArrayBuffer>; row: number }[] = [];
    let next = performance.now() + SHOWN_AFTER;
    const finish = (): void => {
      for (const { rgba, row } of waiting) this.receive(rgba, request.view.columns, row, request, 'exact');
      waiting = [];
      next = performance.now() + SHOWN_EVERY;
    };
    return {
      add(rgba: Uint8ClampedArray<ArrayBuffer>, row: number): void {
        waiting.push({ rgba, row });
        if (performance.now() >= next) finish();
      },
      finish,
    };
  }
}

const sameView = (a: ViewRequest, b: ViewRequest): boolean =>
  JSON.stringify(a.view) === JSON.stringify(b.view);
