import {
  inkOf,
  inkModel,
  labToHex,
  monotoneCurve,
  predict,
  type CurvePoint,
  type OriginalRecipe,
  type TonesRoute,
  present,
} from '@brachytone/core';
import { inkForJob, SHIPPED_INKS, startCurves, TONE_STARTS, withInks, withoutInk } from '@brachytone/job';
import { useMemo, useState } from 'react';
import { Menu, MenuItem } from '../../../../controls/menu.tsx';
import { Select } from '../../../../controls/select.tsx';
import { useDocument } from '../../../../store/use-job.ts';
import { useEditRecipe } from '../../../../store/use-edit-recipe.ts';
import { inkOnStock } from '../../../ink-colour.ts';
import { ResetButton, Row } from '../../group.tsx';
import { CurveChart } from '../../tone/curve-chart.tsx';
import { useHistogram } from '../../tone/use-histogram.ts';
import { InkChip } from '../ink-chip.tsx';
import { useRoute } from './use-route.ts';

const STEPS = 64;
const NUMBER_WORDS = ['two', 'three', 'four'];

/** Two to four inks, their curves drawn together, and the colours they come to from light to dark. */
export function TonesControls({ original, route }: { original: OriginalRecipe; route: TonesRoute }) {
  const { recipe } = useDocument();
  const editRecipe = useEditRecipe();
  const { set } = useRoute<TonesRoute>(original);
  const [picked, setPicked] = useState(0);
  const at = Math.min(picked, route.inks.length - 1);
  const bins = useHistogram(original, original.tone.steps.length);
  const setCurve = (curve: readonly CurvePoint[], gesture: string | null = null) =>
    set(
      `Curve of ${inkOf(recipe.inks, route.inks[at].ink).name}`,
      { inks: route.inks.map((one, i) => (i === at ? { ...one, curve } : one)) },
      gesture,
    );
  const starts = TONE_STARTS.filter(({ curves }) => curves.length === route.inks.length);
  const free = recipe.inks.filter(({ id }) => route.inks.every(({ ink }) => ink !== id));
  const setRoute = (inks: TonesRoute['inks']) => (one: typeof recipe) => ({
    ...one,
    originals: one.originals.map((other) =>
      other.id === original.id ? { ...other, route: { ...route, inks } } : other,
    ),
  });
  const addInk = () =>
    editRecipe('Add an ink', (one) => {
      const [next] = free;
      const ink = next ?? inkForJob(one, SHIPPED_INKS[6 - route.inks.length]);
      const curves = startCurves(route.inks.length + 1);
      const inks = [...route.inks, { ink: ink.id, curve: curves[route.inks.length] }];
      return setRoute(inks)(next ? one : withInks(one, [ink]));
    });
  const dropInk = () =>
    editRecipe('One ink fewer', (one) => {
      const gone = route.inks[at].ink;
      return withoutInk(setRoute(route.inks.filter((_, i) => i !== at))(one), gone);
    });
  return (
    <>
      <div role="radiogroup" aria-label="Ink whose curve is drawn" className="mb-1.5 flex flex-wrap gap-1">
        {route.inks.map(({ ink }, i) => (
          <button
            key={ink}
            type="button"
            role="radio"
            aria-checked={i === at}
            onClick={() => setPicked(i)}
            className={`flex h-6 items-center gap-1.5 rounded-sm border px-1.5 ${i === at ? 'border-ink bg-white' : 'border-edge bg-raised hover:border-soft'}`}
          >
            <InkChip ink={inkOf(recipe.inks, ink)} /> {inkOf(recipe.inks, ink).name}
          </button>
        ))}
      </div>
      <CurveChart
        bins={bins}
        points={route.inks[at].curve}
        limits={
          present(
            recipe.plates.find(({ ink }) => ink === route.inks[at].ink),
            'plate of the ink',
          ).screen
        }
        onChange={setCurve}
        colour={inkOnStock(inkOf(recipe.inks, route.inks[at].ink), recipe.stock)}
        others={route.inks
          .filter((_, i) => i !== at)
          .map(({ ink, curve }) => ({
            points: curve,
            colour: inkOnStock(inkOf(recipe.inks, ink), recipe.stock),
          }))}
      />
      <Ramp route={route} />
      <Row label="Ink">
        <Select
          label="Ink of this curve"
          value={route.inks[at].ink}
          options={[inkOf(recipe.inks, route.inks[at].ink), ...free].map(({ id, name }) => ({
            value: id,
            name,
          }))}
          onChange={(ink) =>
            set('Ink', { inks: route.inks.map((one, i) => (i === at ? { ...one, ink } : one)) })
          }
        />
      </Row>
      <div className="mt-1 flex items-center gap-2">
        {starts.length > 0 && (
          <Menu label="Begin from…">
            {starts.map((start) => (
              <MenuItem
                key={start.name}
                name={start.name}
                says={start.says}
                onPick={() =>
                  set(`Curves “${start.name}”`, {
                    inks: route.inks.map((one, i) => ({ ...one, curve: start.curves[i] })),
                  })
                }
              />
            ))}
          </Menu>
        )}
        <span className="grow" />
        {route.inks.length > 2 && <ResetButton label="One ink fewer" onClick={dropInk} />}
        {route.inks.length < 4 && (
          <ResetButton label={`Print ${NUMBER_WORDS[route.inks.length - 1]} inks`} onClick={addInk} />
        )}
      </div>
    </>
  );
}

/** The colours that tones come to, from bare to solid. */
function Ramp({ route }: { route: TonesRoute }) {
  const { recipe } = useDocument();
  const colours = useMemo(() => {
    const printed = recipe.plates.flatMap(({ ink }) => {
      const one = route.inks.find((other) => other.ink === ink);
      return one ? [{ ink: inkOf(recipe.inks, ink), map: monotoneCurve(one.curve) }] : [];
    });
    const model = inkModel(
      recipe.stock,
      printed.map(({ ink }) => ink),
      recipe.overprints,
    );
    return Array.from({ length: STEPS + 1 }, (_, i) =>
      labToHex(
        predict(
          model,
          printed.map(({ map }) => Math.min(1, Math.max(0, map((i * 100) / STEPS) / 100))),
        ),
      ),
    );
  }, [recipe, route]);
  return (
    <div
      role="img"
      aria-label="Colours from bare to solid"
      className="mb-1.5 h-5 w-[260px] border border-edge"
      style={{ background: `linear-gradient(90deg, ${colours.join(', ')})` }}
    />
  );
}
