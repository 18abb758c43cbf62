/** A screen, as asked for and as the film's pixels make it. */
export interface TicketPlate {
  readonly ink: string;
  /** Place in printing order, from 1. */
  readonly place: number;
  /** `#rrggbb` on white. */
  readonly colour: string;
  readonly lab: readonly [number, number, number];
  /** Percent of what lies under it that the ink hides. */
  readonly covers: number;
  /** Share of the sheet with its bleed that is inked on the film, percent, and the area of that, cm². */
  readonly share: number;
  readonly area: number;
  /** The screen in words. */
  readonly screen: string;
  /** Ruling in lines per inch and angle in degrees as they come out; null for screens without a lattice. */
  readonly made: { readonly ruling: number; readonly angle: number } | null;
  /** Percent of the film and of the print by what is asked, in steps of 10. */
  readonly transfer: readonly { readonly asked: number; readonly film: number; readonly printed: number }[];
}

/** What goes along with a job's films. Lengths are mm. */
export interface Ticket {
  readonly job: string;
  /** ISO 8601. */
  readonly day: string;
  readonly sheet: { readonly width: number; readonly height: number; readonly bleed: number };
  /** Film pixels per inch. */
  readonly resolution: number;
  readonly film: { readonly width: number; readonly height: number };
  readonly stock: { readonly name: string; readonly colour: string };
  /** What is said of the approval of the proof; null where there was none. */
  readonly approval: string | null;
  readonly press: { readonly name: string; readonly compensates: boolean } | null;
  readonly plates: readonly TicketPlate[];
  /** What the press check still says. */
  readonly findings: readonly { readonly severity: string; readonly says: string }[];
  readonly files: readonly { readonly file: string; readonly bytes: number; readonly sha256: string }[];
}
