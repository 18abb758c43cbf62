import type { Region } from '../../raster/region.ts';
import { mmToPixels } from '../../raster/frame.ts';
import type { Panels } from '../../recipe/panels.ts';
import type { FilmLayout } from '../film-layout.ts';
import { RULER } from '../marks/ruler.ts';
import { evenSeams, seamsFit, type Strip } from './seams.ts';

/** A part of a film that one sheet of paper holds. */
export interface Panel {
  readonly column: number;
  readonly row: number;
  /** Its part of the film, in whole film pixels; neighbours have their overlap in common. */
  readonly region: Region;
}

/** Where the ruler, the map and the words of a panel stand, mm under it. */
export const PANEL_FOOT = 12;
/** The ruler that proves the scale, mm. */
export const PANEL_RULER = RULER;

/** Least that a sheet must print beside its overlap, mm. */
const LEAST = 10;

/** What a sheet of paper prints of the film across and down, once the scale is corrected; undefined where that is nothing worth having. */
export function stripsOf(
  panels: Panels,
  { mm }: Pick<FilmLayout, 'mm'>,
): { readonly across: Strip; readonly down: Strip } | undefined {
  const { paper, margin, overlap } = panels;
  // A printer that prints too large takes less of the film on a sheet.
  const scale = panelScale(panels);
  const across = { length: mm.width, usable: (paper.width - 2 * margin) / scale, overlap };
  const down = { length: mm.height, usable: (paper.height - 2 * margin - PANEL_FOOT) / scale, overlap };
  return Math.min(across.usable, down.usable) >= overlap + LEAST ? { across, down } : undefined;
}

/** What has to be printed of a length, so that it comes out as long as it is. */
export const panelScale = ({ ruler }: Pick<Panels, 'ruler'>): number => PANEL_RULER / ruler;

/** A film's panels row by row; seams that no longer fit are evened out. */
export function panelsOf(panels: Panels, layout: FilmLayout): Panel[] {
  const strips = stripsOf(panels, layout);
  if (!strips) return [];
  const across = cuts(strips.across, panels.across);
  const down = cuts(strips.down, panels.down);
  const pixel = (mm: number) => Math.round(mmToPixels(mm, layout.grid));
  return down.flatMap(([top, foot], row) =>
    across.map(([left, right], column) => {
      const x = Math.max(0, pixel(left));
      const y = Math.max(0, pixel(top));
      return {
        column,
        row,
        region: {
          x,
          y,
          width: Math.min(layout.width, pixel(right)) - x,
          height: Math.min(layout.height, pixel(foot)) - y,
        },
      };
    }),
  );
}

/** Seams that are used: those asked for, or even ones where they do not fit. */
export const usedSeams = (strip: Strip, asked: readonly number[]): readonly number[] =>
  seamsFit(strip, asked) ? asked : evenSeams(strip);

/** From and to of each part, with half an overlap beyond its seams. */
function cuts(strip: Strip, asked: readonly number[]): [number, number][] {
  const seams = usedSeams(strip, asked);
  const half = strip.overlap / 2;
  const edges = [0, ...seams, strip.length];
  return edges
    .slice(1)
    .map((edge, i): [number, number] => [
      i === 0 ? 0 : edges[i] - half,
      i === seams.length ? edge : edge + half,
    ]);
}
