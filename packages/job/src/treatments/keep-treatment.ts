import type { OriginalRecipe, Route } from '@brachytone/core';
import type { JobDocument } from '../document.ts';
import { OWN_LEVELS, standIn, TREATMENT_VERSION, type TreatedPicture, type Treatment } from './treatment.ts';

/** Pixels per mm where a job has no picture. */
const USUAL_PER_MM = 10;

/** What a treatment goes by. */
export interface KeptAs extends Pick<Treatment, 'name' | 'says' | 'sizes'> {
  /** True where levels are to be set by each picture's own tones first. */
  readonly ownLevels: boolean;
}

/**
 * The treatment of a job: what it is made from is left out, and what was painted on it by hand; what is hidden is not part of it.
 *
 * @param pictures sizes of the job's pictures, by the SHA-256 of their files
 */
export function treatmentOf(
  document: JobDocument,
  { ownLevels, ...kept }: KeptAs,
  pictures: ReadonlyMap<string, TreatedPicture>,
): Treatment {
  const { recipe } = document;
  const { picture: _picture, ...stock } = recipe.stock;
  const shown = recipe.originals.filter((one) => one.shown);
  const files = [...new Set(shown.flatMap(fileOf))];
  return {
    treatment: TREATMENT_VERSION,
    ...kept,
    levels: ownLevels ? 'picture' : 'kept',
    perMm: perMmOf(shown, pictures),
    job: {
      ...document,
      name: kept.name,
      notices: [],
      recipe: {
        ...recipe,
        stock,
        originals: shown.map((one) => withoutFiles(one, files, ownLevels)),
        plates: recipe.plates.map(({ mask: _mask, regions: _regions, ...plate }) => ({
          ...plate,
          strokes: [],
        })),
      },
    },
  };
}

const fileOf = ({ content }: OriginalRecipe): string[] =>
  content.kind === 'picture' ? [content.picture] : content.kind === 'drawing' ? [content.drawing] : [];

/** Pixels of the first picture for each mm of the sheet. */
function perMmOf(
  originals: readonly OriginalRecipe[],
  pictures: ReadonlyMap<string, TreatedPicture>,
): number {
  for (const { content, placement } of originals) {
    if (content.kind !== 'picture') continue;
    const size = pictures.get(content.picture);
    if (size) return Math.min(1000, Math.max(0.01, (content.crop.width * size.width) / placement.width));
  }
  return USUAL_PER_MM;
}

function withoutFiles(
  original: OriginalRecipe,
  files: readonly string[],
  ownLevels: boolean,
): OriginalRecipe {
  const { content, container, fade, route, tone } = original;
  return {
    ...original,
    name: NAMES[content.kind],
    locked: false,
    content:
      content.kind === 'picture'
        ? { ...content, picture: standIn(files.indexOf(content.picture)), cut: null }
        : content.kind === 'drawing'
          ? { ...content, drawing: standIn(files.indexOf(content.drawing)) }
          : content.kind === 'lettering'
            ? { ...content, text: NAMES.lettering }
            : content,
    tone: {
      ...tone,
      steps: tone.steps.filter(({ id, kind }) => kind !== 'brush' && !(ownLevels && id === OWN_LEVELS)),
    },
    container: container?.shape === 'path' ? null : container,
    fade: fade && { ...fade, strokes: [] },
    route: withoutChannels(route),
  };
}

const NAMES = {
  picture: 'Picture',
  drawing: 'Line art',
  lettering: 'Lettering',
  gradient: 'Gradient',
  tint: 'Flat tint',
} as const satisfies Record<OriginalRecipe['content']['kind'], string>;

/** Channels of a separated file are that file's alone: another picture's colours go to the same inks. */
function withoutChannels(route: Route): Route {
  if (route.kind === 'bands')
    return { ...route, painted: route.painted.map((one) => ({ ...one, strokes: [] })) };
  if (route.kind !== 'separated') return route;
  const inks = [...new Set(route.channels.map(({ ink }) => ink))];
  const [first] = inks;
  return inks.length < 2
    ? { kind: 'ink', ink: first }
    : { kind: 'spot', inks: inks.slice(0, 8), limit: Math.min(800, 100 * inks.length) };
}
