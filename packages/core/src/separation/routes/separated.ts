import { present } from '../../base/present.ts';
import { MissingMaterial } from '../../base/errors.ts';
import { chooseLevel } from '../../raster/pyramid.ts';
import { BT709 } from '../../tone/grey.ts';
import { pictureSource } from '../../tone/picture-source.ts';
import { toneRows } from '../../tone/tone-rows.ts';
import { ink } from '../route-field.ts';
import { defineRoute, hasTwice, INK_TWICE } from '../route-kind.ts';

/** The channels of a file that is separated already, each to its ink as it is. */
export interface SeparatedRoute {
  readonly kind: 'separated';
  /** Each a grey picture of its own, of the size of the original's: what is dark in it is inked. */
  readonly channels: readonly { readonly picture: string; readonly ink: string }[];
}

const idsOf = ({ channels }: SeparatedRoute): string[] => channels.map((one) => one.ink);

export const separatedRoute = defineRoute<SeparatedRoute>({
  kind: 'separated',
  name: 'As separated',
  says: 'The channels of the file as they are, number for number',
  fields: {
    channels: {
      type: 'list',
      label: 'Channels',
      least: 1,
      most: 16,
      of: { picture: { type: 'file', label: 'Channel' }, ink: ink('Ink') },
    },
  },
  problem: (route) => (hasTwice(idsOf(route)) ? INK_TWICE : undefined),
  suits: 'separated',
  start: ({ channels }) => ({
    route: {
      kind: 'separated',
      channels: channels.map(({ picture, ink: { id } }) => ({ picture, ink: id })),
    },
    inks: channels.map((channel) => channel.ink),
  }),
  isColour: true,
  inks: idsOf,
  lineInks: idsOf,
  rows({ channels }, id, { name, source, tone, pictures }) {
    const { picture } = present(
      channels.find((one) => one.ink === id),
      'channel of this ink',
    );
    const pyramid = pictures.get(picture);
    if (!pyramid) throw new MissingMaterial('picture', name, picture);
    const level = chooseLevel(pyramid, source.scale);
    const channel = present(pyramid.levels[level], 'level of the channel');
    return toneRows(pictureSource(channel, 2 ** level, source.ppi), {
      grey: { weights: BT709, reading: 'dots' },
      steps: tone.steps,
    });
  },
  pictures: ({ channels }) => channels.map(({ picture }) => picture),
});
