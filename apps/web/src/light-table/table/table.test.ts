import { frameOf } from '@brachytone/core';
import { movePoint } from '../docket/curve-points.ts';
import { moveCorner } from './crop-moves.ts';
import { dragged, layOut, visiblePart, zoomAround } from './geometry.ts';

const sheet = { width: 297, height: 420 };
const frame = frameOf(sheet, 1200);
const table = { width: 972, height: 630 };

describe('the sheet on the table', () => {
  it('fits, whole and inside', () => {
    const lie = layOut({ zoom: 'fit', centre: null }, sheet, frame, table, 1);
    expect(lie.left).toBeGreaterThan(0);
    expect(lie.top + lie.height).toBeLessThan(table.height);
    const part = visiblePart(lie, frame, table)!;
    expect(part.view.columns).toBe(lie.width);
    expect(part.view.width).toBeLessThanOrEqual(frame.width + 1e-6);
  });
  it('at every dot shows one film pixel on one screen pixel, at any pixel ratio', () => {
    for (const ratio of [1, 1.5, 2]) {
      const lie = layOut({ zoom: 'dots', centre: { x: 100, y: 200 } }, sheet, frame, table, ratio);
      const { view } = visiblePart(lie, frame, table)!;
      expect(view.width).toBeCloseTo(view.columns, 9);
      expect(view.x).toBeCloseTo(Math.round(view.x), 6);
    }
  });
  it('zooms around the pointer and moves with the hand', () => {
    const lie = layOut({ zoom: 3, centre: { x: 100, y: 100 } }, sheet, frame, table, 1);
    const point = { x: 700, y: 200 };
    const before = { x: (point.x - lie.left) / lie.scale, y: (point.y - lie.top) / lie.scale };
    const after = layOut(zoomAround(lie, frame, point, 2, table, 1), sheet, frame, table, 1);
    expect((point.x - after.left) / after.scale).toBeCloseTo(before.x, 0);
    expect((point.y - after.top) / after.scale).toBeCloseTo(before.y, 0);
    const moved = layOut(
      { zoom: 3, centre: dragged(lie, { x: 40, y: -25 }, table, 1) },
      sheet,
      frame,
      table,
      1,
    );
    expect([moved.left - lie.left, moved.top - lie.top]).toEqual([40, -25]);
  });
  it('out of sight has no visible part', () => {
    const lie = layOut({ zoom: 2, centre: { x: 9000, y: 0 } }, sheet, frame, table, 1);
    expect(visiblePart(lie, frame, table)).toBeUndefined();
  });
});

describe('handles', () => {
  const crop = { x: 0.2, y: 0.2, width: 0.4, height: 0.4 };
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
