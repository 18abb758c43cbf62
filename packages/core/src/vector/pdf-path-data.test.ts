import { pdfDotsData } from './pdf-path-data.ts';
import type { PathData } from './path-data.ts';

const square = (x: number, y: number, side: number) => (out: PathData) => {
  out.move(x - side, y - side);
  out.line(x + side, y - side);
  out.line(x + side, y + side);
  out.line(x - side, y + side);
  out.close();
};

/** Points of the paths that a content stream paints, in its own units, each path by itself; only what dots are written in (ISO 32000-1, annex A). */
function painted(content: string): [number, number][][] {
  let map = { scale: 1, x: 0, y: 0 };
  const kept: (typeof map)[] = [];
  const paths: [number, number][][] = [];
  let path: [number, number][] = [];
  let numbers: number[] = [];
  for (const word of content.split(/\s+/)) {
    if (!Number.isNaN(Number(word))) {
      numbers.push(Number(word));
      continue;
    }
    const [a, b, c, d, e, f] = numbers;
    if (word === 'q') kept.push(map);
    else if (word === 'Q') map = kept.pop()!;
    else if (word === 'cm') {
      expect([b, c, a]).toEqual([0, 0, d]);
      map = { scale: map.scale * a, x: map.x + map.scale * e, y: map.y + map.scale * f };
    } else if (word === 'm' || word === 'l') path.push([map.x + map.scale * a, map.y + map.scale * b]);
    else if (word === 'f*') {
      paths.push(path);
      path = [];
    } else expect(word).toBe('h');
    numbers = [];
  }
  expect(kept).toEqual([]);
  return paths;
}

it('writes dots that touch no other about their middles, and all others in one path', () => {
  const by = 3;
  const out = pdfDotsData(by, 8);
  const places = Array.from({ length: 200 }, (_, k) => [k * 1000.3, 40_000 - k * 177.7] as const);
  for (const [x, y] of places) square(x, y, 40.4)(out.alone!(x, y));
  for (const [x, y] of places.slice(0, 3)) square(x, y, 90)(out);
  const paths = painted(out.text());
  expect(paths).toHaveLength(201);
  places.forEach(([x, y], k) => {
    expect(paths[k]).toHaveLength(4);
    expect(Math.abs(paths[k][0][0] * by - (x - 40.4))).toBeLessThanOrEqual(by / 8);
    expect(Math.abs(paths[k][2][1] * by - (y + 40.4))).toBeLessThanOrEqual(by / 8);
  });
  expect(paths[200]).toHaveLength(12);
  expect(Math.abs(paths[200][4][0] * by - (1000.3 - 90))).toBeLessThanOrEqual(by / 2);
});

it('writes nothing where there is none', () => {
  expect(pdfDotsData().text()).toBe('');
  const joined = pdfDotsData();
  square(10, 10, 5)(joined);
  expect(painted(joined.text())).toHaveLength(1);
});
