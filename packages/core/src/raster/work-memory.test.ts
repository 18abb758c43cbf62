import { addressOf, WORK_PLANE } from '../kernel/memory.ts';
import type { Bits } from './bits.ts';
import type { Plane } from './plane.ts';
import { checkLoans, withWorkBits, withWorkPlane } from './work-memory.ts';

checkLoans();

describe('a lent plane', () => {
  it('lies in the kernels’ memory, is bare, and is the borrower’s alone', () => {
    withWorkPlane(40, 30, (outer) => {
      expect(addressOf(outer.data)).toBe(WORK_PLANE.address);
      expect(outer.data.every((value) => value === 0)).toBe(true);
      outer.data.fill(7);
      withWorkPlane(40, 30, (inner) => {
        expect(addressOf(inner.data)).toBeUndefined();
        inner.data.fill(9);
      });
      expect(outer.data.every((value) => value === 7)).toBe(true);
    });
    withWorkPlane(40, 30, ({ data }) => expect(data.every((value) => value === 0)).toBe(true));
  });

  it('shows nonsense to whoever keeps it, and can be lent again after a failure', () => {
    let held: Plane | undefined;
    expect(() =>
      withWorkPlane(40, 30, (plane) => {
        held = plane;
        plane.data.fill(1234);
        throw new Error('In the midst of it.');
      }),
    ).toThrow('In the midst of it.');
    expect(held?.data.includes(1234)).toBe(false);
    withWorkPlane(40, 30, ({ data }) => expect(addressOf(data)).toBe(WORK_PLANE.address));
  });

  it('is ordinary memory where it does not fit', () => {
    withWorkPlane(WORK_PLANE.bytes / 2, 2, ({ data }) => expect(addressOf(data)).toBeUndefined());
  });
});

it('bits for plates lie apart; those beyond the room for them, or asked for meanwhile, are ordinary memory', () => {
  let held: readonly Bits[] = [];
  withWorkBits(6, 100, 20, (bits) => {
    held = bits;
    expect(bits.map(({ data }) => addressOf(data) !== undefined)).toEqual([
      true,
      true,
      true,
      true,
      false,
      false,
    ]);
    bits.forEach(({ data }, k) => data.fill(k + 1));
    withWorkBits(1, 100, 20, ([other]) => other.data.fill(0xff));
    bits.forEach(({ data }, k) => expect(data.every((byte) => byte === k + 1)).toBe(true));
  });
  expect(held[0].data.includes(1)).toBe(false);
});
