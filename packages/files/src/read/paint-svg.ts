import { Resvg } from '@resvg/resvg-js';
import { Problem } from '@brachytone/job';
import { readPicture, type ReadPicture } from './read-picture.ts';
import { soundSvg } from './sound-svg.ts';

/** Pixels of the largest picture painted from a drawing. */
export const MOST_PAINTED = 32e6;

/**
 * A drawing as a picture with alpha in sRGB: its greys and colours, gradients, patterns, masks and filters as SVG means them. Nothing outside the
 * file is looked at.
 *
 * @param longest side in pixels; fewer where the picture would have more than `MOST_PAINTED`
 * @throws Problem that says what is wrong with the file
 */
export async function paintSvg(bytes: Uint8Array, longest: number): Promise<ReadPicture> {
  const { text } = soundSvg(new TextDecoder().decode(bytes));
  const { width, height } = open(text);
  const [long, short] = [Math.max(width, height), Math.min(width, height)];
  const pixels = Math.max(1, Math.floor(Math.min(longest, Math.sqrt((MOST_PAINTED * long) / short))));
  const fitTo: { mode: 'width' | 'height'; value: number } = {
    mode: width >= height ? 'width' : 'height',
    value: pixels,
  };
  const painted = open(text, fitTo).render().asPng();
  const { picture, facts } = await readPicture(painted);
  return { picture, facts: { ...facts, format: 'SVG', profile: null, density: null } };
}

function open(text: string, fitTo?: { mode: 'width' | 'height'; value: number }): Resvg {
  try {
    return new Resvg(text, { font: { loadSystemFonts: false }, ...(fitTo ? { fitTo } : {}) });
  } catch (error) {
    throw new Problem(
      422,
      'Drawing not painted',
      `The SVG file is damaged or not whole (${(error as Error).message.split('\n')[0]}). Nothing was changed.`,
    );
  }
}
