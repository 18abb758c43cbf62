import { randomAt } from '../base/random.ts';
import { createBits, setBit, type Bits } from '../raster/bits.ts';
import { encodeGroup4, group4Stream } from './group4.ts';

/** Rows of runs that change a little from row to row, as dots do. */
function dotted(width: number, height: number, seed: number): Bits {
  const bits = createBits(width, height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      if (Math.sin(x / 3 + seed) * Math.cos(y / 3) * 200 > (randomAt(seed, x >> 3, y >> 3) % 200) - 100)
        setBit(bits, x, y);
  return bits;
}

const rowsOf = ({ width, stride, data }: Bits, from: number, to: number): Bits => ({
  width,
  stride,
  height: to - from,
  data: data.subarray(from * stride, to * stride),
});

it('streams that take turns come to what each comes to by itself', () => {
  const films = [dotted(331, 60, 1), dotted(1000, 60, 2), dotted(17, 60, 3)];
  const streams = films.map(({ width }) => group4Stream(width));
  const parts: Uint8Array[][] = films.map(() => []);
  // Pieces of different heights, so that they end within bytes of all kinds.
  for (let y = 0; y < 60; y += 5)
    films.forEach((film, i) => {
      parts[i].push(streams[i].rows(rowsOf(film, y, y + 2)), streams[i].rows(rowsOf(film, y + 2, y + 5)));
    });
  streams.forEach((stream, i) => parts[i].push(stream.end()));
  films.forEach((film, i) => {
    expect(Buffer.concat(parts[i]).equals(encodeGroup4(film))).toBe(true);
  });
});

it('a stream that is never ended spoils none that follows', () => {
  const film = dotted(200, 20, 4);
  group4Stream(500).rows(dotted(500, 3, 5));
  const whole = encodeGroup4(film);
  const [first, second] = [group4Stream(200), group4Stream(300)];
  const begun = first.rows(rowsOf(film, 0, 9));
  second.rows(dotted(300, 4, 6));
  expect(Buffer.concat([begun, first.rows(rowsOf(film, 9, 20)), first.end()]).equals(whole)).toBe(true);
});
