import { present, type Recipe } from '@brachytone/core';
import { newJob } from './defaults.ts';
import { exchangedInk, offeredOn, withInkInOrder } from './exchange-ink.ts';
import { inkForJob } from './change-route.ts';
import { SHIPPED_INKS, SHIPPED_STOCKS } from './shipped-inks.ts';

const { recipe } = newJob({ sha256: 'a'.repeat(64), name: 'moon.png', width: 300, height: 400 });
const shelf = (name: string) =>
  present(
    SHIPPED_INKS.find((one) => one.name === name),
    name,
  );
const onDark: Recipe = {
  ...recipe,
  stock: present(
    SHIPPED_STOCKS.find(({ name }) => name === 'Peat cloth'),
    'dark stock',
  ),
};

it('an ink is exchanged for another: plate, screen and routes stay, measured overprints with it go', () => {
  const two = withInkInOrder(recipe, inkForJob(recipe, shelf('Tide')));
  const measured = { ...two, overprints: [{ inks: two.inks.map(({ id }) => id), lab: [20, 0, 0] as const }] };
  const [first] = measured.inks;
  const made = exchangedInk(measured, first.id, shelf('Rosehip'));
  expect(made.inks[0]).toEqual({ ...shelf('Rosehip'), id: first.id });
  expect(made.plates).toEqual(measured.plates);
  expect(made.originals).toEqual(measured.originals);
  expect(made.overprints).toEqual([]);
  expect(exchangedInk(measured, 'none', shelf('Rosehip'))).toMatchObject({ overprints: measured.overprints });
});

it('on dark stock inks are offered that cover, on pale stock as they are', () => {
  expect(offeredOn(recipe.stock, shelf('Ember'))).toBe(shelf('Ember'));
  expect(offeredOn(onDark.stock, shelf('Ember'))).toMatchObject({ name: 'Ember, covering', opacity: 0.85 });
  expect(offeredOn(onDark.stock, shelf('White, covering'))).toBe(shelf('White, covering'));
});

it('on dark stock a white is printed first, any other ink last', () => {
  const add = (one: Recipe, name: string) =>
    withInkInOrder(one, inkForJob(one, offeredOn(one.stock, shelf(name))));
  const order = ({ plates, inks }: Recipe) =>
    plates.map(
      ({ ink }) =>
        present(
          inks.find(({ id }) => id === ink),
          'ink',
        ).name,
    );
  expect(order(add(add(onDark, 'Ember'), 'White, covering'))).toEqual([
    'White, covering',
    'Black',
    'Ember, covering',
  ]);
  expect(order(add(recipe, 'White, covering'))).toEqual(['Black', 'White, covering']);
});
