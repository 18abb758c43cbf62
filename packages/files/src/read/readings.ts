import type { Intent, Picture, SeparationTable } from '@brachytone/core';
import type { FileKind, OriginalFacts, ProfileView } from '@brachytone/job';
import { Problem } from '@brachytone/job';

/** A file as it is kept. */
export interface Kept {
  readonly picture: Omit<Picture, 'data' | 'channels'> & { readonly channels: 0 | Picture['channels'] };
  readonly kind: FileKind;
  readonly facts: OriginalFacts;
  readonly working: Uint8Array;
  readonly small: Uint8Array | undefined;
  readonly smallLevel: number;
}

/** Why a file was not taken. */
export interface Refusal {
  readonly problem: { readonly status: number; readonly title: string; readonly detail: string };
}

/** What work with a file from outside gives, or why it was refused. */
export async function orRefusal<Made>(work: () => Made | Promise<Made>): Promise<Made | Refusal> {
  try {
    return await work();
  } catch (error) {
    if (!(error instanceof Problem)) throw error;
    return { problem: { status: error.status, title: error.title, detail: error.message } };
  }
}

/** What was made; a refusal is thrown as the problem it tells of. */
export function madeOrProblem<Made extends object>(made: Made | Refusal): Made {
  if ('problem' in made) throw new Problem(made.problem.status, made.problem.title, made.problem.detail);
  return made;
}

/** What readers do with files from outside, by name: what each is given and gives back. */
export interface ReaderTasks {
  /**
   * Reads a file brought in: of a picture facts, working picture and small level as PNG; of a drawing (0 channels) the
   * drawing as JSON; of a font (0 channels) the font in a kind that can be read at once.
   */
  intake: { given: { bytes: Uint8Array }; made: Kept };
  /** Takes the colours of a CMYK file in another way. */
  retake: { given: { bytes: Uint8Array; intent: Intent; compensate: boolean }; made: Kept };
  /** A drawing as a picture with alpha, its longer side so many pixels long. */
  paint: { given: { bytes: Uint8Array; longest: number }; made: Kept };
  /** The channels of a separated file as grey pictures, and the press's profile that lies in it. */
  channels: {
    given: { bytes: Uint8Array };
    made: { channels: { name: string; kept: Kept }[]; profile: Uint8Array | undefined };
  };
  /** Amounts of the process inks by a press's profile. */
  separation: {
    given: { profile: Uint8Array; intent: Intent; compensate: boolean };
    made: SeparationTable;
  };
  /** What a press's profile says of its paper and inks. */
  profile: { given: { profile: Uint8Array }; made: ProfileView };
}

/** What a reader is asked. */
export interface Question<Name extends keyof ReaderTasks = keyof ReaderTasks> {
  readonly name: Name;
  readonly given: ReaderTasks[Name]['given'];
}

/** What it answers: at once that it has begun, and then what was made, or a failure that nobody expected. */
export type Answer = { readonly begun: true } | { readonly made: object } | { readonly failure: string };
