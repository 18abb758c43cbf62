import { Problem, treatedJob, type Laid, type Treatment } from '@brachytone/job';
import { sheetNamed } from './input.ts';
import type { Originals } from './originals.ts';

/** Longer side of the picture that a drawing is painted as, pixels: 600 for each inch of an A4 sheet. */
const PAINTED = 7168;

/** A job of one picture in a treatment. */
export async function treatPicture(
  bytes: Uint8Array,
  name: string,
  treatment: Treatment,
  sheet: string | undefined,
  originals: Originals,
): Promise<Laid> {
  const file = await originals.add(bytes);
  if (file.kind !== 'picture' && file.kind !== 'drawing')
    throw new Problem(422, 'Not a picture', 'This is no picture and no line art.');
  const { sha256, width, height } =
    file.kind === 'drawing' ? await originals.paint(file.sha256, PAINTED) : file;
  return treatedJob(
    treatment,
    { sha256, name, width, height },
    await originals.laidWith(),
    sheetNamed(sheet, width > height),
  );
}
