type Hearer = (data: string) => void;

/** A browser's lines to one server are few, for all its pages together: six, by HTTP 1.1. */
interface Wish {
  /** The job that this page has open. */
  readonly job: string | undefined;
  /** True where news of runs is wanted. */
  readonly runs: boolean;
}

const addressOf = ({ job, runs }: Wish): string => {
  const params = new URLSearchParams();
  if (job !== undefined) params.set('job', job);
  if (runs) params.set('runs', 'true');
  return `/api/live?${params.toString()}`;
};

/**
 * News from the server as server-sent events, over one line for the whole page; none while the page is out of sight, where
 * what was missed is asked for once it is back.
 */
export class NewsLine {
  private readonly hearers = new Map<string, Set<Hearer>>();
  private readonly missed = new Set<() => void>();
  private job: string | undefined;
  /** True where others are heard of, as in a studio; somebody alone hears of runs only. */
  private wanted = false;
  private source: EventSource | undefined;
  private address = '';

  constructor(
    private readonly connect: (address: string) => EventSource,
    private readonly isSeen: () => boolean,
  ) {}

  /** Tells the others which job this page has open, if any, and hears of them from now on. */
  open(job: string | undefined): void {
    this.wanted = true;
    this.job = job;
    this.renew();
  }

  /** Hears no longer of the others. */
  close(): void {
    this.wanted = false;
    this.job = undefined;
    this.renew();
  }

  /**
   * Hears news of a kind: the name of a server-sent event.
   *
   * @returns hears it no longer
   */
  hear(kind: string, hearer: Hearer): () => void {
    const hearers = this.hearers.get(kind) ?? new Set();
    this.hearers.set(kind, hearers.add(hearer));
    this.source?.addEventListener(kind, this.pass);
    this.renew();
    return () => {
      hearers.delete(hearer);
      this.renew();
    };
  }

  /** Is told whenever news may have been missed: before the line was open, after a break, while the page was out of sight. */
  hearOfMissed(hearer: () => void): () => void {
    this.missed.add(hearer);
    return () => void this.missed.delete(hearer);
  }

  /** Opens or closes the line by what is wanted now, and by whether the page is in sight. */
  renew(): void {
    const runs = ['run', 'gone'].some((kind) => (this.hearers.get(kind)?.size ?? 0) > 0);
    const address = (this.wanted || runs) && this.isSeen() ? addressOf({ job: this.job, runs }) : '';
    if (address === this.address) return;
    this.source?.close();
    this.source = undefined;
    this.address = address;
    if (address === '') return;
    const source = this.connect(address);
    this.source = source;
    for (const kind of this.hearers.keys()) source.addEventListener(kind, this.pass);
    source.addEventListener('missed', this.tellMissed);
    // What was loaded before the line was open, for the first time too, may be old by now.
    source.addEventListener('open', this.tellMissed);
  }

  private readonly pass = ({ type, data }: MessageEvent<string>): void =>
    this.hearers.get(type)?.forEach((hearer) => hearer(data));

  private readonly tellMissed = (): void => this.missed.forEach((hearer) => hearer());
}

let line: NewsLine | undefined;

/** The page's line. */
export function newsLine(): NewsLine {
  if (!line) {
    const made = new NewsLine(
      (address) => new EventSource(address),
      () => document.visibilityState !== 'hidden',
    );
    document.addEventListener('visibilitychange', () => made.renew());
    line = made;
  }
  return line;
}
