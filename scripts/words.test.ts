import { wordFiles, wordsOf } from './words.mjs';

/** Wordings that printers stumbled over; what stands for them now is plainer. */
const STUMBLED = [
  'ratios across',
  'Turn about',
  'There by',
  'There where',
  'Seen as',
  'Seen at',
  'Printed as:',
  'As a file',
  'and down',
  'Stands at',
  'neighbours make good',
  'misses by its own draw',
  'own pixels again',
  'parts two lines',
  'of one’s own',
  'One band more',
  'Further ink',
  'Out of place',
  'Out of size',
  'In colours',
  'Begins at',
  'Choked by −',
  'Named after what it does',
  'Throw',
  'Full tone',
  'prints nothing yet',
  'its dots stay apart',
  'Quiet and loud',
  'Lately touched',
  'left out of itself',
];

describe('the words people read', () => {
  const words = wordFiles().flatMap((file) => wordsOf(file).map((text) => ({ file, text })));
  it('are found: labels, titles, messages and names for screen readers', () => {
    const source = `
      const a = <Row label={on ? 'Ruling' : \`Angle of \${plate}\`} className="flex grow">Tone <b title="Less ink">…</b></Row>;
      toast('The film was made.');
      throw new Problem('Not whole', { detail: 'Nothing was added.' });
      const field = { label: 'Radius', kind: 'blur' };
    `;
    expect(wordsOf('a.tsx', source)).toEqual([
      'Ruling',
      'Angle of …',
      'Tone',
      'Less ink',
      'The film was made.',
      'Not whole',
      'Nothing was added.',
      'Radius',
    ]);
    expect(words.length).toBeGreaterThan(1500);
    for (const text of ['Ruling', 'Make films', 'Put away', 'Angle of …'])
      expect(words.some((one) => one.text === text)).toBe(true);
  });
  it('hold none that printers stumbled over', () => {
    const found = words.filter(({ text }) => STUMBLED.some((one) => text.includes(one)));
    expect(found).toEqual([]);
  });
});
