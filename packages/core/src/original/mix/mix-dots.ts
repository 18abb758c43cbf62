import type { Bits } from '../../raster/bits.ts';
import type { Plane } from '../../raster/plane.ts';
import { readInto } from '../../raster/read-rows.ts';
import type { Region } from '../../raster/region.ts';
import type { Mix } from '../../recipe/mix.ts';
import { screened } from '../../screen/screened.ts';
import { toneRows, toTones } from '../../tone/tone-rows.ts';
import { placeOriginal, type PlacedOriginal } from '../place-original.ts';

/** The dots of its own that an original is mixed with, in a region of its grid. */
export const mixDots = ({ screen }: Mix, placed: PlacedOriginal, region: Region): Bits =>
  screened(screen, placed.frame, region, (frame, part, out) =>
    tonesOf(
      frame === placed.frame
        ? placed
        : placeOriginal({ original: placed.original, materials: placed.materials, frame }),
      part,
      out,
    ),
  );

/** An original's own tones, or those its letters are filled with. */
function tonesOf({ original, tones, layers }: PlacedOriginal, part: Region, out: Plane): Plane {
  if (!tones) return layers?.(part).fill?.tone ?? out;
  const rows = toneRows(tones.source, original.tone);
  readInto(rows, toTones(tones.toSource, tones.source, rows), part, out);
  return out;
}
