/** Something that went wrong, in a sentence for the person at the screen: what happened, what was kept, what to do. */
export class Problem extends Error {
  /** As HTTP counts them. */
  readonly status: number;
  readonly title: string;
  readonly members: Record<string, unknown>;

  constructor(status: number, title: string, detail: string, members: Record<string, unknown> = {}) {
    super(detail);
    this.status = status;
    this.title = title;
    this.members = members;
  }
}
