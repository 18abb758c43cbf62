import type { Intent } from '@brachytone/core';
import type { OriginalView } from '@brachytone/job';
import { checkLane } from './check-lane.ts';
import { lanes, type Lane } from './lanes.ts';

/** How long whole pictures wait for a draft of the small ones, ms; there may be nothing that shows them. */
const DRAFT_WAIT = 1500;

type State = 'loading' | 'small' | 'whole' | 'failed';

/** Pictures, drawings, typefaces and tables in the workers: brings them there, and knows what has arrived of each. */
export class Pictures {
  private readonly listeners = new Set<() => void>();
  private readonly states = new Map<string, State>();
  private readonly waiting = new Set<() => void>();
  private changes = 0;
  private aside: Promise<unknown> = Promise.resolve();

  /**
   * @param side the worker that looks at whole jobs, beside those that draw: nothing that is shown waits for it
   */
  constructor(
    private readonly lanes: readonly Lane[],
    private readonly side: () => Lane,
  ) {}

  /** When all that has arrived is in the worker aside, too. */
  readonly keptAside = (): Promise<unknown> => this.aside;

  /** Sees to it that a file arrives; a picture small first. */
  readonly want = (file: OriginalView): void => {
    if (!this.isWanted(file.sha256)) return;
    this.bring(file).then(
      () => this.arrived(file.sha256, 'whole'),
      () => this.arrived(file.sha256, 'failed'),
    );
  };

  /** Sees to it that a separation by a profile arrives; it is kept under the name. */
  wantTable(name: string, profile: string, intent: Intent, compensate: boolean): void {
    if (!this.isWanted(name)) return;
    this.lanes[0].remote
      .fetchTable(profile, intent, compensate)
      .then((table) => this.toAll(({ remote }) => remote.keepTable(name, table)))
      .then(
        () => this.arrived(name, 'whole'),
        () => this.arrived(name, 'failed'),
      );
  }

  /** What has arrived of a file or table. */
  readonly stateOf = (name: string): State | undefined => this.states.get(name);

  /** Told when a draft has been shown: whole pictures, which keep a worker busy, wait for it. */
  readonly draftShown = (): void => {
    for (const resolve of this.waiting) resolve();
    this.waiting.clear();
  };

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Changes whenever anything arrives. */
  readonly version = (): number => this.changes;

  /** Nobody is told of anything any more. */
  dispose(): void {
    this.listeners.clear();
    this.draftShown();
  }

  private isWanted(name: string): boolean {
    const state = this.states.get(name);
    if (state && state !== 'failed') return false;
    this.states.set(name, 'loading');
    return true;
  }

  private arrived(name: string, state: State): void {
    this.states.set(name, state);
    this.changes++;
    for (const listener of this.listeners) listener();
  }

  private async toAll(keep: (lane: Lane) => Promise<void>): Promise<void> {
    this.aside = Promise.all([this.aside, keep(this.side())]);
    await Promise.all(this.lanes.map(keep));
  }

  private async bring({ sha256, width, height, smallLevel, kind }: OriginalView): Promise<void> {
    const { remote } = this.lanes[0];
    if (kind === 'picture') {
      if (smallLevel > 0) {
        const small = await remote.fetchSmall(sha256, width, height, smallLevel);
        await Promise.all(this.lanes.map((lane) => lane.remote.keepPicture(sha256, small)));
        this.arrived(sha256, 'small');
        await this.nextDraft();
      }
      const whole = await this.lanes[this.lanes.length - 1].remote.fetchWhole(sha256);
      await this.toAll((lane) => lane.remote.keepPicture(sha256, whole));
    } else if (kind === 'font') {
      const font = await remote.fetchFont(sha256);
      await this.toAll((lane) => lane.remote.keepFont(sha256, font));
    } else if (kind === 'drawing') {
      const drawing = await remote.fetchDrawing(sha256);
      await this.toAll((lane) => lane.remote.keepDrawing(sha256, drawing));
    }
    // What a profile gives is fetched as a separation.
  }

  /** Until a draft has been shown. */
  private nextDraft(): Promise<void> {
    return new Promise((resolve) => {
      this.waiting.add(resolve);
      setTimeout(resolve, DRAFT_WAIT);
    });
  }
}

/** The page's own. */
export const pictures = new Pictures(lanes, checkLane);
