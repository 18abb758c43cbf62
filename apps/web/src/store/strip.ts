import type { JobDocument } from '@brachytone/job';
import { formatQuantity, parseQuantity, roundedTo, type Unit } from '../words/quantity.ts';

/** Where a number stands in the job document. */
export type NumberPath = readonly (string | number)[];

/** A number that is tried at several values. */
export interface StripAxis {
  readonly label: string;
  readonly path: NumberPath;
  readonly unit: Unit;
  readonly least: number;
  readonly most: number;
  /** True when ratios count, not differences. */
  readonly ratio: boolean;
  readonly from: number;
  readonly to: number;
  /** How many values. */
  readonly count: number;
  /** Values that were typed instead of a span; missing where there are none. */
  readonly typed?: readonly number[];
}

/** A test strip: one number at several values side by side, or two as a grid. */
export interface Strip {
  readonly across: StripAxis;
  readonly down: StripAxis | null;
  /** True when every band shows the same patch of the sheet. */
  readonly patch: boolean;
}

export const BANDS = { least: 3, most: 6 } as const;

const round = (value: number, unit: Unit): number => roundedTo(value, unit, 2);

/** The values of an axis: those typed, or from its first to its last in even steps or even ratios. */
export function stripValues({ from, to, count, ratio, unit, typed }: StripAxis): readonly number[] {
  if (typed) return typed;
  const even = ratio && from > 0 && to > 0;
  return Array.from({ length: count }, (_, i) => {
    const share = i / (count - 1);
    return round(even ? from * (to / from) ** share : from + (to - from) * share, unit);
  });
}

/** An axis with values as they were typed: `5, 35, 50` or `0.2 mm; 1/3 mm`; undefined when they cannot be read, or are not two to six. */
export function withTyped(axis: StripAxis, text: string): StripAxis | undefined {
  // A single comma between digits is a decimal one.
  const mark = text.includes(';') ? ';' : /,\s|,[^,]*,/.test(text) ? ',' : /\s+/;
  const read = text
    .trim()
    .split(mark)
    .map((one) => parseQuantity(one, axis.unit));
  const values = read.filter((value) => value !== undefined);
  if (values.length < read.length || values.length < 2 || values.length > BANDS.most) return undefined;
  return { ...axis, typed: values.map((value) => Math.min(axis.most, Math.max(axis.least, value))) };
}

/** The values of an axis as they can be typed. */
export const valuesText = (axis: StripAxis): string =>
  stripValues(axis)
    .map((value) => formatQuantity(value, { ...axis.unit, symbol: '' }))
    .join(', ');

/** An axis with another span or number of values; what was typed goes. */
export function withSpan({ typed: _, ...axis }: StripAxis, span: Partial<StripAxis>): StripAxis {
  return { ...axis, ...span };
}

/** A number with the span around its value that is worth trying. */
export function axisAround(
  axis: Omit<StripAxis, 'from' | 'to' | 'count'>,
  value: number,
  usual: readonly [number, number],
  count: number,
): StripAxis {
  const { least, most, unit } = axis;
  const keep = (to: number) => round(Math.min(most, Math.max(least, to)), unit);
  if (axis.ratio && value > 0) return { ...axis, from: keep(value / 1.8), to: keep(value * 1.8), count };
  const reach = (usual[1] - usual[0]) / 4;
  // At an end of its range a number is tried towards the other.
  const low = Math.max(usual[0], Math.min(value - reach, usual[1] - 2 * reach));
  return { ...axis, from: keep(low), to: keep(low + 2 * reach), count };
}

/**
 * Where a number of a plate's screen stands, and the same number of the plates that are set alike; angles stay each plate's own.
 *
 * @param alike ids of these plates
 */
export function alikePaths(
  { recipe }: JobDocument,
  path: NumberPath,
  alike: readonly string[],
): NumberPath[] {
  const [, , at, part] = path;
  const isScreen = path[0] === 'recipe' && path[1] === 'plates' && part === 'screen';
  if (!isScreen || path[path.length - 1] === 'angle') return [path];
  const { kind } = recipe.plates[at as number].screen;
  const others = recipe.plates.flatMap(({ id, screen }, i) =>
    i !== at && alike.includes(id) && screen.kind === kind
      ? [['recipe', 'plates', i, ...path.slice(3)] as const]
      : [],
  );
  return [path, ...others];
}

/** A copy of a document with numbers put in their places. */
export function withNumbers(
  document: JobDocument,
  numbers: readonly { path: NumberPath; value: number }[],
): JobDocument {
  const put = (node: unknown, path: NumberPath, value: number): unknown => {
    if (path.length === 0) return value;
    const [first, ...rest] = path;
    if (Array.isArray(node))
      return node.map((one, i) => (i === first ? put(one, rest, value) : (one as unknown)));
    const members = node as Record<string, unknown>;
    return { ...members, [first]: put(members[first], rest, value) };
  };
  return numbers.reduce<unknown>((made, { path, value }) => put(made, path, value), document) as JobDocument;
}

export const samePath = (a: NumberPath, b: NumberPath): boolean => a.join('/') === b.join('/');
