import {
  placedHeight,
  startOf,
  stepKind,
  type Crop,
  type Lettering,
  type OriginalRecipe,
  type PictureContent,
  type ToneStep,
} from '@brachytone/core';
import type { JobDocument } from '../document.ts';
import { resetLettering } from '../lettering.ts';
import { cropToSheet, placeWithin, WHOLE_CROP } from '../placing.ts';
import { cutText } from '../text-schema.ts';
import type { LaidWith } from '../treatments/lay-treatment.ts';
import { OWN_LEVELS } from '../treatments/treatment.ts';
import { sizedStep } from '../treatments/sized.ts';
import type { Series, SeriesMember } from './series.ts';

/** The picture of a job that members of a series stand in for: that of its lowest original that is printed. */
export const seriesPicture = ({ recipe }: JobDocument): string | undefined =>
  recipe.originals.flatMap(({ content, route }) =>
    content.kind === 'picture' && route.kind !== 'stock' ? [content.picture] : [],
  )[0];

/** Words with what stands in a row in place of `{column}`; what no column is called stays. */
export const filledIn = (text: string, fields: Readonly<Record<string, string>>): string =>
  text.replace(/\{([^{}]+)\}/g, (whole, name: string) => fields[name.trim()] ?? whole);

/** Number of a member as its films say it: as many digits as the last one's. */
export const memberNumber = ({ members }: Series, at: number): string =>
  String(at + 1).padStart(String(members.length).length, '0');

/**
 * The job of one member of a series: the job as it is, with this one's picture, crop and levels, and its words in the lettering.
 *
 * @param at place of the member, from 0
 */
export function memberDocument(
  document: JobDocument,
  series: Series,
  at: number,
  materials: Pick<LaidWith, 'pictures' | 'typefaces'>,
): JobDocument {
  const member = series.members[at];
  const instead = seriesPicture(document);
  const no = memberNumber(series, at);
  const fields = { no, name: nameOf(member), series: document.name, ...member.fields };
  return {
    ...document,
    name: cutText(`${document.name} ${no}`, 120),
    recipe: {
      ...document.recipe,
      originals: document.recipe.originals.map((one) =>
        one.content.kind === 'lettering'
          ? lettered(one, one.content, fields, materials)
          : one.content.kind === 'picture' && one.content.picture === instead
            ? pictured(one, one.content, series, member, materials)
            : one,
      ),
    },
  };
}

/** A picture's name without its ending. */
export const nameOf = ({ picture }: SeriesMember): string =>
  picture?.name.replace(/\.[a-z0-9]{2,5}$/i, '') ?? '';

function lettered(
  original: OriginalRecipe,
  content: Lettering,
  fields: Readonly<Record<string, string>>,
  { typefaces }: Pick<LaidWith, 'typefaces'>,
): OriginalRecipe {
  const text = filledIn(content.text, fields);
  const face = typefaces.get(content.font);
  if (text === content.text || !face) return original;
  // Nothing is nothing to be set: a letter that has no ink keeps its place.
  return resetLettering(original, { text: text.trim() === '' ? '\u00a0' : text }, face, face);
}

function pictured(
  original: OriginalRecipe,
  content: PictureContent,
  series: Series,
  { picture, crop, levels }: SeriesMember,
  { pictures }: Pick<LaidWith, 'pictures'>,
): OriginalRecipe {
  const before = pictures.get(content.picture);
  const now = picture ? pictures.get(picture.sha256) : before;
  if (!before || !now) return original;
  const { placement } = original;
  const box = {
    x: placement.x,
    y: placement.y,
    width: placement.width,
    height: placedHeight(original, before),
  };
  const own = crop ?? (picture ? (series.fit === 'fill' ? cropToSheet(box, now) : WHOLE_CROP) : content.crop);
  const placed = { ...placement, ...within(box, own, now) };
  const perMm = (size: { readonly width: number }, part: Crop, width: number) =>
    (part.width * size.width) / width;
  const px = perMm(now, own, placed.width) / perMm(before, content.crop, placement.width);
  const ends = series.ownLevels ? now.ends : undefined;
  return {
    ...original,
    content: {
      ...content,
      picture: picture?.sha256 ?? content.picture,
      crop: own,
      // What is cut away of one picture is not of another.
      cut: picture && content.cut?.by === 'hand' ? null : content.cut,
    },
    placement: placed,
    tone: {
      ...original.tone,
      steps: [
        ...levelsOf(levels ?? ends),
        ...original.tone.steps
          // Strokes of a hand are that picture's, as are levels by its tones where this one has its own.
          .filter(({ id, kind }) => !picture || (kind !== 'brush' && !(ends && id === OWN_LEVELS)))
          .map((step) => sizedStep(step, { mm: 1, px })),
      ],
    },
  };
}

/** A part of a picture as large as a box allows, in its middle. */
const within = (
  box: Parameters<typeof placeWithin>[0],
  crop: Crop,
  size: { readonly width: number; readonly height: number },
) => {
  const { x, y, width } = placeWithin(box, (crop.width * size.width) / (crop.height * size.height));
  return { x, y, width };
};

const levelsOf = (
  levels: { readonly bare: number; readonly solid: number } | null | undefined,
): ToneStep[] =>
  levels
    ? [
        {
          id: 'member-levels',
          kind: 'levels',
          on: true,
          settings: { ...startOf(stepKind('levels')), ...levels },
        },
      ]
    : [];
