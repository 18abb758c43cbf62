import { cutText } from '@brachytone/job';

/** Letters of a name in a file that are kept. */
const LONGEST = 200;

/** What a file calls something, as it may be kept and shown: without control characters, halves of letters and signs that stand for none. */
export const soundText = (text: string): string =>
  cutText(text.replace(/[\p{Cc}\p{Cs}\p{Cn}\p{Co}]/gu, ''), LONGEST).trim();
