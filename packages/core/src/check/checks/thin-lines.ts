import { latticeOf, type Screen } from '../../screen/screen.ts';
import { MM_PER_INCH } from '../../raster/frame.ts';
import { routeInks } from '../../separation/route.ts';
import type { Check, Checked, Found, Mend } from '../finding.ts';
import { mendOriginal, mendRuling } from '../mend.ts';
import { linesOn, thinLines, type ThinParts } from '../thin-lines.ts';
import { area, inkName, plain } from '../words.ts';

/** Areas less than these are let be, mm². */
const LITTLE = 0.3;
/** Shares of an original's line work from which on it is risky, and will fail. */
const [RISKY, FAILS] = [0.003, 0.05];

export const thinLineWork: Check = {
  id: 'thin-lines',
  why: 'Lines thinner than the press holds break off, and thin gaps fill in.',
  uses: ['leastLine', 'leastLineGap'],
  find: (checked) => [...thinWork(checked), ...screenedType(checked)],
};

function thinWork({ scene, recipe, press }: Checked): Found[] {
  const widths = { line: press.leastLine, gap: press.leastLineGap };
  /** True where line work is made of pixels that are wide enough all. */
  const isWide = ({ coarse, coarseLines }: Screen) =>
    coarse > 0 && coarseLines === true && MM_PER_INCH / coarse >= Math.max(widths.line, widths.gap);
  return recipe.plates.flatMap(({ printed, screen }, plate): Found[] =>
    !printed || isWide(screen)
      ? []
      : linesOn(scene, plate).flatMap((original): Found[] => {
          const { lines, gaps, all } = thinLines(scene, plate, original, widths);
          return [
            ...told(
              lines,
              all,
              (share) =>
                `${area(lines.mm2)} of “${original.name}” in ${inkName(recipe, plate)} is thinner than ${plain(widths.line, 2)} mm: ${plain(100 * share)} % of its line work.`,
              () => lineMends({ recipe }, original.id, widths.line, false),
            ),
            ...told(
              gaps,
              all,
              () =>
                `${area(gaps.mm2)} of gaps in “${original.name}” is thinner than ${plain(widths.gap, 2)} mm, and fills in.`,
              () => lineMends({ recipe }, original.id, widths.gap, true),
            ),
          ];
        }),
  );
}

function told(
  { mm2, places }: ThinParts,
  all: number,
  says: (share: number) => string,
  mends: () => Mend[],
): Found[] {
  const share = all > 0 ? mm2 / all : 0;
  if (mm2 < LITTLE || share < RISKY / 10) return [];
  const severity = share >= FAILS ? 'fail' : share >= RISKY ? 'risky' : 'note';
  return [{ severity, says: says(share), places, mends: mends() }];
}

function lineMends({ recipe }: Pick<Checked, 'recipe'>, id: string, width: number, gaps: boolean): Mend[] {
  const original = recipe.originals.find((one) => one.id === id);
  if (!original) return [];
  const { placement, content } = original;
  const mends: Mend[] = [];
  if (!gaps && content.kind === 'lettering' && content.outline.paint === 'solid') {
    // An outline lies half outside the letter: both sides together make a stem thicker by its width.
    const outline = Number((content.outline.width + width / 2).toFixed(2));
    mends.push(
      mendOriginal(id, `Heavier by an outline of ${plain(outline, 2)} mm`, () => ({
        content: { ...content, outline: { ...content.outline, width: outline } },
      })),
    );
  }
  const times = 1.5;
  if (placement.width * times <= recipe.sheet.width)
    mends.push(
      mendOriginal(id, 'Half as large again', () => ({
        placement: {
          ...placement,
          width: placement.width * times,
          x: placement.x - (placement.width * (times - 1)) / 2,
        },
      })),
    );
  return mends;
}

/** Cells that a stem of screened type must be wide; common practice, no source. */
const CELLS = 2;
/** Share of letters that must be thinner before it is told. */
const MOSTLY = 0.3;
/** Pixels that a stem just wide enough is drawn with: what dots make of stems needs no more. */
const STEM_PIXELS = 15;

function screenedType(checked: Checked): Found[] {
  const { scene, recipe } = checked;
  return recipe.originals.flatMap((original): Found[] => {
    const { content, route, name, id } = original;
    if (!original.shown || content.kind !== 'lettering' || content.fill !== 'gradient') return [];
    const plate = recipe.plates.findIndex(({ ink, printed }) => printed && routeInks(route).includes(ink));
    const lattice = plate < 0 ? undefined : latticeOf(recipe.plates[plate].screen);
    if (!lattice) return [];
    const width = (CELLS * MM_PER_INCH) / lattice.ruling;
    // Its letters as if they were solid.
    const solid = { ...original, content: { ...content, fill: 'solid' as const } };
    const resolution = Math.min(recipe.sheet.resolution, Math.ceil((STEM_PIXELS / width) * MM_PER_INCH));
    const {
      lines: { mm2, places },
      all,
    } = thinLines(scene, plate, solid, { line: width, gap: 0 }, resolution);
    if (all === 0 || mm2 / all < MOSTLY) return [];
    const wanted = Math.ceil(lattice.ruling * 1.5);
    return [
      {
        severity: 'risky',
        says: `“${name}” is screened at ${plain(lattice.ruling)} lpi, and ${plain((100 * mm2) / all, 0)} % of its letters is thinner than two dots (${plain(width, 2)} mm).`,
        places,
        mends: [
          mendOriginal(id, 'Make it line work', () => ({ content: { ...content, fill: 'solid' } })),
          mendRuling([plate], wanted),
        ],
      },
    ];
  });
}
