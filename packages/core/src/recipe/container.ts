/** How an edge is torn. */
export interface TornEdge {
  /** How far it goes in and out together, mm. */
  readonly depth: number;
  /** Length of its larger pieces, mm. */
  readonly grain: number;
  readonly seed: number;
}

/** A shape that an original is seen in. It is as large as the original's box allows. */
export interface Container {
  readonly shape: 'rectangle' | 'ellipse' | 'path';
  /** SHA-256 of the SVG file a path comes from; used when the shape says so. */
  readonly path: string | null;
  /** How far the original goes on beyond the shape's edge, mm; below 0 it ends within. */
  readonly margin: number;
  /** Dots at the edge are cut through, or stay whole: only those whose middle lies inside. */
  readonly edge: 'cut' | 'whole';
  /** Missing for an edge as smooth as its shape. */
  readonly torn?: TornEdge;
  /** Width over which the edge fades, mm; 0 for a hard one. */
  readonly feather: number;
}
