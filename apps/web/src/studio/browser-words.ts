/** Kinds of browsers and systems, by what browsers call themselves; the first that fits. */
const BROWSERS: readonly (readonly [RegExp, string])[] = [
  [/Edg\//, 'Edge'],
  [/Firefox\//, 'Firefox'],
  [/Chrom(?:e|ium)\//, 'Chromium'],
  [/Safari\//, 'Safari'],
];
const SYSTEMS: readonly (readonly [RegExp, string])[] = [
  [/Android/, 'Android'],
  [/iPad|iPhone/, 'iOS'],
  [/Windows/, 'Windows'],
  [/Mac OS X/, 'macOS'],
  [/Linux/, 'Linux'],
];

const first = (all: typeof BROWSERS, agent: string): string | undefined =>
  all.find(([pattern]) => pattern.test(agent))?.[1];

/** A browser in a few words. */
export const browserWords = (agent: string): string =>
  [first(BROWSERS, agent), first(SYSTEMS, agent)].filter(Boolean).join(' on ') || 'A program';
