/**
 * Blends of two colours, backdrop b and source s, on encoded values 0–1: the sixteen of Compositing and Blending Level 1 (W3C
 * Candidate Recommendation, 2015–2024), section 9.
 */

const multiply = (b: number, s: number): number => b * s;
const screen = (b: number, s: number): number => b + s - b * s;
const hardLight = (b: number, s: number): number => (s <= 0.5 ? multiply(b, 2 * s) : screen(b, 2 * s - 1));

function softLight(b: number, s: number): number {
  if (s <= 0.5) return b - (1 - 2 * s) * b * (1 - b);
  const d = b <= 0.25 ? ((16 * b - 12) * b + 4) * b : Math.sqrt(b);
  return b + (2 * s - 1) * (d - b);
}

function dodge(b: number, s: number): number {
  if (b === 0) return 0;
  return s === 1 ? 1 : Math.min(1, b / (1 - s));
}

function burn(b: number, s: number): number {
  if (b === 1) return 1;
  return s === 0 ? 0 : 1 - Math.min(1, (1 - b) / s);
}

/** Section 9.1, separable: each channel by itself. */
export const BLENDS = {
  normal: (_b: number, s: number): number => s,
  multiply,
  screen,
  overlay: (b: number, s: number): number => hardLight(s, b),
  darken: (b: number, s: number): number => Math.min(b, s),
  lighten: (b: number, s: number): number => Math.max(b, s),
  'color-dodge': dodge,
  'color-burn': burn,
  'hard-light': hardLight,
  'soft-light': softLight,
  difference: (b: number, s: number): number => Math.abs(b - s),
  exclusion: (b: number, s: number): number => b + s - 2 * b * s,
} as const;

/** A blend of tones. */
export type Blend = keyof typeof BLENDS;

type Colour = readonly [red: number, green: number, blue: number];

const luminosity = ([r, g, b]: Colour): number => 0.3 * r + 0.59 * g + 0.11 * b;

const saturation = (colour: Colour): number => Math.max(...colour) - Math.min(...colour);

/** A colour brought back between 0 and 1 without a change of its luminosity. */
function clipped(colour: Colour): Colour {
  const l = luminosity(colour);
  const [least, most] = [Math.min(...colour), Math.max(...colour)];
  let [r, g, b] = colour;
  if (least < 0) [r, g, b] = [r, g, b].map((c) => l + ((c - l) * l) / (l - least));
  if (most > 1) [r, g, b] = [r, g, b].map((c) => l + ((c - l) * (1 - l)) / (most - l));
  return [r, g, b];
}

function withLuminosity([r, g, b]: Colour, l: number): Colour {
  const d = l - luminosity([r, g, b]);
  return clipped([r + d, g + d, b + d]);
}

function withSaturation(colour: Colour, wanted: number): Colour {
  const least = Math.min(...colour);
  const range = Math.max(...colour) - least;
  const [r, g, b] = colour.map((c) => (range > 0 ? ((c - least) * wanted) / range : 0));
  return [r, g, b];
}

/** Section 9.2, non-separable: of the colour as a whole. */
export const COLOUR_BLENDS = {
  hue: (b: Colour, s: Colour): Colour => withLuminosity(withSaturation(s, saturation(b)), luminosity(b)),
  saturation: (b: Colour, s: Colour): Colour =>
    withLuminosity(withSaturation(b, saturation(s)), luminosity(b)),
  color: (b: Colour, s: Colour): Colour => withLuminosity(s, luminosity(b)),
  luminosity: (b: Colour, s: Colour): Colour => withLuminosity(b, luminosity(s)),
} as const;

/** A blend of colours: any of the sixteen. */
export type ColourBlend = Blend | keyof typeof COLOUR_BLENDS;

export const COLOUR_BLEND_NAMES = [
  ...Object.keys(BLENDS),
  ...Object.keys(COLOUR_BLENDS),
] as readonly ColourBlend[];

/** How two colours blend. */
export function blendOf(name: ColourBlend): (backdrop: Colour, source: Colour) => Colour {
  if (name in COLOUR_BLENDS) return COLOUR_BLENDS[name as keyof typeof COLOUR_BLENDS];
  const blend = BLENDS[name as Blend];
  return (b, s) => [blend(b[0], s[0]), blend(b[1], s[1]), blend(b[2], s[2])];
}
