import { jest } from '@jest/globals';
import { newJob, type JobView } from '@brachytone/job';
import { askEarly, takeEarly } from './early-job.ts';

const view: JobView = {
  id: 'one',
  revision: 1,
  putAway: false,
  touched: '2026-11-01T20:00:00Z',
  document: newJob({ sha256: 'a'.repeat(64), name: 'moon.png', width: 100, height: 100 }),
  steps: [],
  position: 0,
  files: [],
};

/** Stands for the page's address and for what the server answers. */
function page(pathname: string, answer: Response | Error) {
  const asked: string[] = [];
  Object.assign(globalThis, {
    location: { pathname },
    fetch: (path: string) => {
      asked.push(path);
      return answer instanceof Error ? Promise.reject(answer) : Promise.resolve(answer);
    },
  });
  return asked;
}

it('the job of the address is asked for at once, and given once', async () => {
  const asked = page('/jobs/one/tone', new Response(JSON.stringify(view)));
  const come = jest.fn();
  askEarly(come);
  expect(asked).toEqual(['/api/jobs/one']);
  expect(await takeEarly('two')).toBeUndefined();
  expect(await takeEarly('one')).toEqual(view);
  expect(come).toHaveBeenCalledWith(view);
  // What comes later is asked for anew: it may have changed.
  expect(await takeEarly('one')).toBeUndefined();
});

it('where the address names no job nothing is asked for', () => {
  const asked = page('/inks', new Response(''));
  askEarly(jest.fn());
  expect(asked).toEqual([]);
});

it.each([
  ['is not there', new Response('{}', { status: 404 })],
  ['cannot be fetched', new Error('offline')],
])('a job that %s is left to the page, which says so', async (_, answer) => {
  page('/jobs/three', answer);
  const come = jest.fn();
  askEarly(come);
  expect(await takeEarly('three')).toBeUndefined();
  expect(come).not.toHaveBeenCalled();
});
