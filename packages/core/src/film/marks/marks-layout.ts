import { cache } from '../../base/cache.ts';
import type { Recipe } from '../../recipe/recipe.ts';
import { markKind } from './index.ts';
import type { MarkBlock, Ring } from './mark-kind.ts';

/** A block where it lies, mm from the trimmed sheet's left top corner. */
export interface LaidBlock {
  readonly block: MarkBlock;
  readonly x: number;
  readonly y: number;
  readonly width: number;
}

/** Where all marks of a recipe's films lie. */
export interface MarksLayout {
  readonly ring: Ring;
  readonly blocks: readonly LaidBlock[];
  /** How far the film reaches beyond the bleed, mm on every side; 0 where there are no marks. */
  readonly slug: number;
}

/** Where marks along the sides lie when there are no crop marks that say so, mm (common practice, no source). */
const SIDES = { offset: 3, length: 5 };
/** Between blocks, and around all, mm. */
const GAP = 1.5;

const recentLayouts = cache<MarksLayout>('mark layouts');

/** Lays marks around a sheet: those along its sides first, then blocks in rows over and under it. */
export const marksLayout = (recipe: Pick<Recipe, 'sheet' | 'marks' | 'plates'>): MarksLayout =>
  recentLayouts(
    JSON.stringify([recipe.sheet, recipe.marks, recipe.plates.map(({ printed, ink }) => [printed, ink])]),
    () => layMarks(recipe as Recipe),
  );

function layMarks(recipe: Recipe): MarksLayout {
  const { sheet, marks } = recipe;
  const { width, height, bleed } = sheet;
  const uses = marks.uses.map(({ kind, settings }) => ({ kind: markKind(kind), settings }));
  const crop = marks.uses.find(({ kind }) => kind === 'crop')?.settings as Partial<typeof SIDES> | undefined;
  const { offset, length } = { ...SIDES, ...crop };
  const from = Math.max(offset, bleed);
  const ring: Ring = { bleed, from, to: from + length };
  if (uses.length === 0) return { ring, blocks: [], slug: 0 };
  const reach = Math.max(
    bleed,
    ...uses.flatMap(({ kind, settings }) => (kind.reach ? [kind.reach(settings, ring)] : [])),
  );
  const blocks = uses.flatMap(({ kind, settings }) => kind.blocks?.(settings, recipe) ?? []);
  // A block wider than the film makes it wider.
  const widest = Math.max(0, ...blocks.map((block) => block.width ?? 0));
  const room = Math.max(width + 2 * reach, widest);
  const [head, foot] = (['head', 'foot'] as const).map((side) =>
    rowsOf(
      blocks.filter((block) => block.side === side),
      room,
    ),
  );
  const left = (width - room) / 2;
  const deep = (rows: readonly Row[]) => rows.reduce((sum, row) => sum + row.height + GAP, 0);
  const laid = [...placed(head, left, -reach - deep(head)), ...placed(foot, left, height + reach + GAP)];
  const slug = Math.max(reach + Math.max(deep(head), deep(foot)) + GAP, (room - width) / 2 + GAP) - bleed;
  return { ring, blocks: laid, slug };
}

interface Row {
  readonly blocks: { readonly block: MarkBlock; readonly x: number; readonly width: number }[];
  height: number;
  width: number;
}

/** Blocks in rows as wide as there is room. Blocks of one size, as of a wedge, touch. */
function rowsOf(blocks: readonly MarkBlock[], room: number): Row[] {
  const rows: Row[] = [];
  let before: MarkBlock | undefined;
  for (const block of blocks) {
    const width = block.width ?? room;
    const last = rows.at(-1);
    const gap = before && before.width === block.width && before.height === block.height ? 0 : GAP;
    const isNew = !last || last.width + gap + width > room + 1e-9;
    const row = isNew ? { blocks: [], height: 0, width: 0 } : last;
    if (isNew) rows.push(row);
    const x = isNew ? 0 : row.width + gap;
    row.blocks.push({ block, x, width });
    row.width = x + width;
    row.height = Math.max(row.height, block.height);
    before = block;
  }
  return rows;
}

function placed(rows: readonly Row[], left: number, top: number): LaidBlock[] {
  let y = top;
  return rows.flatMap((row) => {
    const here = y;
    y += row.height + GAP;
    return row.blocks.map(({ block, x, width }) => ({ block, x: left + x, y: here, width }));
  });
}
