import { SOLID } from './plane.ts';

/**
 * A table of what each coverage becomes.
 *
 * @param of whole numbers 0–65535 to whole numbers 0–65535
 */
export function coverageTable(of: (coverage: number) => number): Uint16Array {
  // A loop, for `from` takes several times as long over so many.
  const table = new Uint16Array(SOLID + 1);
  for (let i = 0; i <= SOLID; i++) table[i] = of(i);
  return table;
}
