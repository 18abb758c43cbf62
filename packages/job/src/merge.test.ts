import { merge } from './merge.ts';

const plate = (id: string, parts: object = {}) => ({ id, ruling: 45, angle: 45, ...parts });
const base = { name: 'Tide', plates: [plate('k'), plate('r')], curve: [0, 50, 100] };

describe('merge', () => {
  test('takes what only one changed', () => {
    const mine = { ...base, name: 'Low tide' };
    const theirs = { ...base, plates: [plate('k', { ruling: 60 }), plate('r')] };
    expect(merge(base, mine, theirs)).toEqual({ value: { ...theirs, name: 'Low tide' }, clashes: [] });
  });

  test('goes by ids in lists, wherever they have moved', () => {
    const mine = { ...base, plates: [plate('k'), plate('r', { angle: 15 })] };
    const theirs = { ...base, plates: [plate('r', { ruling: 30 }), plate('y'), plate('k')] };
    expect(merge(base, mine, theirs)).toEqual({
      value: { ...base, plates: [plate('r', { ruling: 30, angle: 15 }), plate('y'), plate('k')] },
      clashes: [],
    });
  });

  test('keeps what both added, and leaves out what either took away', () => {
    const mine = { ...base, plates: [plate('k'), plate('r'), plate('m')] };
    const theirs = { ...base, plates: [plate('y'), plate('k')] };
    expect(merge(base, mine, theirs).value.plates.map(({ id }) => id)).toEqual(['y', 'k', 'm']);
  });

  test('tells what both changed, and takes whose is asked for', () => {
    const mine = { ...base, name: 'A', plates: [plate('k', { ruling: 30, angle: 0 }), plate('r')] };
    const theirs = { ...base, name: 'B', plates: [plate('k', { ruling: 60 }), plate('r')] };
    const { value, clashes } = merge(base, mine, theirs, 'mine');
    expect(clashes).toEqual([
      { place: ['name'], base: 'Tide', mine: 'A', theirs: 'B' },
      { place: ['plates', 'k', 'ruling'], base: 45, mine: 30, theirs: 60 },
    ]);
    expect(value).toEqual({ ...base, name: 'A', plates: [plate('k', { ruling: 30, angle: 0 }), plate('r')] });
    expect(merge(base, mine, theirs, 'theirs').value.plates[0]).toEqual(plate('k', { ruling: 60, angle: 0 }));
  });

  test('something taken away by one and changed by the other is a clash; so is an order both changed', () => {
    const gone = { ...base, plates: [plate('r')] };
    const changed = { ...base, plates: [plate('k', { ruling: 60 }), plate('r')] };
    expect(merge(base, gone, changed).clashes.map(({ place }) => place)).toEqual([['plates', 'k']]);
    const three = { plates: [plate('a'), plate('b'), plate('c')] };
    const orders = (...ids: string[]) => ({ plates: ids.map((id) => plate(id)) });
    expect(merge(three, orders('b', 'a', 'c'), orders('a', 'c', 'b')).clashes).toHaveLength(1);
    expect(merge(three, orders('b', 'a', 'c'), three).value).toEqual(orders('b', 'a', 'c'));
  });

  test('lists without ids are one part, and so are things of different kinds', () => {
    expect(
      merge(base, { ...base, curve: [0, 40, 100] }, { ...base, curve: [0, 60, 100] }).clashes,
    ).toHaveLength(1);
    const screen = (parts: object) => ({ screen: { kind: 'dots', ruling: 45, ...parts } });
    const both = merge(screen({}), screen({ ruling: 60 }), screen({ kind: 'lines' }));
    expect(both.clashes.map(({ place }) => place)).toEqual([['screen']]);
  });

  test('changes to different parts come to the same in either order, whatever they are', () => {
    // Invented documents: ten plates of five numbers; each side changes numbers of its own.
    let seed = 7;
    const random = (below: number): number => {
      seed = (seed * 1103515245 + 12345) % 2147483648;
      return Math.floor((seed / 2147483648) * below);
    };
    const start = {
      plates: Array.from({ length: 10 }, (_, i) => ({ id: `p${i}`, a: 0, b: 0, c: { d: 0, e: 0 } })),
    };
    type Start = typeof start;
    const changed = (document: Start, plates: (i: number) => boolean, value: number): Start => ({
      plates: document.plates.map((one, i) =>
        !plates(i)
          ? one
          : [
              { ...one, a: value },
              { ...one, b: value },
              { ...one, c: { ...one.c, d: value } },
            ][random(3)],
      ),
    });
    for (let turn = 1; turn <= 200; turn++) {
      const mine = changed(start, (i) => i % 2 === 0 && random(2) === 0, turn);
      const theirs = changed(start, (i) => i % 2 === 1 && random(2) === 0, -turn);
      const one = merge(start, mine, theirs);
      expect(one.clashes).toEqual([]);
      expect(one.value).toEqual(merge(start, theirs, mine).value);
      one.value.plates.forEach((plate, i) => expect(plate).toEqual((i % 2 === 0 ? mine : theirs).plates[i]));
    }
  });
});
