import { placedHeight } from '../../original/place-original.ts';
import { boxCorners } from '../../original/placed.ts';
import { isPlated } from '../../recipe/plated.ts';
import type { OriginalRecipe, Recipe, Sheet } from '../../recipe/recipe.ts';
import type { Check, Mend } from '../finding.ts';
import { mendSheet } from '../mend.ts';
import { listed, plain } from '../words.ts';
import { boxOf } from './too-coarse.ts';

/** Art nearer than this to the trim is taken to reach it, mm. */
const NEAR = 0.5;
/** Bleed that is usual, mm; common practice, no source. */
const USUAL = 3;

const EDGES = ['left', 'right', 'head', 'foot'] as const;
type Edge = (typeof EDGES)[number];

/** How far a box reaches over each edge of the trimmed sheet, mm. */
function overEdges(
  original: OriginalRecipe,
  height: number,
  { width: w, height: h }: Sheet,
): Record<Edge, number> {
  const { x, y, width, height: tall } = boxOf(boxCorners(original, height));
  return { left: -x, right: x + width - w, head: -y, foot: y + tall - h };
}

export const noBleed: Check = {
  id: 'no-bleed',
  why: 'Sheets are never cut just where they should be: without bleed a white edge shows.',
  uses: [],
  find({ scene, recipe }) {
    const { sheet } = recipe;
    const bleed = Math.max(sheet.bleed, 0);
    const wanted = bleed > 0 ? Math.min(bleed, USUAL) : USUAL;
    return recipe.originals.flatMap((original) => {
      if (!isPlated(original)) return [];
      const { content } = original;
      const picture = content.kind === 'picture' ? scene.pictures.get(content.picture) : undefined;
      if (content.kind === 'picture' && !picture) return [];
      // What has room to end in by itself, lettering and line art, ends there.
      if (content.kind === 'lettering' || content.kind === 'drawing' || original.fade !== null) return [];
      // A shape of its own touches the trim at points.
      if (original.container !== null && original.container.shape !== 'rectangle') return [];
      const height = placedHeight(original, picture);
      const over = overEdges(original, height, sheet);
      const short = EDGES.filter((edge) => over[edge] >= -NEAR && over[edge] < wanted - 0.01);
      const isCut = EDGES.filter((edge) => over[edge] >= wanted - 0.01);
      const needsSheet = bleed < wanted - 0.01 && (short.length > 0 || isCut.length > 0);
      if (short.length === 0 && !needsSheet) return [];
      const says =
        short.length > 0
          ? `“${original.name}” reaches the trim at the ${listed(short)} and goes on by ${plain(Math.max(0, Math.min(...short.map((edge) => over[edge]))))} mm, where ${plain(wanted)} mm are cut off.`
          : `“${original.name}” runs over the trim at the ${listed(isCut)}, but the films end there: the sheet has ${bleed === 0 ? 'no bleed' : `${plain(bleed)} mm of bleed`}.`;
      return [
        {
          severity: 'risky' as const,
          says,
          places: [...(short.length > 0 ? short : isCut)].map((edge) => edgePlace(edge, sheet)),
          mends: extended(recipe, original, height, over, short, wanted),
        },
      ];
    });
  },
};

/** A strip along an edge of the trimmed sheet. */
function edgePlace(edge: Edge, { width, height }: Sheet) {
  const deep = Math.min(width, height) / 40;
  return {
    left: { x: 0, y: 0, width: deep, height },
    right: { x: width - deep, y: 0, width: deep, height },
    head: { x: 0, y: 0, width, height: deep },
    foot: { x: 0, y: height - deep, width, height: deep },
  }[edge];
}

/** The original made so much larger, about what stays where it is, that it covers the bleed; and the sheet given one. */
function extended(
  recipe: Recipe,
  original: OriginalRecipe,
  height: number,
  over: Record<Edge, number>,
  short: readonly Edge[],
  wanted: number,
): Mend[] {
  const sheet = { ...recipe.sheet, bleed: Math.max(recipe.sheet.bleed, wanted) };
  const bleedWords = recipe.sheet.bleed < wanted ? `Bleed ${plain(wanted)} mm` : '';
  if (short.length === 0) return [mendSheet(bleedWords, { bleed: sheet.bleed })];
  const { placement, container } = original;
  if (placement.turn !== 0 || container !== null) return [];
  const more = (edge: Edge): number => (short.includes(edge) ? wanted - over[edge] : 0);
  const times = Math.max(
    (placement.width + more('left') + more('right')) / placement.width,
    (height + more('head') + more('foot')) / height,
  );
  const grown = { width: placement.width * times, height: height * times };
  // What is not short of bleed keeps its edge; between two that are it grows both ways.
  const start = (before: Edge, after: Edge, at: number, size: number, wide: number): number => {
    const [a, b] = [more(before), more(after)];
    if (a > 0 && b > 0) return at - ((wide - size) * a) / (a + b);
    if (a > 0) return at - (wide - size);
    return b > 0 ? at : at - (wide - size) / 2;
  };
  const round = (value: number): number => Number(value.toFixed(3));
  const moved = {
    ...placement,
    width: round(grown.width),
    x: round(start('left', 'right', placement.x, placement.width, grown.width)),
    y: round(start('head', 'foot', placement.y, height, grown.height)),
  };
  return [
    {
      label: bleedWords ? `${bleedWords}, and extend it` : 'Extend it over the bleed',
      change: (now) => ({
        ...now,
        sheet: { ...now.sheet, bleed: sheet.bleed },
        originals: now.originals.map((one) => (one.id === original.id ? { ...one, placement: moved } : one)),
      }),
    },
  ];
}
