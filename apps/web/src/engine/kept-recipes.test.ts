import { newJob } from '@brachytone/job';
import { KeptRecipes } from './kept-recipes.ts';

const { recipe } = newJob({ sha256: 'a'.repeat(64), name: 'x.png', width: 300, height: 200 });

it('numbers a recipe once, and what the other side was sent is there, while both drop the oldest alike', () => {
  const [here, there] = [new KeptRecipes(), new KeptRecipes()];
  const all = Array.from({ length: 60 }, () => ({ ...recipe }));
  let sent = 0;
  const draw = (one: typeof recipe) => {
    const { number, isNew } = here.numberOf(one);
    if (isNew) {
      there.keep(number, structuredClone(one));
      sent++;
    }
    expect(there.recipe(number)).toEqual(one);
    return number;
  };
  for (const one of all) expect(draw(one)).toBe(draw(one));
  expect(sent).toBe(60);
  // One that was dropped is sent anew, under another number.
  const first = draw(all[0]);
  expect(first).toBe(60);
  expect(sent).toBe(61);
  expect(() => there.recipe(0)).toThrow('not kept');
});
