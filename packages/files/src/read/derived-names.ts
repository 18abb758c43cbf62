import { createHash } from 'node:crypto';
import type { Taking } from '@brachytone/job';

/** Names of pictures that are made of a file in another way, as if each were the SHA-256 of a file of its own. */

const nameOf = (text: string): string => createHash('sha256').update(text).digest('hex');

/** A CMYK file whose colours are taken another way. */
export const takenName = (from: string, { intent, compensate }: Taking): string =>
  nameOf(`${from} taken ${intent} ${compensate}`);

/** A drawing painted as a picture, its longer side so many pixels. */
export const paintedName = (drawing: string, longest: number): string =>
  nameOf(`${drawing} painted ${longest}`);

/** A channel of a separated file, counted from 0. */
export const channelName = (from: string, channel: number): string => nameOf(`${from} channel ${channel}`);

/** SHA-256 of a file, in hexadecimal. */
export const fileSum = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');
