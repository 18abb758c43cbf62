import type {
  Calibration,
  Mesh,
  Picture,
  PrintedShare,
  Pyramid,
  Recipe,
  SeparationTable,
  TargetReading,
  ToneReading,
} from '@brachytone/core';
import type { Ticket } from '@brachytone/pdf';
import type { Gang, JobDocument, PictureRequest, RunFilm } from '@brachytone/job';
import type { ProofPart } from '../jobs/proofs.service.ts';
import type { MessagePort } from 'node:worker_threads';
import type { Refusal } from '@brachytone/files/read';
import type { MadeFilm, SharedMaterials, PiecePlace, PiecesWanted } from '@brachytone/files/write';

/** The simulated press: percent it gains at 50 %, and the mesh it prints through. */
export interface SimulatedOn {
  readonly gain: number;
  readonly mesh: Mesh | null;
}

/** What the worker threads tell of films: the place of one, and how far it is, or what was made of it. */
export type FilmNews = readonly [at: number, share: number | MadeFilm];

/** A file of films that is wanted. */
export interface WantedFile {
  /** Ids. */
  readonly plates: readonly string[];
  readonly path: string;
}

/** What films are made of. */
export interface FilmsGiven {
  readonly document: JobDocument;
  /** The day that labels say (ISO 8601). */
  readonly day: string;
  /** What labels say of the approval of the proof, where there was one. */
  readonly approval: string | undefined;
  readonly materials: SharedMaterials;
  /** The press's colour profile, where the job has one. */
  readonly intent: { profile: Uint8Array; name: string } | undefined;
}

/** What the worker threads do, by name: what each is given and gives back. */
export interface Tasks {
  /** Nothing: a thread that was asked is there. */
  ready: { given: null; made: null };
  /** Reads a working picture and makes its pyramid in shared memory. */
  pyramid: { given: { png: Uint8Array; deep: boolean; channels: number }; made: Pyramid };
  /** A table by which a recipe is separated by the ink model, by its name. */
  modelTable: { given: { recipe: Recipe; name: string }; made: SeparationTable };
  /** A picture of a job's exact proof, as PNG; its longer side has `longer` pixels. */
  proof: { given: { recipe: Recipe; materials: SharedMaterials; longer: number }; made: Uint8Array };
  /** A part of a job's exact proof, as PNG; or of its originals on their stock. */
  proofPart: { given: { recipe: Recipe; materials: SharedMaterials; part: ProofPart }; made: Uint8Array };
  /** A job's ticket, with what it tells as data and its picture as PNG; the films are those of a run. */
  ticket: {
    given: {
      document: JobDocument;
      materials: SharedMaterials;
      day: string;
      approval: string | undefined;
      films: readonly RunFilm[];
    };
    made: { pdf: Uint8Array; ticket: Ticket; picture: Uint8Array };
  };
  /** A picture of a print, written into a file. */
  picture: {
    given: {
      recipe: Recipe;
      materials: SharedMaterials;
      picture: PictureRequest;
      title: string;
      path: string;
    };
    made: null;
  };
  /** A print in its colours, cut into the panels of its job, as a PDF at a path; `ppi` pixels per inch. */
  panelPicture: {
    given: { document: JobDocument; materials: SharedMaterials; ppi: number; day: string; path: string };
    made: null;
  };
  /** An original of a job by itself, as a transparent PNG at a resolution (pixels per inch). */
  cutOut: {
    given: { recipe: Recipe; original: string; materials: SharedMaterials; resolution: number };
    made: Uint8Array;
  };
  /** An original's colour dots as SVG. */
  colourDots: {
    given: { recipe: Recipe; original: string; materials: SharedMaterials };
    made: string;
  };
  /** A target's films as PDF, a page an ink; or the film of one of its inks as TIFF. */
  target: {
    given: { calibration: Calibration; title: string; ink: number | undefined };
    made: Uint8Array;
  };
  /** Reads a picture of a printed target. */
  readTarget: { given: { calibration: Calibration; picture: Picture }; made: TargetReading | Refusal };
  /** The target of such a picture laid straight, as PNG. */
  straightTarget: { given: { calibration: Calibration; picture: Picture }; made: Uint8Array | Refusal };
  /** A target's readings by the simulated instrument, ink by ink, off a simulated press of such a gain at 50 %. */
  simulatedReadings: { given: { calibration: Calibration; on: SimulatedOn }; made: ToneReading[][] };
  /** A simulated scan of a target that was printed on the simulated press, as PNG. */
  simulatedScan: { given: { calibration: Calibration; on: SimulatedOn }; made: Uint8Array };
  /** A job's films as a simulated press prints them: a picture as PNG, and how much of the sheet each ink covers. */
  simulatedPrint: {
    given: { recipe: Recipe; materials: SharedMaterials; calibration: Calibration; on: SimulatedOn };
    made: { png: Uint8Array; shares: readonly PrintedShare[] };
  };
  /** Makes films that jobs share, an ink each; tells what `films` tells. */
  gangFilms: {
    given: {
      gang: Gang;
      day: string;
      /** Of each job, what its label says of the approval of its proof. */
      approvals: readonly (string | null)[];
      films: { ink: string; path: string }[];
      /** Of all jobs together. */
      materials: SharedMaterials;
      port: MessagePort;
    };
    made: MadeFilm[];
  };
  /**
   * Makes films into files side by side, so that what they have in common is made once; tells through the port how far each
   * is, as its place in the list and a share of 1, and what was made of it once it is whole.
   */
  films: {
    given: FilmsGiven & {
      /** True where other pictures follow: what is kept of these goes. */
      leavesNothing: boolean;
      /** Ids of the plates of each, and where it is to be. */
      films: WantedFile[];
      /** Pieces of them that were packed apart; none where they are still to be made. */
      packed: readonly PiecePlace[];
      port: MessagePort;
    };
    /** Percent inked; null where one file holds several plates. A file is under its own name once it is whole, and told then. */
    made: MadeFilm[];
  };
  /** Packs those pieces of a job's films that no other thread has; tells through the port how many are done. */
  filmPieces: {
    given: FilmsGiven & { wanted: PiecesWanted; port: MessagePort };
    made: PiecePlace[];
  };
}
