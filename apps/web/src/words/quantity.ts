/** What a number field measures; numbers without a unit are in the first. */
export interface Unit {
  /** As shown behind the number; empty for a bare number. */
  readonly symbol: string;
  /** How many of what is kept make one of `symbol`; 1 where it is missing. */
  readonly per?: number;
  /** Other units that may be typed, each with how many of what is kept it makes. */
  readonly others?: Readonly<Record<string, number>>;
  /** Units of which a length stands for its reciprocal, each with the value of one: a dot pitch for a ruling. */
  readonly inverse?: Readonly<Record<string, number>>;
  /** Units of which a number makes no multiple of `symbol`: a dot's width for a coverage. */
  readonly made?: Readonly<Record<string, (value: number) => number>>;
  readonly decimals: number;
  /** One press of an arrow key, in `symbol`. */
  readonly step: number;
  /** The same length in another unit, where lengths may be shown in either. */
  readonly also?: { readonly lengthsIn: LengthsIn; readonly words: (value: number) => string };
}

/** What lengths are shown in: mm of the sheet, pixels of the original, pixels of the film. */
export type LengthsIn = 'mm' | 'picture' | 'film';

/** One press of an arrow key, in what is kept. */
export const stepOf = ({ step, per = 1 }: Unit): number => step * per;

/** A value as it is kept, no finer than its unit shows it. */
export const roundedTo = (value: number, { decimals, per = 1 }: Unit, least = 0): number =>
  Number((Number((value / per).toFixed(Math.max(least, decimals))) * per).toFixed(9));

export const MM: Unit = {
  symbol: 'mm',
  others: { cm: 10, in: 25.4, '"': 25.4, m: 1000 },
  decimals: 1,
  step: 1,
};
export const DPI: Unit = { symbol: 'dpi', others: { ppi: 1, dpcm: 2.54 }, decimals: 0, step: 10 };
export const LPI: Unit = {
  symbol: 'lpi',
  others: { lpcm: 2.54, 'l/cm': 2.54 },
  inverse: { mm: 25.4, cm: 2.54, in: 1 },
  decimals: 1,
  step: 1,
};
export const DEGREES: Unit = { symbol: '°', others: { deg: 1 }, decimals: 1, step: 1 };
/** Small lengths. */
export const MICRONS: Unit = { symbol: 'µm', others: { um: 1, mm: 1000 }, decimals: 0, step: 10 };
export const PERCENT: Unit = { symbol: '%', decimals: 1, step: 1 };
export const PLAIN: Unit = { symbol: '', decimals: 2, step: 0.05 };

export const METRES: Unit = {
  symbol: 'm',
  others: { mm: 0.001, cm: 0.01, ft: 0.3048 },
  decimals: 1,
  step: 0.5,
};

/** Pixels of a picture, with no resolution to say how long they are. */
export const PIXELS: Unit = { symbol: 'px', decimals: 1, step: 0.5 };

/** Type sizes: mm, or points of 1/72 inch. */
export const EM: Unit = {
  symbol: 'mm',
  others: { cm: 10, in: 25.4, '"': 25.4, pt: 25.4 / 72 },
  decimals: 1,
  step: 1,
};
export const WHOLE: Unit = { symbol: '', decimals: 0, step: 1 };

/** Lengths of marks: mm to the thousandth, or µm. */
export const SMALL_MM: Unit = {
  symbol: 'mm',
  others: { ...MM.others, µm: 0.001, um: 0.001 },
  decimals: 3,
  step: 0.05,
};
export const FINE_MM: Unit = { ...MM, decimals: 2, step: 0.1 };

export const PPI: Unit = { symbol: 'ppi', others: { dpi: 1, dpcm: 2.54 }, decimals: 0, step: 1 };

/** A coarse grid's pixels an inch, which may be typed as the size of one too. */
export const coarseOn = (resolution: number): Unit => ({
  ...PPI,
  inverse: { mm: 25.4, cm: 2.54, µm: 25_400, um: 25_400, in: 1, px: resolution },
});

/** Coverage in percent, which may be typed as the width of a dot too, by the width that each coverage gives. */
export function dotUnit(widthOf: (coverage: number) => number): Unit {
  const coverageOf = (mm: number): number => {
    let [low, high] = [0, 1];
    for (let i = 0; i < 40; i++) {
      const middle = (low + high) / 2;
      if (widthOf(middle) < mm) low = middle;
      else high = middle;
    }
    return 100 * high;
  };
  return {
    ...PERCENT,
    made: {
      mm: coverageOf,
      cm: (cm) => coverageOf(10 * cm),
      µm: (microns) => coverageOf(microns / 1000),
      um: (microns) => coverageOf(microns / 1000),
    },
  };
}

/** A number as it is shown: no idle decimals, a space before the unit but for degrees. */
export function formatQuantity(value: number, unit: Unit): string {
  const text = String(Number((value / (unit.per ?? 1)).toFixed(unit.decimals)));
  if (unit.symbol === '') return text;
  return unit.symbol === '°' ? `${text}°` : `${text} ${unit.symbol}`;
}

/**
 * Reads what was typed: numbers with + − × ÷ and brackets, each with a unit of its own if wanted
 * (`1.5mm`, `45 lpi`, `300/4`, `2in + 3`). A comma is taken as a decimal point.
 *
 * @returns the value in the unit's own symbol, or undefined when it cannot be read
 */
export function parseQuantity(text: string, unit: Unit): number | undefined {
  const source = text
    .replace(/,/g, '.')
    .replace(/[−–]/g, '-')
    .replace(/×/g, '*')
    .replace(/÷/g, '/')
    .toLowerCase();
  let at = 0;
  const skip = () => {
    while (source[at] === ' ') at++;
  };
  const scaleHere = (): [scale: number | ((value: number) => number), over: boolean] | undefined => {
    skip();
    const found = /^[a-z%°"µ]+(?:\/cm)?/.exec(source.slice(at))?.[0];
    if (!found) return [unit.per ?? 1, false];
    at += found.length;
    if (found === unit.symbol) return [unit.per ?? 1, false];
    const scale = unit.others?.[found];
    if (scale !== undefined) return [scale, false];
    const made = unit.made?.[found];
    if (made) return [made, false];
    const over = unit.inverse?.[found];
    return over === undefined ? undefined : [over, true];
  };
  const atom = (): number | undefined => {
    skip();
    if (source[at] === '-' || source[at] === '+') {
      const sign = source[at++] === '-' ? -1 : 1;
      const value = atom();
      return value === undefined ? undefined : sign * value;
    }
    if (source[at] === '(') {
      at++;
      const value = sum();
      skip();
      return source[at++] === ')' ? value : undefined;
    }
    const digits = /^(?:\d+\.?\d*|\.\d+)/.exec(source.slice(at))?.[0];
    if (!digits) return undefined;
    at += digits.length;
    const [scale, over] = scaleHere() ?? [];
    if (scale === undefined) return undefined;
    if (typeof scale === 'function') return scale(Number(digits));
    return over ? scale / Number(digits) : Number(digits) * scale;
  };
  const chain = (part: () => number | undefined, join: Record<string, (a: number, b: number) => number>) => {
    let value = part();
    for (skip(); value !== undefined && source[at] in join; skip()) {
      const by = join[source[at++]];
      const next = part();
      value = next === undefined ? undefined : by(value, next);
    }
    return value;
  };
  const product = () => chain(atom, { '*': (a, b) => a * b, '/': (a, b) => a / b });
  const sum = (): number | undefined => chain(product, { '+': (a, b) => a + b, '-': (a, b) => a - b });
  const value = sum();
  skip();
  return at === source.length && value !== undefined && Number.isFinite(value) ? value : undefined;
}
