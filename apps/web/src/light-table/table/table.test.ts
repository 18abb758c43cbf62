import { frameOf } from '@brachytone/core';
import { dragged, layOut, visiblePart, zoomAround, zoomWords } from './geometry.ts';

const sheet = { width: 297, height: 420, bleed: 0 };
const frame = frameOf(sheet, 1200);
const table = { width: 972, height: 630 };

describe('the sheet on the table', () => {
  it('fits, whole and inside', () => {
    const lie = layOut({ zoom: 'fit', centre: null, screenPpi: null }, sheet, frame, table, 1);
    expect(lie.left).toBeGreaterThan(0);
    expect(lie.top + lie.height).toBeLessThan(table.height);
    const part = visiblePart(lie, frame, table)!;
    expect(part.view.columns).toBe(lie.width);
    expect(part.view.width).toBeLessThanOrEqual(frame.width + 1e-6);
  });
  it('at every dot shows one film pixel on one screen pixel, at any pixel ratio', () => {
    for (const ratio of [1, 1.5, 2]) {
      const lie = layOut(
        { zoom: 'dots', centre: { x: 100, y: 200 }, screenPpi: null },
        sheet,
        frame,
        table,
        ratio,
      );
      const { view } = visiblePart(lie, frame, table)!;
      expect(view.width).toBeCloseTo(view.columns, 9);
      expect(view.x).toBeCloseTo(Math.round(view.x), 6);
    }
  });
  it('at print size is as large as it will be printed, by the pixels of the screen', () => {
    for (const [screenPpi, perInch] of [
      [null, 96],
      [128.5, 128.5],
    ] as const) {
      for (const ratio of [1, 2]) {
        const lie = layOut({ zoom: 'print', centre: null, screenPpi }, sheet, frame, table, ratio);
        expect((lie.film.width / ratio / perInch) * 25.4).toBeCloseTo(sheet.width, 0);
        expect(zoomWords(lie, ratio, screenPpi)).toBe('100 %');
      }
    }
  });
  it('zooms around the pointer and moves with the hand', () => {
    const lie = layOut({ zoom: 3, centre: { x: 100, y: 100 }, screenPpi: null }, sheet, frame, table, 1);
    const point = { x: 700, y: 200 };
    const before = { x: (point.x - lie.left) / lie.scale, y: (point.y - lie.top) / lie.scale };
    const after = layOut(
      { ...zoomAround(lie, frame, point, 2, table, 1), screenPpi: null },
      sheet,
      frame,
      table,
      1,
    );
    expect((point.x - after.left) / after.scale).toBeCloseTo(before.x, 0);
    expect((point.y - after.top) / after.scale).toBeCloseTo(before.y, 0);
    const moved = layOut(
      { zoom: 3, centre: dragged(lie, { x: 40, y: -25 }, table, 1), screenPpi: null },
      sheet,
      frame,
      table,
      1,
    );
    expect([moved.left - lie.left, moved.top - lie.top]).toEqual([40, -25]);
  });
  it('out of sight has no visible part', () => {
    const lie = layOut({ zoom: 2, centre: { x: 9000, y: 0 }, screenPpi: null }, sheet, frame, table, 1);
    expect(visiblePart(lie, frame, table)).toBeUndefined();
  });
});
