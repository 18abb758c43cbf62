import { jest } from '@jest/globals';
import { askEarly, takeEarly } from './early-job.ts';
import { testJob } from './testing.ts';

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
  const asked = page('/jobs/job/tone', new Response(JSON.stringify(testJob)));
  const come = jest.fn();
  askEarly(come);
  expect(asked).toEqual(['/api/jobs/job']);
  expect(await takeEarly('two')).toBeUndefined();
  expect(await takeEarly('job')).toEqual(testJob);
  expect(come).toHaveBeenCalledWith(testJob);
  // What comes later is asked for anew: it may have changed.
  expect(await takeEarly('job')).toBeUndefined();
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
