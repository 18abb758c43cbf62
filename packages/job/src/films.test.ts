import { FILM_FORMATS, plainPlate, ROUTES } from '@brachytone/core';
import { newJob } from './defaults.ts';
import type { JobDocument } from './document.ts';
import { filmsOf } from './films.ts';

const job = newJob({ sha256: 'a'.repeat(64), name: 'x.png', width: 10, height: 10 });
const [plate] = job.recipe.plates;
const [ink] = job.recipe.inks;

/** A job of three inks, of which the last is left out. */
const three = (films: Partial<JobDocument['films']> = {}): JobDocument => ({
  ...job,
  name: 'Reeds',
  films: { ...job.films, ...films },
  recipe: {
    ...job.recipe,
    inks: ['Tide', 'Ember', 'Peat'].map((name) => ({ ...ink, id: name.toLowerCase(), name })),
    plates: ['tide', 'ember', 'peat'].map((id, i) => ({
      ...plainPlate(`plate-${i + 1}`, id, plate.screen),
      printed: id !== 'peat',
    })),
  },
});

it('film files are named in plain letters', () => {
  const named = (name: string, inkName: string) =>
    filmsOf({ ...job, name, recipe: { ...job.recipe, inks: [{ ...ink, name: inkName }] } })[0].file;
  expect(named('Où est la lune? / №5', 'Crème')).toBe('ou-est-la-lune-no5-creme.tif');
  expect(named('Straße_Øl & L’Æther', 'Łosoś')).toBe('strasse-ol-and-l-aether-losos.tif');
  expect(named('月', '黒')).toBe('plate-1.tif');
});

it('a job has a film for each plate that is printed', () => {
  expect(filmsOf(three())).toEqual([
    { plates: ['plate-1'], ink: 'Tide', file: 'reeds-tide-plate-1.tif' },
    { plates: ['plate-2'], ink: 'Ember', file: 'reeds-ember-plate-2.tif' },
  ]);
});

it('names plates by where they stand, as their cards do', () => {
  const job3 = three();
  const [tide, ember, peat] = job3.recipe.plates;
  const moved = { ...job3, recipe: { ...job3.recipe, plates: [peat, ember, tide] } };
  expect(filmsOf(moved).map(({ file }) => file)).toEqual([
    'reeds-ember-plate-2.tif',
    'reeds-tide-plate-3.tif',
  ]);
});

it('or one for all of them, where its format can hold them', () => {
  expect(filmsOf(three({ format: 'svg', together: true }))).toEqual([
    { plates: ['plate-1', 'plate-2'], ink: 'all inks', file: 'reeds-all-inks.svg' },
  ]);
  expect(filmsOf(three({ format: 'png', together: true }))).toHaveLength(2);
});

it('and none when every plate is left out', () => {
  const { recipe } = three();
  const plates = recipe.plates.map((one) => ({ ...one, printed: false }));
  expect(filmsOf({ ...three({ format: 'svg', together: true }), recipe: { ...recipe, plates } })).toEqual([]);
});

it('kinds say who they are: ids are their keys, endings go into names and addresses', () => {
  expect(new Set(FILM_FORMATS.map(({ id }) => id)).size).toBe(FILM_FORMATS.length);
  for (const { ending, mediaType } of FILM_FORMATS) {
    expect(ending).toMatch(/^[a-z0-9]+$/);
    expect(mediaType).toMatch(/^[a-z]+\/[a-z0-9.+-]+$/);
  }
  for (const [kind, route] of Object.entries(ROUTES)) expect(route.kind).toBe(kind);
});
