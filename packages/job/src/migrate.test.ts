import { VERSION } from './document.ts';
import { newJob } from './defaults.ts';
import { readAsFarAsKnown } from './migrate.ts';

const job = newJob({ sha256: 'a'.repeat(64), name: 'moon.jpg', width: 300, height: 200 });

describe('a document of a newer version', () => {
  it('is read as far as it is known here: what is new at any depth is left out', () => {
    const { recipe } = job;
    const newer = {
      ...job,
      version: VERSION + 3,
      varnish: { gloss: 0.8 },
      recipe: {
        ...recipe,
        folds: [40],
        plates: recipe.plates.map((plate) => ({ ...plate, plating: 'steel' })),
      },
    };
    expect(readAsFarAsKnown(newer)).toEqual(job);
  });

  it.each([
    ['of this version', job],
    ['of an older one', { ...job, version: VERSION - 1 }],
    ['with another shape of what has to be known', { ...job, version: VERSION + 1, recipe: { sheets: [] } }],
    ['that is none', null],
  ])('is not one %s', (_what, value) => {
    expect(readAsFarAsKnown(value)).toBeUndefined();
  });
});
