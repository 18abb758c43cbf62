import type { JobPress, Lab, PrintedShare, Screen } from '@brachytone/core';
import type { FileKind, JobDocument } from './document.ts';
import type { Taking } from './taking.ts';
import type { WantedFilm } from './films.ts';
import type { Series } from './series/series.ts';
import type { PictureLook } from './treatments/suits.ts';

/** What server and interface tell one another: the shapes of the API's answers. */

/** One change to a job document, there and back, as JSON patches with paths in parts. */
export interface JobStep {
  readonly label: string;
  readonly forward: readonly JobPatch[];
  readonly backward: readonly JobPatch[];
  /** Who did it, where people sign in; the server fills it in. */
  readonly by?: string;
}

export interface JobPatch {
  readonly op: 'add' | 'remove' | 'replace';
  readonly path: (string | number)[];
  readonly value?: unknown;
}

/** A job as the board lists it: what of its document can be told in a line or two. */
export interface JobSummary {
  readonly id: string;
  /** Goes up by one with every save. */
  readonly revision: number;
  readonly putAway: boolean;
  /** When it was last saved, ISO 8601. */
  readonly touched: string;
  /** Who changed it last, where people sign in. */
  readonly changedBy: string | null;
  readonly name: string;
  /** mm, and film pixels per inch. */
  readonly sheet: { readonly width: number; readonly height: number; readonly resolution: number };
  readonly stock: { readonly name: string; readonly lab: Lab };
  /** Names of its inks. */
  readonly inks: readonly string[];
  /** Its plates in printing order, each with its ink’s name. */
  readonly plates: readonly { readonly ink: string; readonly screen: Screen; readonly printed: boolean }[];
}

/** Which jobs are asked for. */
export interface JobsWish {
  /** True for those that were put away. */
  readonly away: boolean;
  /** Part of their names; empty for all. */
  readonly find: string;
  readonly order: 'touched' | 'name';
}

/** Jobs in their order, from a place on. */
export interface JobsPage {
  readonly jobs: readonly JobSummary[];
  /** Where the next page begins; null after the last job. */
  readonly next: number | null;
  /** How many are put away, whatever was asked for. */
  readonly away: number;
}

/** A job that is to be printed on a press, with the press as the job has it. */
export interface JobOnPress {
  readonly id: string;
  readonly name: string;
  readonly press: JobPress;
}

/** What a job of a picture begins with. */
export interface JobStart {
  readonly picture: { readonly sha256: string; readonly name: string };
  /** How it is treated; missing for a plain job. */
  readonly treatment?: string;
  /** mm; missing for a sheet of the picture's shape. */
  readonly sheet?: { readonly width: number; readonly height: number } | { readonly longest: number };
}

/** What goes with a job that is deleted. */
export interface JobRemoval {
  readonly pulls: number;
  readonly runs: number;
  /** Files that nothing else uses. */
  readonly files: number;
  /** What all of it takes up. */
  readonly bytes: number;
}

/** A job with its document. */
export interface JobWithDocument {
  readonly id: string;
  readonly revision: number;
  readonly putAway: boolean;
  readonly touched: string;
  /** Who changed it last, where people sign in. */
  readonly changedBy: string | null;
  readonly document: JobDocument;
}

/** Something whose document the server's program could not read. */
export interface SetAsideView {
  readonly id: string;
  readonly from: 'jobs' | 'pulls' | 'runs';
  /** What it calls itself. */
  readonly name: string;
  /** What is wrong, in a sentence. */
  readonly reason: string;
  /** True where a newer version's document can be looked at, as far as it is known here. */
  readonly canBeSeen: boolean;
}

/** A job with its undo history, of which `position` steps are done, and what is known of the files its document names. */
export interface JobView extends JobWithDocument {
  readonly steps: JobStep[];
  readonly position: number;
  readonly files: OriginalView[];
}

/** The part of the history that a save changes: steps from `from` on are replaced. */
export interface HistoryChange {
  readonly from: number;
  readonly steps: readonly JobStep[];
  readonly position: number;
}

/** What is known of a file brought in, shown in the docket. */
export interface OriginalFacts {
  /** `JPEG`, `PNG` … */
  readonly format: string;
  /** Colour as it was in the file: `RGB`, `CMYK`, `grey`. */
  readonly colour: string;
  readonly bitsPerSample: number;
  readonly alpha: boolean;
  /** Name of the embedded ICC profile, if there was one. */
  readonly profile: string | null;
  /** Pixels per inch the file says of itself, if it does. */
  readonly density: number | null;
  /** True when an orientation tag turned the picture. */
  readonly turned: boolean;
  /** Names of the inks of a file that is separated. */
  readonly inks?: readonly string[];
  /** How the colours of a file that is separated were taken, and the picture it was. */
  readonly taken?: Taking & { readonly from: string };
  /** The drawing that a picture was painted from, and the longer side asked for, in pixels. */
  readonly painted?: { readonly from: string; readonly longest: number };
  /** True for a drawing with greys or colours that are neither print nor paper. */
  readonly shades?: boolean;
  /** Name of a typeface. */
  readonly typeface?: string;
  /** What of a drawing could not be taken over, in words. */
  readonly leftOut?: readonly string[];
}

/**
 * A file brought in: sizes are of the working picture, the right way up, or of a drawing in its own units; what is no
 * picture has 0 channels.
 */
export interface OriginalView {
  readonly sha256: string;
  readonly kind: FileKind;
  readonly byteLength: number;
  readonly width: number;
  readonly height: number;
  readonly channels: number;
  /** Level of the pyramid that is at hand at once. */
  readonly smallLevel: number;
  readonly facts: OriginalFacts;
}

/** What a press's profile says of its paper and inks, as Lab. */
export interface ProfileView {
  readonly name: string;
  readonly paper: Lab;
  /** Solids over one another on it, 16 of them: cyan is bit 0, then magenta, yellow and black. */
  readonly solids: readonly Lab[];
}

/** The channels of a file that is separated: a grey picture each, what is dark in it inked. */
export interface ChannelsView {
  readonly channels: readonly { readonly name: string; readonly picture: OriginalView }[];
  /** SHA-256 of the press's profile in the file, if there is one. */
  readonly profile: string | null;
}

/** What a press printed of a pull. */
export interface PullPrint {
  /** SHA-256 of its picture: the whole sheet with its bleed. */
  readonly picture: string;
  /** How much of the sheet each ink covers. */
  readonly shares: readonly PrintedShare[];
}

/** A state of a job that was kept under a name. */
export interface PullView {
  readonly id: string;
  readonly name: string;
  readonly document: JobDocument;
  /** A simulated print of its films; null for a pull that was only proofed. */
  readonly print: PullPrint | null;
  /** When it was kept, ISO 8601. */
  readonly created: string;
}

/** Stopped: the server went away in the middle, too often. Cleaned: its files were cleaned away by the studio's rule. */
export type RunStatus = 'queued' | 'running' | 'done' | 'cancelled' | 'failed' | 'stopped' | 'cleaned';

/** What is kept: all, the newest so many runs, what is of the last days, or so much as fits. */
export type KeepRule =
  | { readonly by: 'all' }
  | { readonly by: 'runs'; readonly runs: number }
  | { readonly by: 'days'; readonly days: number }
  | { readonly by: 'size'; readonly megabytes: number };

/** What a rule would clean away, or what there is. */
export interface Amount {
  readonly count: number;
  readonly bytes: number;
}

/** Things that take up room and are told apart. */
export type StoredId =
  'jobs' | 'away' | 'history' | 'files' | 'unused' | 'films' | 'pictures' | 'older' | 'links' | 'deeds';

/** One of them: how much there is, and by which rule it is kept. */
export interface StoredView extends Amount {
  readonly id: StoredId;
  /** Null for what is never cleaned away. */
  readonly rule: KeepRule | null;
  /** Rules that it can be kept by. */
  readonly rules: readonly KeepRule['by'][];
}

/** What takes up how much. */
export interface StorageView {
  readonly stored: readonly StoredView[];
  /** What is left on the disk, bytes. */
  readonly free: number;
}

/** A film of a run. */
export interface RunFilm extends WantedFilm {
  /** Bytes of the finished file; 0 until it is, and for a plate that carries nothing, of which none is made. */
  readonly bytes: number;
  /** Percent of the film that is inked (before it is made negative); null until it is finished. */
  readonly inked: number | null;
  /** SHA-256 of the finished file, in hexadecimal; missing until it is, and in runs of before version 9. */
  readonly sha256?: string;
  /** The member of a series that it is of, by its place. */
  readonly member?: number;
  /** Why it could not be made, while others of its series were. */
  readonly problem?: string;
}

export interface RunView {
  readonly id: string;
  readonly jobId: string;
  readonly jobName: string;
  readonly status: RunStatus;
  readonly films: RunFilm[];
  /** What its labels say of the approval of the proof; null where there was none. */
  readonly approval: string | null;
  readonly message: string | null;
  /** Share of the whole run that is made, 0–1. */
  readonly progress: number;
  readonly created: string;
  readonly ended: string | null;
  /** True where jobs share the films. */
  readonly isGang: boolean;
  /** Members of the series that it was made for; 0 for a job by itself. */
  readonly members: number;
  /** True once the job is another than these films were made from. */
  readonly changed: boolean;
}

/** Errors as the server words them (RFC 9457); a refused save brings the newer job with it. */
export interface ProblemDetails {
  readonly status: number;
  readonly title: string;
  readonly detail: string;
  readonly job?: JobView;
}

/** A treatment as the shelf lists it. */
export interface TreatmentView {
  readonly id: string;
  readonly name: string;
  readonly says: string;
  /** True for one that ships with the program: it cannot be taken off the shelf. */
  readonly isShipped: boolean;
  /** Inks and stock in a few words. */
  readonly inks: readonly { readonly name: string; readonly colour: Lab }[];
  readonly stock: { readonly name: string; readonly lab: Lab };
}

/** What a picture that was brought in may become: treatments, those that suit it first. */
export interface FirstLook {
  readonly look: PictureLook;
  /** The sheet it is shown on where none is asked for, mm. */
  readonly sheet: { readonly width: number; readonly height: number };
  readonly treatments: readonly TreatmentView[];
}

/** A series with what is known of its pictures. */
export interface SeriesView {
  readonly series: Series;
  /** Goes up by one with every save; 0 before the first. */
  readonly revision: number;
  readonly files: readonly OriginalView[];
}
