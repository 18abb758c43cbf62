import { filmLayout, PANEL_FOOT, type Panels, type Recipe } from '@brachytone/core';

/** A printer's paper, as it lies under the film. Lengths are mm; a roll has no length of its own. */
export interface Paper {
  readonly id: string;
  readonly name: string;
  readonly width: number;
  readonly height: number | null;
}

const INCH = 25.4;
const both = (id: string, name: string, width: number, height: number): Paper[] => [
  { id, name: `${name}, upright`, width, height },
  { id: `${id}-turned`, name: `${name}, turned`, width: height, height: width },
];

/** ISO 216, inch sizes and the usual widths of rolls (common practice, no source). */
export const PAPERS: readonly Paper[] = [
  ...both('a4', 'A4', 210, 297),
  ...both('a3', 'A3', 297, 420),
  ...both('a2', 'A2', 420, 594),
  ...both('letter', '8.5 × 11 in', 8.5 * INCH, 11 * INCH),
  ...both('ledger', '11 × 17 in', 11 * INCH, 17 * INCH),
  { id: 'roll-610', name: 'Roll, 610 mm', width: 610, height: null },
  { id: 'roll-800', name: 'Roll, 800 mm', width: 800, height: null },
  { id: 'roll-914', name: 'Roll, 914 mm', width: 914, height: null },
];

/** Edge that most printers leave bare, and what is easily glued (common practice, no source). */
const BEGIN = { margin: 6, overlap: 10 };

/** A film as it is first cut for a paper; from a roll as much is taken as the film is long. */
export function newPanels(paper: Paper, recipe: Recipe, before: Panels | null): Panels {
  const { margin, overlap } = before ?? BEGIN;
  const { mm } = filmLayout(recipe);
  const height = paper.height ?? Math.ceil(mm.height + 2 * margin + PANEL_FOOT);
  return {
    paper: { width: paper.width, height },
    margin,
    overlap,
    ruler: before?.ruler ?? 100,
    across: [],
    down: [],
    whole: before?.whole ?? [],
  };
}

/** The paper that panels are cut for; undefined for one of another size. */
export const paperOf = ({ paper }: Panels): Paper | undefined =>
  PAPERS.find(({ width, height }) => width === paper.width && (height === null || height === paper.height));
