import { edgeDistance, FAR } from './edge-distance.ts';

it('tells how far corners of pixels lie from the edge of a turned square, in pixels', () => {
  const [middle, reach] = [20.3, 11.7];
  const area = [
    [
      { x: middle, y: middle - reach },
      { x: middle + reach, y: middle },
      { x: middle, y: middle + reach },
      { x: middle - reach, y: middle },
    ],
  ];
  const region = { x: 4, y: 2, width: 34, height: 37 };
  const made = edgeDistance(area, region);
  for (let y = 0, i = 0; y < region.height; y++) {
    for (let x = 0; x < region.width; x++, i++) {
      const [dx, dy] = [Math.abs(x + region.x - middle), Math.abs(y + region.y - middle)];
      const deep = (reach - dx - dy) / Math.SQRT2;
      const isNearSide = Math.abs(dx - dy) < reach;
      if (deep > FAR) expect(made[i]).toBe(FAR);
      else if (deep < -FAR) expect(made[i]).toBeLessThan(0);
      else if (isNearSide) expect(made[i]).toBeCloseTo(deep, 5);
    }
  }
});
