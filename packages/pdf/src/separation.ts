import { inkModel, predict, type Ink } from '@brachytone/core';
import { name, type PdfFile, type PdfRef } from './pdf-file.ts';

/** Steps of a tint that its colour is sampled at. */
const STEPS = 32;
/** What Lab is bounded to here: a* and b*. */
const RANGE = [-128, 127] as const;
/** D50, as ICC profiles have it. */
const D50 = [0.9642, 1, 0.8249];

/** Lab as a colour space (ISO 32000-1, section 8.6.5.4). */
const labSpace = ['Lab', { WhitePoint: D50, Range: [...RANGE, ...RANGE] }];

/** Stock as white as can be: an ink's own colour is what a file tells of it; what it is printed on is not in the file. */
const WHITE = [100, 0, 0] as const;

/**
 * A separation named after an ink (section 8.6.6.4). Where a reader has no such ink it shows its colour, tint by tint as the ink model has it, in Lab
 * through a sampled function.
 *
 * @param n Yule–Nielsen factor
 */
export function separation(file: PdfFile, ink: Ink, n: number): unknown {
  return ['Separation', name(ink.name), labSpace, tintColours(file, [ink], n)];
}

/** Several of them as one space (section 8.6.6.5): the first printed first. */
export function severalInks(file: PdfFile, inks: readonly Ink[], n: number): unknown {
  return ['DeviceN', inks.map((ink) => name(ink.name)), labSpace, tintColours(file, inks, n)];
}

/** Steps of each of several inks: their product is what has to be sampled. */
const stepsOf = (inks: number): number => [STEPS + 1, STEPS + 1, 17, 9, 6, 4, 3, 3, 3][inks] ?? 2;

/** A sampled function (section 7.10.2) from tints to Lab. */
function tintColours(file: PdfFile, inks: readonly Ink[], n: number): PdfRef {
  const steps = stepsOf(inks.length);
  const model = inkModel({ lab: WHITE, yuleNielsen: n }, inks);
  const samples = new Uint16Array(steps ** inks.length * 3);
  const amounts = new Float64Array(inks.length);
  for (let at = 0; at < samples.length / 3; at++) {
    // The first ink's tint runs fastest.
    for (let i = 0, rest = at; i < inks.length; i++, rest = Math.floor(rest / steps))
      amounts[i] = (rest % steps) / (steps - 1);
    const [l, a, b] = predict(model, amounts);
    const part = (value: number, least: number, most: number) =>
      Math.round((Math.min(most, Math.max(least, value)) - least) * (65535 / (most - least)));
    samples.set([part(l, 0, 100), part(a, ...RANGE), part(b, ...RANGE)], 3 * at);
  }
  const bytes = new Uint8Array(samples.length * 2);
  const view = new DataView(bytes.buffer);
  samples.forEach((sample, i) => view.setUint16(2 * i, sample));
  const made = file.ref({
    FunctionType: 0,
    Domain: inks.flatMap(() => [0, 1]),
    Range: [0, 100, ...RANGE, ...RANGE],
    Size: inks.map(() => steps),
    BitsPerSample: 16,
  });
  made.end(Buffer.from(bytes));
  return made;
}
