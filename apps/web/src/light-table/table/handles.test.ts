import { boxCorners, boxToPicture, mapPoint, turnOf } from '@brachytone/core';
import { freeId, newGradient } from '@brachytone/job';
import { cropToRatio } from '../docket/original/crop-ratios.ts';
import { movePoint } from '../docket/tone/curve-points.ts';
import { moveThreshold } from '../docket/tone/thresholds.ts';
import { moveCorner, turnedAbout } from './crop-moves.ts';
import { catches, pullCorner, snap, turnTo } from './place-moves.ts';

const crop = { x: 0.2, y: 0.2, width: 0.4, height: 0.4, turn: 0 };

describe('handles', () => {
  it('move a corner of the crop, in the picture and in shape', () => {
    const free = moveCorner(crop, { x: 1, y: 1 }, { x: 0.9, y: 0.7 }, undefined);
    expect([free.x, free.y]).toEqual([0.2, 0.2]);
    expect(free.width).toBeCloseTo(0.7, 9);
    expect(free.height).toBeCloseTo(0.5, 9);
    const kept = moveCorner(crop, { x: 1, y: 1 }, { x: 3, y: 3 }, 1);
    expect(kept.width).toBeCloseTo(0.8, 9);
    expect(kept.height).toBeCloseTo(0.8, 9);
    const tiny = moveCorner(crop, { x: 0, y: 0 }, { x: 2, y: 2 }, undefined);
    expect(tiny.width).toBeGreaterThan(0);
    expect(tiny.x + tiny.width).toBeCloseTo(0.6, 9);
  });
  it('resize a turned crop with the opposite corner held', () => {
    const picture = { width: 400, height: 300 };
    const turned = { ...crop, turn: 20 };
    const turn = turnOf(20);
    const next = turnedAbout(
      turned,
      moveCorner(turned, { x: 1, y: 1 }, { x: 0.65, y: 0.7 }, undefined),
      picture,
      turn,
    );
    const leftTop = (one: typeof turned) => {
      const { x, y } = mapPoint(boxToPicture(one, picture), 0, 0);
      return [x, y];
    };
    const [before, after] = [leftTop(turned), leftTop(next)];
    expect(next.width).toBeCloseTo(0.45, 9);
    expect(after[0]).toBeCloseTo(before[0], 6);
    expect(after[1]).toBeCloseTo(before[1], 6);
  });
  it('move a point of the curve between its neighbours', () => {
    const points = [
      { in: 0, out: 0 },
      { in: 50, out: 50 },
      { in: 100, out: 100 },
    ];
    expect(movePoint(points, 1, { in: 120, out: 130 })[1]).toEqual({ in: 99, out: 100 });
    expect(movePoint(points, 0, { in: -5, out: 20 })[0]).toEqual({ in: 0, out: 20 });
  });
});

describe('placing on the table', () => {
  const placement = { x: 20, y: 30, width: 80, turn: 0, mirrored: false };
  const sheet = { width: 200, height: 300 };
  it('catches middles and edges within reach, and says on what', () => {
    const places = catches(sheet, [{ x: 10, y: 10, width: 50, height: 20 }]);
    const box = { x: 61.5, y: 100, width: 80, height: 60 };
    expect(snap(box, places, 2)).toEqual({ x: 60, y: 100, lines: { x: 60 } });
    expect(snap({ ...box, x: 75, y: 118.4 }, places, 2)).toEqual({ x: 75, y: 120, lines: { y: 150 } });
    expect(snap({ ...box, x: 71, y: 105 }, places, 0.5)).toEqual({ x: 71, y: 105, lines: {} });
  });
  it('pulls a corner with the opposite one held, turned or not, in its shape', () => {
    const original = { ...newGradient('g', 'ink-1', sheet), placement: { ...placement, turn: 30 } };
    const height = 40;
    const [held, , corner] = boxCorners(original, height);
    const to = { x: corner.x + (corner.x - held.x) * 0.5, y: corner.y + (corner.y - held.y) * 0.5 };
    const pulled = pullCorner(original.placement, height, held, corner, to, 1);
    expect(pulled.width).toBeCloseTo(120, 9);
    const [after] = boxCorners({ ...original, placement: pulled }, 60);
    expect(after.x).toBeCloseTo(held.x, 9);
    expect(after.y).toBeCloseTo(held.y, 9);
    expect(pullCorner(placement, height, held, corner, held, 1).width).toBeCloseTo(1, 9);
  });
  it('turns anticlockwise and catches every 15°, unless told not to', () => {
    const middle = { x: 50, y: 50 };
    expect(turnTo({ x: 50, y: 90 }, middle, false)).toBe(0);
    expect(turnTo({ x: 90, y: 50 }, middle, false)).toBe(90);
    const near = { x: 50 + 40 * Math.sin(0.27), y: 50 + 40 * Math.cos(0.27) };
    expect(turnTo(near, middle, false)).toBe(15);
    expect(turnTo(near, middle, true)).toBe(15.5);
  });
});

describe('small moves of the docket', () => {
  it('keep thresholds between their neighbours', () => {
    expect(moveThreshold([20, 50, 80], 1, 95)).toEqual([20, 79, 80]);
    expect(moveThreshold([20], 0, -5)).toEqual([1]);
  });
  it('give a crop a shape around its middle, as large as before and in the picture', () => {
    const picture = { width: 400, height: 300 };
    const square = cropToRatio(crop, picture, 1);
    expect((square.width * 400) / (square.height * 300)).toBeCloseTo(1, 9);
    expect(square.width * square.height).toBeCloseTo(crop.width * crop.height, 9);
    expect(square.x + square.width / 2).toBeCloseTo(0.4, 9);
    const wide = cropToRatio({ x: 0, y: 0.8, width: 1, height: 0.2, turn: 0 }, picture, 9);
    expect(wide.width).toBeLessThanOrEqual(1);
    expect(wide.y + wide.height).toBeLessThanOrEqual(1 + 1e-12);
  });
  it('find an id nobody has', () => {
    expect(freeId('step', [{ id: 'step-1' }, { id: 'step-3' }])).toBe('step-4');
  });
});
