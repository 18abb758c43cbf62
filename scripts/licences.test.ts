import { licences } from './licences.mjs';

const all = licences();

it('every shipped package and typeface has a licence that is known', () => {
  expect(all.length).toBeGreaterThan(200);
  expect(all.filter(({ licence }) => licence === '')).toEqual([]);
  for (const name of ['react', '@nestjs/core', 'sharp', 'Typeface archivo']) {
    expect(all.some((one) => one.name === name)).toBe(true);
  }
});

it('those that declare none are named, and say so in their text', () => {
  expect(all.filter(({ isDeclared }) => !isDeclared).map(({ name, licence }) => [name, licence])).toEqual([
    ['png-js', 'MIT'],
  ]);
});

it('those whose licence asks for its notice have it', () => {
  const owed = all.filter(({ licence }) => /MPL|LGPL|OFL|Apache/.test(licence));
  expect(owed.length).toBeGreaterThan(5);
  expect(owed.filter(({ text }) => text === '').map(({ name, version }) => `${name} ${version}`)).toEqual([]);
});
