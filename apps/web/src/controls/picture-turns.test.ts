import { Turns } from './picture-turns.ts';

/** Turns for at most two, and who has begun. */
function turnsOfTwo() {
  const turns = new Turns(2);
  const begun: string[] = [];
  return { begun, ask: (name: string) => turns.ask(() => begun.push(name)) };
}

it('begins two, and the next as soon as one has ended', () => {
  const { begun, ask } = turnsOfTwo();
  const [endA] = ['a', 'b', 'c', 'd'].map(ask);
  expect(begun).toEqual(['a', 'b']);
  endA();
  expect(begun).toEqual(['a', 'b', 'c']);
});

it('leaves out who asks no longer, and takes a turn back only once', () => {
  const { begun, ask } = turnsOfTwo();
  const [endA, endB, endC] = ['a', 'b', 'c', 'd', 'e'].map(ask);
  endC();
  endA();
  endA();
  expect(begun).toEqual(['a', 'b', 'd']);
  endB();
  expect(begun).toEqual(['a', 'b', 'd', 'e']);
});

it('is fair to one that asks while it begins', () => {
  const turns = new Turns(1);
  const begun: string[] = [];
  const endA = turns.ask(() => {
    begun.push('a');
    turns.ask(() => begun.push('b'));
  });
  expect(begun).toEqual(['a']);
  endA();
  expect(begun).toEqual(['a', 'b']);
});
