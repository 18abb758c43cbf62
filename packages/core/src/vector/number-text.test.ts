import fc from 'fast-check';
import { NumberText } from './number-text.ts';

it('writes whole numbers as JavaScript does', () =>
  fc.assert(
    fc.property(
      fc.array(fc.oneof(fc.integer(), fc.maxSafeInteger(), fc.integer({ min: -1200, max: 1200 }))),
      (numbers) => {
        const text = new NumberText();
        for (const number of numbers) {
          text.whole(number);
          text.letter(32);
        }
        expect(text.toString()).toBe(numbers.map((number) => `${number} `).join(''));
      },
    ),
  ));

it('goes on beyond its first room, with words between', () => {
  const text = new NumberText();
  const words = Array.from({ length: 5000 }, (_, i) => `w${i}`);
  for (const word of words) text.ascii(word);
  expect(text.toString()).toBe(words.join(''));
});
