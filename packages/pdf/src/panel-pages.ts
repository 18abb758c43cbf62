import { filmLayout, inkOf, panelScale, panelsOf } from '@brachytone/core';
import { filmMask } from './film-mask.ts';
import { openFilmPdf, overprinting, type WritePdf } from './pdf-job.ts';
import { allPlates, assembly, foot, seamTicks } from './panel-furniture.ts';
import { POINTS } from './pdf-file.ts';
import { separation } from './separation.ts';

/** Films cut for a small printer: a page to put them together by, then a page a panel, of all plates or of one after another. */
export const panelPages: WritePdf = function* (job) {
  const { scene, plates, options, name } = job;
  const { panels } = options;
  if (!panels) throw new RangeError('These films are not cut into panels.');
  const { recipe } = scene;
  const layout = filmLayout(recipe);
  const parts = panelsOf(panels, layout);
  if (parts.length === 0) throw new RangeError('The paper is too small for its overlap.');
  const file = openFilmPdf(job);
  const { paper, margin } = panels;
  const whole = { x: 0, y: 0, ...paper };
  const page = () => {
    file.page({ ...paper, trim: whole, bleed: whole });
    overprinting(file);
    file.name('ColorSpace', 'Marks', allPlates(file));
  };
  page();
  assembly(file, panels, parts, layout, name);
  const scale = panelScale(panels);
  const spaces = plates.map((plate) =>
    separation(file, inkOf(recipe.inks, recipe.plates[plate].ink), recipe.stock.yuleNielsen),
  );
  const sets = options.pages === 'plates' ? plates.map((_, i) => [i]) : [plates.map((_, i) => i)];
  const points = (pixels: number) => ((pixels * 72) / layout.resolution) * scale;
  let made = 0;
  for (const set of sets) {
    for (const panel of parts) {
      page();
      const { region } = panel;
      const [left, top] = [margin * POINTS, margin * POINTS];
      const [wide, high] = [points(region.width), points(region.height)];
      for (const i of set) {
        const from = made;
        const mask = yield* filmMask(file, job, plates[i], region, (share) =>
          Math.min(1, (from + share) / (plates.length * parts.length)),
        );
        made++;
        file.name('ColorSpace', `Ink${i}`, spaces[i]);
        file.name('XObject', `Film${i}`, mask);
        file.draw(
          `q /Over gs /Ink${i} cs 1 scn ${wide} 0 0 ${-high} ${left} ${top + high} cm /Film${i} Do Q`,
        );
        file.flush();
      }
      const ink = set.length === 1 ? inkOf(recipe.inks, recipe.plates[plates[set[0]]].ink).name : 'all inks';
      foot(file, panels, parts, panel, `${name}  ·  ${ink}`);
      seamTicks(file, panels, parts, panel, { left, top, wide, high });
    }
  }
  file.finish();
  return { inked: null };
};
