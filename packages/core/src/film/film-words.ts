/** What a film says of itself that is not in its recipe. */
export interface FilmWords {
  /** Name of the job. */
  readonly job: string;
  /** The day it is made, as it is to be read. */
  readonly day: string;
  /** What is said of the approval of the proof, where there was one. */
  readonly approval?: string | undefined;
  /** Left and right exchanged. */
  readonly mirrored: boolean;
}

/** For films whose labels are not looked at. */
export const NO_WORDS: FilmWords = { job: '', day: '', mirrored: false };
