import type { OriginalRecipe, SpotRoute } from '@brachytone/core';
import { LIMITS, withRoute } from '@brachytone/job';
import { useState } from 'react';
import { Button } from '../../../../controls/button.tsx';
import { PERCENT } from '../../../../words/quantity.ts';
import { Select } from '../../../../controls/select.tsx';
import { SliderRow } from '../../../../controls/slider-row.tsx';
import { useDocument } from '../../../../store/use-job.ts';
import { useEditRecipe } from '../../../../store/use-edit-recipe.ts';
import { Row } from '../../group.tsx';
import { InkChip } from '../ink-chip.tsx';
import { ReachRow } from './reach-row.tsx';
import { usePickInks } from './use-pick-inks.ts';
import { useRoute } from './use-route.ts';

/** Which inks a picture's colours are made of. */
export function SpotControls({ original, route }: { original: OriginalRecipe; route: SpotRoute }) {
  const { recipe } = useDocument();
  const editRecipe = useEditRecipe();
  const pickInks = usePickInks();
  const { path, set } = useRoute<SpotRoute>(original);
  const [count, setCount] = useState('4');
  const toggle = (ink: string) =>
    set('Inks of the separation', {
      inks: route.inks.includes(ink) ? route.inks.filter((one) => one !== ink) : [...route.inks, ink],
    });
  return (
    <>
      <div role="group" aria-label="Inks of the separation" className="mb-1.5 flex flex-wrap gap-1">
        {recipe.inks.map((ink) => {
          const on = route.inks.includes(ink.id);
          return (
            <button
              key={ink.id}
              type="button"
              aria-pressed={on}
              disabled={on && route.inks.length <= 2}
              title={on ? `Leave ${ink.name} out` : `Take ${ink.name} in`}
              onClick={() => toggle(ink.id)}
              className={`flex h-6 items-center gap-1.5 rounded-sm border px-1.5 ${on ? 'border-ink bg-white' : 'border-edge bg-raised text-soft line-through hover:border-soft'}`}
            >
              <InkChip ink={ink} /> {ink.name}
            </button>
          );
        })}
      </div>
      <Row label="From picture">
        <Select
          label="How many inks to pick"
          value={count}
          options={['2', '3', '4', '5', '6', '7', '8'].map((value) => ({ value, name: `${value} inks` }))}
          onChange={setCount}
        />
        <Button
          className="!h-6 !px-2"
          onClick={() =>
            void pickInks(original, Number(count)).then((inks) => {
              if (inks.length < 2) return;
              editRecipe('Inks picked from the picture', (one) =>
                withRoute(one, original.id, {
                  route: {
                    kind: 'spot',
                    inks: inks.map(({ id }) => id),
                    limit: 100 * Math.min(3, inks.length),
                  },
                  inks,
                }),
              );
            })
          }
        >
          Pick
        </Button>
      </Row>
      <SliderRow
        label="Ink limit"
        value={route.limit}
        unit={PERCENT}
        {...LIMITS.inkLimit}
        most={100 * Math.max(2, route.inks.length)}
        path={[...path, 'limit']}
        onChange={(limit, gesture) => set('Ink limit', { limit }, gesture)}
      />
      <ReachRow original={original} />
    </>
  );
}
