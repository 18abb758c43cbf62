import { plateBits } from '../plate/evaluate.ts';
import { bitAt, countInk } from '../raster/bits.ts';
import { greyPicture, sceneOf } from '../testing.ts';
import { filmLayout, type FilmLayout } from './film-layout.ts';
import { filmBits } from './make-film.ts';
import { platesSvg } from './svg.ts';

const PURE = { smooth: 0, outlines: 'pure' } as const;

const plain = sceneOf(
  greyPicture(40, 30, (x, y) => 6 * ((x + y) % 40)),
  { width: 20, height: 15, resolution: 254 },
);
const scene = {
  ...plain,
  recipe: { ...plain.recipe, sheet: { ...plain.recipe.sheet, bleed: 2 } },
};

it('a film is as large as the sheet with its bleed, and says where it will be trimmed', () => {
  const { width, height, mm, plate, trim } = filmLayout(scene.recipe);
  expect([width, height]).toEqual([240, 190]);
  expect([mm.width, mm.height]).toEqual([24, 19]);
  expect(plate).toEqual({ x: 0, y: 0, width: 240, height: 190 });
  expect(trim).toEqual({ x: 2, y: 2, width: 20, height: 15 });
});

describe('a film with room around the plate', () => {
  const own = filmLayout(scene.recipe);
  const layout: FilmLayout = {
    ...own,
    width: own.width + 53,
    height: own.height + 40,
    mm: { width: own.mm.width + 5.3, height: own.mm.height + 4 },
    plate: { ...own.plate, x: 13, y: 10 },
  };
  const plate = plateBits(scene, 0, own.frame, { x: 0, y: 0, width: own.width, height: own.height });

  it('has its bits where the layout has it, and is bare around it, strip by strip', () => {
    let ink = 0;
    for (let y = 0; y < layout.height; y += 17) {
      const strip = { x: 0, y, width: layout.width, height: Math.min(17, layout.height - y) };
      const bits = filmBits(scene, 0, layout, strip);
      ink += countInk(bits);
      for (let row = 0; row < strip.height; row++) {
        for (let x = 0; x < own.width; x += 7) {
          const from = y + row - 10;
          if (from < 0 || from >= own.height) continue;
          expect(bitAt(bits, x + 13, row)).toBe(bitAt(plate, x, from));
        }
      }
    }
    expect(ink).toBe(countInk(plate));
  });

  it('has its geometry there too', () => {
    const { text } = platesSvg(scene, [0], 'reeds', PURE, layout);
    expect(text).toContain('width="29.3mm" height="23mm"');
    // 1.3 mm and 1 mm, in thousandths.
    expect(text).toContain('<g transform="translate(1300 1000)">');
    const alone = platesSvg(scene, [0], 'reeds', PURE).text;
    const body = (svg: string) => svg.match(/<g id=.*?<\/g>/s)?.[0];
    expect(body(text)).toBe(body(alone));
  });
});
