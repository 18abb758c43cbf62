import { holds, without, type Area } from '../path/area.ts';
import { edgeIndex } from './edge-index.ts';

const circle = (x: number, y: number, radius: number): Area => [
  Array.from({ length: 180 }, (_, k) => {
    const angle = (k * Math.PI) / 90;
    return { x: Math.round(x + radius * Math.cos(angle)), y: Math.round(y + radius * Math.sin(angle)) };
  }),
];

describe('what boxes are to an area with holes', () => {
  const area = without(circle(5000, 5000, 5000), [
    ...circle(5000, 5000, 2000),
    ...circle(8200, 5000, 700),
    ...circle(2500, 7300, 300),
  ]);
  const near = edgeIndex(area);
  const boxes = Array.from({ length: 20_000 }, (_, k) => {
    const [left, top] = [(k * 7919) % 10_000, (k * 104_729) % 10_000];
    return { left, top, right: left + 60, foot: top + 60 };
  });

  it('inside is wholly inside, and outside wholly outside, asked in any order', () => {
    let [inside, outside, wrong] = [0, 0, 0];
    for (const box of boxes) {
      const place = near(box);
      if (place === 'edge') continue;
      if (place === 'inside') inside++;
      else outside++;
      for (const [x, y] of [
        [box.left, box.top],
        [box.right, box.foot],
        [box.left, box.foot],
        [box.right, box.top],
      ])
        if (holds(area, x, y) !== (place === 'inside')) wrong++;
    }
    expect(wrong).toBe(0);
    expect(inside).toBeGreaterThan(5000);
    expect(outside).toBeGreaterThan(3000);
  });

  it('few boxes count as across the edge that lie clear of it', () => {
    const across = boxes.filter((box) => near(box) === 'edge').length;
    expect(across / boxes.length).toBeLessThan(0.1);
  });
});
