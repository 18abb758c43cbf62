import { numberOf } from '../base/identity.ts';
import type { Scene } from '../recipe/scene.ts';

/** Cache key: equal iff scenes are made of the same pictures, drawings, typefaces and tables, as far as these have arrived. */
export const materialsKey = ({ pictures, drawings, typefaces, tables }: Scene): string =>
  [pictures, drawings, typefaces, tables ?? new Map<string, object>()]
    .flatMap((kind) => [...kind.values()])
    .map(numberOf)
    .join(' ');
