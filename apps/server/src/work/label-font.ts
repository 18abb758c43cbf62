import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { present } from '@brachytone/core';
import { LABEL_TYPEFACE, SHIPPED_TYPEFACES } from '@brachytone/job';
import { TYPEFACES_FOLDER } from '../paths.ts';

const { file } = present(
  SHIPPED_TYPEFACES.find(({ sha256 }) => sha256 === LABEL_TYPEFACE),
  'typeface of labels',
);

/** The typeface of text in files that has none of its own. */
export const labelFont = (): Uint8Array => readFileSync(join(TYPEFACES_FOLDER, file));
