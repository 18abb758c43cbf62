import { frameOf } from '@brachytone/core';
import fc from 'fast-check';
import { moveOf, type Place } from './kept-picture.ts';
import { dragged, layOut, visiblePart, zoomAround, zoomWords } from './geometry.ts';

const sheet = { width: 297, height: 420, bleed: 0 };
const frame = frameOf(sheet, 1200);
const table = { width: 972, height: 630 };

describe('the sheet on the table', () => {
  it('cannot be dragged or zoomed out of sight', () => {
    const view = { zoom: 1, centre: { x: 100, y: 100 }, screenPpi: null };
    const lie = layOut(view, sheet, frame, table, 1);
    for (const by of [5000, -5000]) {
      const centre = dragged(lie, { x: by, y: by }, table, 1);
      expect(visiblePart(layOut({ ...view, centre }, sheet, frame, table, 1), frame, table)).toBeDefined();
    }
    const away = zoomAround(lie, frame, { x: 5, y: 5 }, 40, table, 1);
    expect(
      visiblePart(layOut({ ...away, screenPpi: null }, sheet, frame, table, 1), frame, table),
    ).toBeDefined();
  });
  it('takes the picture that was made of it along, wherever it is dragged or zoomed', () => {
    const place = fc.record({
      zoom: fc.double({ min: 0.5, max: 8, noNaN: true }),
      centre: fc.record({ x: fc.integer({ min: 0, max: 297 }), y: fc.integer({ min: 0, max: 420 }) }),
    });
    fc.assert(
      fc.property(place, place, fc.double({ min: 0, max: 1, noNaN: true }), (was, now, at) => {
        const [before, after] = [was, now].map((one) => {
          const lie = layOut({ ...one, screenPpi: null }, sheet, frame, table, 1);
          return { lie, part: visiblePart(lie, frame, table)! };
        });
        // A point of the film in the old picture.
        const film = {
          x: before.part.view.x + at * before.part.view.width,
          y: before.part.view.y + at * before.part.view.height,
        };
        const on = ({ view, left, top }: Place) => ({
          x: left + ((film.x - view.x) / view.width) * view.columns,
          y: top + ((film.y - view.y) / view.height) * view.rows,
        });
        const move = moveOf(before.part, after.part);
        const old = on(before.part);
        expect(old.x * move.scale + move.left).toBeCloseTo(on(after.part).x, 6);
        expect(old.y * move.scale + move.top).toBeCloseTo(on(after.part).y, 6);
      }),
    );
  });
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
