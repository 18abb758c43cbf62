import { newScreen, plainPlate, type PlateRecipe } from '@brachytone/core';
import { changedKind, withScreenChange } from './screen-change.ts';

const plates: PlateRecipe[] = [15, 75, 0].map((angle, i) =>
  plainPlate(
    `plate-${i}`,
    `ink-${i}`,
    newScreen(
      'dots',
      { spot: i === 1 ? 'square' : 'round', ruling: 30 + i, angle },
      { smallest: i, largest: 97 },
    ),
  ),
);
const change = (settings: object) => ({ settings: { ...plates[0].screen.settings, ...settings } });

describe('plates that are set alike', () => {
  it('take what was changed, and keep all else and their angles', () => {
    const set = withScreenChange(plates, 0, ['plate-1', 'plate-2'], change({ ruling: 45 }));
    expect(set.map(({ screen }) => screen.settings.ruling)).toEqual([45, 45, 45]);
    expect(set.map(({ screen }) => screen.settings.angle)).toEqual([15, 75, 0]);
    expect(set[1].screen).toEqual({
      ...plates[1].screen,
      settings: { ...plates[1].screen.settings, ruling: 45 },
    });
  });
  it('stay apart in their angles, and where they are not ticked', () => {
    const turned = withScreenChange(plates, 0, ['plate-1', 'plate-2'], change({ angle: 30 }));
    expect(turned.map(({ screen }) => screen.settings.angle)).toEqual([30, 75, 0]);
    const some = withScreenChange(plates, 0, ['plate-2'], change({ ruling: 45 }));
    expect(some.map(({ screen }) => screen.settings.ruling)).toEqual([45, 31, 45]);
    expect(some[1]).toBe(plates[1]);
  });
  it('take limits and another kind too', () => {
    const limited = withScreenChange(plates, 0, ['plate-1'], { largest: 80 });
    expect(limited.map(({ screen }) => [screen.smallest, screen.largest])).toEqual([
      [0, 80],
      [1, 80],
      [2, 97],
    ]);
    const lines = withScreenChange(plates, 0, ['plate-1'], changedKind(plates[0].screen, 'lines'));
    expect(lines.map(({ screen }) => screen.kind)).toEqual(['lines', 'lines', 'dots']);
    expect(lines[1].screen.settings.angle).toBe(75);
    expect(lines[1].screen.settings.ruling).toBe(30);
  });
});
