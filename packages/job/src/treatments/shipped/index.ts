import { LAYERED } from './layered.ts';
import { LINES } from './lines.ts';
import type { ShippedTreatment } from './make.ts';
import { ONE_INK_DOTS } from './one-ink-dots.ts';
import { SEVERAL_INKS } from './several-inks.ts';

export type { ShippedTreatment } from './make.ts';

const ALL = [...ONE_INK_DOTS, ...LINES, ...SEVERAL_INKS, ...LAYERED];

/** Ids in the order that treatments are offered in where nothing is known of a picture: what differs most comes first. */
const ORDER = [
  'bold-black-poster',
  'two-inks',
  'engraved-portrait',
  'process-coarse',
  'pulp-cover',
  'dark-cloth',
  'stencil-duplicator',
  'chunky-squares',
  'three-inks',
  'bands-and-burst',
  'spiral',
  'clean-line-art',
  'soft-shadow',
  'one-strong-colour',
  'newspaper',
  'stars',
  'colour-dots',
  'stippled',
  'fade-into-dots',
  'blended-ink',
  'picture-under-dots',
  'waves',
  'dots-apart',
  'worn-print',
  'giant-panels',
  'scratched',
  'crosses',
  'four-flat-inks',
  'four-inks',
  'process-fine',
] as const;

/** Every treatment that ships with the program. */
export const SHIPPED_TREATMENTS: readonly ShippedTreatment[] = ALL.toSorted(
  (a, b) => ORDER.indexOf(a.id as (typeof ORDER)[number]) - ORDER.indexOf(b.id as (typeof ORDER)[number]),
);
