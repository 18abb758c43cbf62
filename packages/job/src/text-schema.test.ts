import { nameFromFile, textLine, textLines } from './text-schema.ts';

const REFUSED = ['a\u0000b', 'a\u0001b', 'a\u007fb', 'a\ud800b'];

describe('texts', () => {
  it.each(REFUSED)('with what cannot be printed are refused with a sentence (%j)', (text) => {
    expect(textLine(20).label('The name').validate(text).error?.message).toBe(
      '"The name" has characters in it that cannot be printed. Type it without them.',
    );
    expect(textLines(1, 20).validate(text).error).toBeDefined();
  });
  it('of any script are taken, and lines only where there may be more than one', () => {
    for (const text of ['Straße & Øl', '月', '🌙 “moon”', 'e\u0301'])
      expect(textLine(20).validate(text).value).toBe(text);
    expect(textLine(20).validate('a\nb').error).toBeDefined();
    expect(textLines(1, 20).validate('a\nb').error).toBeUndefined();
  });
  it('that were the names of files are cleared of it and cut off', () => {
    expect(nameFromFile(' re\u0000eds.png')).toBe('reeds.png');
    expect(nameFromFile('\u0001')).toBe('picture');
    expect(nameFromFile('a'.repeat(300))).toHaveLength(120);
  });
});
