import { LABEL_TYPEFACE } from './typefaces.ts';
import { hexToLab, packedPoints, screenKind, type StrokePoint } from '@brachytone/core';
import type { Migration } from './migrate.ts';

type Any = Record<string, never>;

interface FirstTone {
  weights: { red: number; green: number; blue: number };
  reading: string;
  levels: Record<string, number>;
  curve: { in: number; out: number }[];
  invert: boolean;
}

/** Version 1 had one fixed row of tone steps: levels, curve, invert. Those that did something are kept. */
function stepsOf({ levels, curve, invert }: FirstTone) {
  const plain = { bare: 0, solid: 100, mid: 1, floor: 0, ceiling: 100 };
  const steps: { id: string; kind: string; on: boolean; settings: unknown }[] = [];
  const add = (kind: string, settings: unknown) => steps.push({ id: kind, kind, on: true, settings });
  if (Object.entries(plain).some(([name, value]) => levels[name] !== value)) add('levels', levels);
  const straight =
    curve.length === 2 && curve.every((point) => point.in === point.out && point.in % 100 === 0);
  if (!straight) add('curve', { points: curve });
  if (invert) add('invert', {});
  return steps;
}

function weightsOf({ red, green, blue }: FirstTone['weights']) {
  const sum = red + green + blue;
  const [r, g, b] = [red, green, blue].map((weight) => (weight / sum) * 100);
  return { red: r, yellow: r + g, green: g, cyan: g + b, blue: b, magenta: b + r };
}

interface Screened {
  screen: { spot: string; ruling: number; angle: number; smallest: number; largest: number };
}

/** Up to version 3 every screen was one of straight dots. */
const dotsOf = ({ spot, ruling, angle, smallest, largest }: Screened['screen']) => ({
  kind: 'dots',
  settings: {
    spot,
    motif: 'M50 2 L61 38 L98 38 L68 60 L79 96 L50 74 L21 96 L32 60 L2 38 L39 38 Z',
    ruling,
    angle,
    aspect: 0.72,
    apart: 0,
    place: 0,
    size: 0,
    ragged: 0,
    seed: 1,
  },
  smallest,
  largest,
  coarse: 0,
});

/** One for every version that came before the present one, oldest first. */
export const MIGRATIONS: readonly Migration[] = [
  {
    from: 1,
    migrate(document) {
      const recipe = document.recipe as Any & {
        originals: (Any & { tone: FirstTone; crop: Any; placement: Any })[];
      };
      return {
        ...document,
        recipe: {
          ...recipe,
          originals: recipe.originals.map(({ id, name, picture, crop, placement, tone, ink }) => ({
            id,
            name,
            content: { kind: 'picture', picture, crop: { ...crop, turn: 0 }, line: null },
            placement: { ...placement, turn: 0, mirrored: false },
            shown: true,
            locked: false,
            tone: {
              grey: { weights: weightsOf(tone.weights), reading: tone.reading },
              steps: stepsOf(tone),
            },
            ink,
          })),
        },
      };
    },
  },
  {
    // Version 3 brought bleed, cut-outs, containers, fades and mixes.
    from: 2,
    migrate(document) {
      const recipe = document.recipe as Any & { sheet: Any; originals: (Any & { content: Any })[] };
      return {
        ...document,
        recipe: {
          ...recipe,
          sheet: { ...recipe.sheet, bleed: 0 },
          originals: recipe.originals.map((original) => ({
            ...original,
            content:
              (original.content as unknown as { kind: string }).kind === 'picture'
                ? { ...original.content, cut: null }
                : original.content,
            container: null,
            fade: null,
            mix: null,
          })),
        },
      };
    },
  },
  {
    // Version 4 brought screens of other kinds than straight dots, colour dots, and files of geometry.
    from: 3,
    migrate(document) {
      const recipe = document.recipe as Any & {
        originals: (Any & { fade: Screened | null; mix: Screened | null })[];
        plates: Screened[];
      };
      return {
        ...document,
        films: { ...(document.films as object), smooth: 0 },
        recipe: {
          ...recipe,
          originals: recipe.originals.map((original) => ({
            ...original,
            fade: original.fade && { ...original.fade, screen: dotsOf(original.fade.screen) },
            mix: original.mix && { ...original.mix, screen: dotsOf(original.mix.screen) },
            colourDots: null,
          })),
          plates: recipe.plates.map((plate) => ({ ...plate, screen: dotsOf(plate.screen) })),
        },
      };
    },
  },
  {
    // Version 5 brought routes to several inks, colours as Lab, stocks with a surface, and plates that are worked on.
    from: 4,
    migrate(document) {
      const recipe = document.recipe as Any & {
        stock: { name: string; colour: string };
        originals: (Any & { ink: string; content: { kind: string; line?: unknown; fill?: string } })[];
        inks: { id: string; name: string; colour: string; opacity: number }[];
        plates: Any[];
      };
      const lab = (colour: string) => hexToLab(colour);
      // What was printed over other plates still is: line work, and lettering that is not screened.
      const isOver = ({ kind, line, fill }: { kind: string; line?: unknown; fill?: string }) =>
        kind === 'drawing' ||
        (kind === 'lettering' && fill !== 'gradient') ||
        (kind === 'picture' && line !== null);
      return {
        ...document,
        recipe: {
          ...recipe,
          stock: {
            name: recipe.stock.name,
            lab: lab(recipe.stock.colour),
            texture: 'smooth',
            soak: 0,
            spread: 1,
          },
          originals: recipe.originals.map(({ ink, ...rest }) => ({
            ...rest,
            route: { kind: 'ink', ink },
            overprint: isOver(rest.content),
          })),
          inks: recipe.inks.map(({ colour, ...ink }) => ({ ...ink, lab: lab(colour), fountain: null })),
          overprints: [],
          plates: recipe.plates.map((plate) => ({
            ...plate,
            printed: true,
            curve: [
              { in: 0, out: 0 },
              { in: 100, out: 100 },
            ],
            weight: 0,
            spread: 0,
            knocksOut: false,
            base: null,
            strokes: [],
            shift: { x: 0, y: 0, turn: 0 },
          })),
        },
      };
    },
  },
  {
    // Up to version 5 all plates in one file of geometry were a format of its own, and two things were called spread.
    from: 5,
    migrate(document) {
      const { films, recipe } = document as {
        films: { format: string };
        recipe: { stock: { spread: number }; plates: { spread: number }[] };
      };
      const { spread: yuleNielsen, ...stock } = recipe.stock;
      const together = films.format === 'svg-together';
      return {
        ...document,
        films: { ...films, format: together ? 'svg' : films.format, together },
        recipe: {
          ...recipe,
          stock: { ...stock, yuleNielsen },
          plates: recipe.plates.map(({ spread: edgeSpread, ...plate }) => ({ ...plate, edgeSpread })),
        },
      };
    },
  },
  {
    // Up to version 6 all above the largest dot was made as it; the dots of vector files had one manner.
    from: 6,
    migrate(document) {
      const { films, recipe } = document as {
        films: object;
        recipe: { plates: { screen: { kind: string; largest: number } }[] };
      };
      const hadPinholes = recipe.plates.some(
        ({ screen }) => screen.largest < 100 && screenKind(screen.kind).hasDots !== false,
      );
      return {
        ...document,
        films: { ...films, outlines: 'pure' },
        notices: hadPinholes ? ['solids'] : [],
      };
    },
  },
  {
    // Version 8 brought presses: older jobs have none, and the same bits.
    from: 7,
    migrate: (document) => ({ ...document, recipe: { ...(document.recipe as object), press: null } }),
  },
  {
    // Version 9 brought marks, PDF and tones: films of older jobs have no marks, and the same bits.
    from: 8,
    migrate: (document) => ({
      ...document,
      films: { ...(document.films as object), pages: 'composite', panels: null, ppi: 300, depth: 8 },
      recipe: { ...(document.recipe as object), marks: { font: LABEL_TYPEFACE, uses: [] } },
    }),
  },
  {
    // Up to version 9 each place of a stroke was three numbers of its own.
    from: 9,
    migrate: (document) => withPackedStrokes(document) as Record<string, unknown>,
  },
];

/** The same with all strokes in it packed, wherever they are. */
export function withPackedStrokes(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withPackedStrokes);
  if (typeof value !== 'object' || value === null) return value;
  const { points, radius, softness } = value as { points?: unknown; radius?: unknown; softness?: unknown };
  if (radius !== undefined && softness !== undefined && Array.isArray(points) && Array.isArray(points[0]))
    return { ...value, points: packedPoints(points as StrokePoint[]) };
  return Object.fromEntries(Object.entries(value).map(([name, one]) => [name, withPackedStrokes(one)]));
}
