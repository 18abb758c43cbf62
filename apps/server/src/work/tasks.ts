import type { Picture, Pyramid, Recipe } from '@brachytone/core';
import type { JobDocument, OriginalFacts } from '@brachytone/job';
import type { MessagePort } from 'node:worker_threads';

/** Pictures by SHA-256, their samples in memory that threads share. */
export type SharedPictures = Record<string, Pyramid>;

/** What the worker threads do, by name: what each is given and gives back. */
export interface Tasks {
  /** Reads a working picture and makes its pyramid in shared memory. */
  pyramid: { given: { png: Uint8Array; deep: boolean; channels: number }; made: Pyramid };
  /** Reads a file brought in: facts, working picture and small level as PNG. */
  intake: {
    given: { bytes: Uint8Array };
    made:
      | {
          picture: Omit<Picture, 'data'>;
          facts: OriginalFacts;
          working: Uint8Array;
          small: Uint8Array;
          smallLevel: number;
        }
      | { problem: { status: number; title: string; detail: string } };
  };
  /** A picture of a job's exact proof, as PNG; its longer side has `longer` pixels. */
  proof: { given: { recipe: Recipe; pictures: SharedPictures; longer: number }; made: Uint8Array };
  /** Makes one film into a file, telling how far it is through the port as a share of 1. */
  film: {
    given: {
      document: JobDocument;
      plate: number;
      pictures: SharedPictures;
      path: string;
      port: MessagePort;
    };
    made: { bytes: number; inked: number };
  };
}
