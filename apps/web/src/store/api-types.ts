import type { JobDocument } from '@brachytone/job';
import type { JobStep } from './history.ts';

/** A job as the server lists it. */
export interface JobSummary {
  readonly id: string;
  readonly revision: number;
  readonly putAway: boolean;
  readonly touched: string;
  readonly document: JobDocument;
}

export interface JobView extends JobSummary {
  readonly steps: JobStep[];
  readonly position: number;
}

export interface OriginalView {
  readonly sha256: string;
  readonly byteLength: number;
  readonly width: number;
  readonly height: number;
  readonly channels: number;
  readonly smallLevel: number;
  readonly facts: {
    readonly format: string;
    readonly colour: string;
    readonly bitsPerSample: number;
    readonly alpha: boolean;
    readonly profile: string | null;
    readonly density: number | null;
    readonly turned: boolean;
  };
}

export interface RunView {
  readonly id: string;
  readonly jobId: string;
  readonly jobName: string;
  readonly status: 'queued' | 'running' | 'done' | 'cancelled' | 'failed' | 'stopped';
  readonly films: {
    readonly plate: string;
    readonly ink: string;
    readonly file: string;
    readonly bytes: number;
    readonly inked: number | null;
  }[];
  readonly message: string | null;
  readonly progress: number;
  readonly created: string;
  readonly ended: string | null;
}

/** Errors as the server words them (RFC 9457). */
export interface ProblemDetails {
  readonly status: number;
  readonly title: string;
  readonly detail: string;
  readonly job?: JobView;
}
