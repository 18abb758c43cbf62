import { newJob, type JobView } from '@brachytone/job';

/** A job as the server gives it, for tests. */
export const testJob: JobView = {
  id: 'job',
  revision: 4,
  putAway: false,
  changedBy: null,
  touched: '2026-11-01T20:00:00Z',
  document: newJob({ sha256: 'a'.repeat(64), name: 'moon.png', width: 100, height: 100 }),
  steps: [],
  position: 0,
  files: [],
};
