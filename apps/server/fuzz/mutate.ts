import type { Random } from './random.ts';

/** Numbers at which programs err. */
const ODD_BYTES = [0, 1, 0x7f, 0x80, 0xff];
const ODD_NUMBERS = [0, -1, 1, 0.5, 1e-9, 1e9, 1e308, -1e308, 2 ** 31, 2 ** 53];
const ODD_TEXTS = [
  '',
  ' ',
  '\0',
  '\ud800',
  '🦆'.repeat(40),
  '../../etc/passwd',
  '__proto__',
  'NaN',
  'x'.repeat(5000),
];

/** Bytes changed in one to three places: flipped, overwritten, cut off, left out, doubled. */
export function mutatedBytes(bytes: Uint8Array, random: Random): Uint8Array {
  let out = Uint8Array.from(bytes);
  for (let times = 1 + random.below(3); times > 0 && out.length > 0; times--) {
    // What a file says of itself stands at its beginning, mostly.
    const at = random.next() < 0.5 ? random.below(Math.min(256, out.length)) : random.below(out.length);
    const length = Math.min(out.length - at, 1 + random.below(64));
    switch (random.below(6)) {
      case 0:
        out[at] ^= 1 << random.below(8);
        break;
      case 1:
        out[at] = random.of(ODD_BYTES);
        break;
      case 2:
        for (let i = 0; i < Math.min(4, length); i++) out[at + i] = random.of(ODD_BYTES);
        break;
      case 3:
        out = out.slice(0, Math.max(1, at));
        break;
      case 4:
        out = Uint8Array.from([...out.subarray(0, at), ...out.subarray(at + length)]);
        break;
      default:
        out = Uint8Array.from([...out.subarray(0, at + length), ...out.subarray(at)]);
    }
  }
  return out;
}

/** Words and signs that mean something in SVG. */
const WORDS = [
  '<g>',
  '</g>',
  '<use href="#a"/>',
  '<image href="/etc/hostname"/>',
  '<style>*{fill:url(x.svg#y)}</style>',
  '1e309',
  '-1',
  '0',
  'NaN',
  '"',
  '<!--',
  ']]>',
  '&#0;',
  '&a;',
  'z',
  'A1 1 0 0 1 1e9 0',
  'stroke-dasharray="1e-9"',
  'transform="matrix(0 0 0 0 0 0)"',
  'transform="scale(1e30)"',
  'clip-path="url(#a)"',
  'filter="url(#a)"',
  'viewBox="0 0 0 0"',
];

/** A text with words put in, taken out, or changed for others. */
export function mutatedText(text: string, random: Random): string {
  let out = text;
  for (let times = 1 + random.below(5); times > 0; times--) {
    const at = random.below(out.length + 1);
    const end = Math.min(out.length, at + random.below(20));
    out =
      random.next() < 0.3
        ? out.replace(/-?[\d.]+/g, (number) =>
            random.next() < 0.2 ? String(random.of(ODD_NUMBERS)) : number,
          )
        : `${out.slice(0, at)}${random.next() < 0.7 ? random.of(WORDS) : ''}${out.slice(random.next() < 0.5 ? at : end)}`;
  }
  return out;
}

const odd = (random: Random): unknown =>
  random.of<() => unknown>([
    () => random.of(ODD_NUMBERS),
    () => random.of(ODD_TEXTS),
    () => null,
    () => true,
    () => [],
    () => ({}),
    () => [null],
    () => Array.from({ length: 300 }, () => 0),
  ])();

/** A document with one to three of its values changed for others, left out or doubled. */
export function mutatedDocument(document: object, random: Random): object {
  const out = structuredClone(document) as Record<string, unknown>;
  for (let times = 1 + random.below(3); times > 0; times--) {
    let at: Record<string, unknown> | unknown[] = out;
    for (let depth = 0; depth < 12; depth++) {
      const names = Object.keys(at);
      if (names.length === 0) break;
      const name = random.of(names);
      const value = at[name];
      if (typeof value === 'object' && value !== null && random.next() < 0.85) {
        at = value as Record<string, unknown>;
        continue;
      }
      const way = random.below(5);
      if (way === 0 && !Array.isArray(at)) delete at[name];
      else if (way === 1 && Array.isArray(at)) at.push(structuredClone(value));
      else at[name] = way === 2 && typeof value === 'number' ? value * 1000 : odd(random);
      break;
    }
  }
  return out;
}
