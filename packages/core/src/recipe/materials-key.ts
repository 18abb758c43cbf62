import { numberOf } from '../base/identity.ts';
import type { Materials } from './scene.ts';

/** Cache key: equal iff they are the same pictures, drawings, typefaces and tables, as far as these have arrived. */
export const materialsKey = ({ pictures, drawings, typefaces, tables }: Materials): string =>
  [pictures, drawings, typefaces, tables ?? new Map<string, object>()]
    .flatMap((kind) => [...kind.values()])
    .map(numberOf)
    .join(' ');
