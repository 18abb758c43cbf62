import { randomAt } from '../base/random.ts';
import { createBits, setBit, type Bits } from '../raster/bits.ts';
import { encodeGroup4, group4Stream, packRows } from './group4.ts';

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

/** Heights of pieces that end within bytes of all kinds. */
const PIECES = [1, 2, 3, 5, 1, 8, 13, 1, 1, 25];
const FILMS = [dotted(331, 60, 1), dotted(1000, 60, 2), dotted(17, 60, 3), dotted(8, 60, 4)];

/** Pieces of a film, with the row above each. */
function* piecesOf(film: Bits): Generator<{ piece: Bits; above: Uint8Array | undefined }> {
  let y = 0;
  for (const rows of PIECES) {
    const above = y === 0 ? undefined : rowsOf(film, y - 1, y).data;
    yield { piece: rowsOf(film, y, y + rows), above };
    y += rows;
  }
}

it('streams that take turns come to what each comes to by itself', () => {
  const streams = FILMS.map(() => ({ stream: group4Stream(), parts: [] as Uint8Array[] }));
  const pieces = FILMS.map((film) => [...piecesOf(film)]);
  PIECES.forEach((_, i) => {
    for (const [k, { stream, parts }] of streams.entries()) parts.push(stream.rows(pieces[k][i].piece));
  });
  streams.forEach(({ stream, parts }, k) => {
    expect(Buffer.concat([...parts, stream.end()]).equals(encodeGroup4(FILMS[k]))).toBe(true);
  });
});

it('pieces that are packed apart, the last first, come to what the whole comes to', () => {
  for (const film of FILMS) {
    const packed = [...piecesOf(film)].reverse().map(({ piece, above }) => packRows(piece, above));
    const stream = group4Stream();
    const parts = packed.reverse().map((rows) => stream.packed(rows));
    expect(Buffer.concat([...parts, stream.end()]).equals(encodeGroup4(film))).toBe(true);
  }
});
