import fc from 'fast-check';
import { setCacheShare } from '../base/cache.ts';
import { cutRows } from './rows.ts';
import { greyPicture, toneOf, toneStep } from '../testing.ts';
import { pictureSource } from '../tone/picture-source.ts';
import { toneRows } from '../tone/tone-rows.ts';
import type { Plane } from './plane.ts';
import { bandPlane, beginTask, endTasks, releaseBand } from './band-plane.ts';
import { addressOf, BANDS_BYTES } from '../kernel/memory.ts';

const LARGE = BANDS_BYTES / 8;

it('bands lie anywhere as long as nobody says when work ends', () => {
  expect(addressOf(bandPlane(10, 10).data)).toBeUndefined();
});

describe('in the kernels’ memory', () => {
  beforeEach(beginTask);

  it('no two planes overlap, and each has room for a kernel to write a little beyond', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(90), fc.boolean()), { maxLength: 60 }), (steps) => {
        const held: Plane[] = [];
        for (const [width, lets] of steps) {
          if (lets && held.length > 0) {
            releaseBand(held.splice(width % held.length, 1)[0]);
            if (width % 3 === 0) beginTask();
          } else held.push(bandPlane(width + 1, 3));
        }
        const spans = held
          .map(({ data }) => [addressOf(data)!, addressOf(data)! + data.byteLength + 14])
          .sort(([a], [b]) => a - b);
        for (let i = 1; i < spans.length; i++) expect(spans[i][0]).toBeGreaterThanOrEqual(spans[i - 1][1]);
        held.forEach(releaseBand);
        beginTask();
      }),
      { seed: 4, numRuns: 100 },
    );
  });

  it('what is retired is not used again before the work has ended', () => {
    const plane = bandPlane(100, 100);
    releaseBand(plane);
    const other = bandPlane(100, 100);
    expect(addressOf(other.data)).not.toBe(addressOf(plane.data));
    beginTask();
    expect(addressOf(bandPlane(100, 100).data)).toBe(addressOf(plane.data));
    releaseBand(other);
  });

  it('parts given back in any order make one again; where there is no room planes lie elsewhere', () => {
    for (const order of [
      [0, 1, 2],
      [2, 0, 1],
      [1, 2, 0],
    ]) {
      const planes = Array.from({ length: 3 }, () => bandPlane(LARGE, 1));
      expect(planes.every(({ data }) => addressOf(data) !== undefined)).toBe(true);
      const full = bandPlane(LARGE, 2);
      expect(addressOf(full.data)).toBeUndefined();
      expect(full.data).toHaveLength(2 * LARGE);
      for (const i of order) releaseBand(planes[i]);
      beginTask();
      // All but what small planes of other tests still hold.
      const most = bandPlane(LARGE - 8e4, 4);
      expect(addressOf(most.data)).toBeDefined();
      releaseBand(most);
      beginTask();
    }
  });

  it('tones made piece by piece, long enough for memory to be used again, are those made at once', () => {
    const picture = greyPicture(900, 700, (x, y) => ((x * 31 + y * 17) % 97) + (x + y) / 12);
    const tone = (mid: number) =>
      toneOf(
        toneStep('levels', { mid }),
        toneStep('recover', { shadows: 50, radius: 30 }),
        toneStep('blur', { radius: 1 }),
        toneStep('specks', { size: 2 }),
        toneStep('curve'),
      );
    const part = (mid: number, y: number, height: number, leastBand?: number) => {
      const rows = toneRows(pictureSource(picture, 1, 300), tone(mid), leastBand);
      return cutRows(rows, { x: 0, y, width: 900, height }).data;
    };
    const mids = Array.from({ length: 9 }, (_, i) => 0.5 + i / 10);
    // Little is kept, so that the first are gone when they are asked for again.
    setCacheShare(0.02);
    for (const mid of [...mids, mids[0], mids[4]]) {
      beginTask();
      const made = part(mid, 200, 260);
      const whole = part(mid, 0, 700, 700).slice(200 * 900, 460 * 900);
      expect(
        Buffer.compare(new Uint8Array(made.buffer, 0, made.byteLength), new Uint8Array(whole.buffer)),
      ).toBe(0);
    }
  });

  it('after the last piece of work planes lie anywhere again; those let go later leave their room', () => {
    const plane = bandPlane(100, 100);
    endTasks();
    expect(addressOf(bandPlane(10, 10).data)).toBeUndefined();
    releaseBand(plane);
    beginTask();
    expect(addressOf(bandPlane(100, 100).data)).toBe(addressOf(plane.data));
  });
});
