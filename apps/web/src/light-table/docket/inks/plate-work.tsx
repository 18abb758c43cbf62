import { STRAIGHT, type Ink, type PlateRecipe } from '@brachytone/core';
import { LIMITS, withHighlights } from '@brachytone/job';
import { Paintbrush } from 'lucide-react';
import { useState } from 'react';
import { DEGREES, PERCENT } from '../../../words/quantity.ts';
import { SliderRow } from '../../../controls/slider-row.tsx';
import { SwitchRow } from '../../../controls/switch-row.tsx';
import { edit } from '../../../store/job-slice.ts';
import { useAppDispatch, useAppSelector } from '../../../store/store.ts';
import { showPlate } from '../../../store/view-slice.ts';
import { useDocument } from '../../../store/use-job.ts';
import { useLengthUnits } from '../../../store/use-length-unit.ts';
import { useEditRecipe } from '../../../store/use-edit-recipe.ts';
import { inkOnStock } from '../../ink-colour.ts';
import { ResetButton } from '../group.tsx';
import { HandTool } from '../original/parts/hand-tool.tsx';
import { MaskGroup } from './mask-group.tsx';
import { RegionGroup } from './region-group.tsx';
import { CurveChart } from '../tone/curve-chart.tsx';

/** What is done to an ink's plate by itself. */
export function PlateWork({ ink }: { ink: Ink }) {
  const dispatch = useAppDispatch();
  const editRecipe = useEditRecipe();
  const { recipe } = useDocument();
  const { mm } = useLengthUnits();
  const region = useAppSelector((state) => state.view.region);
  const at = recipe.plates.findIndex((plate) => plate.ink === ink.id);
  const plate = recipe.plates[at];
  const straight = JSON.stringify(plate.curve) === JSON.stringify(STRAIGHT);
  const [curve, setCurve] = useState(!straight);
  const path = ['recipe', 'plates', at];
  const set = (label: string, change: Partial<PlateRecipe>, gesture: string | null = null) =>
    dispatch(
      edit(
        `${label} of ${ink.name}`,
        (draft) => void Object.assign(draft.recipe.plates[at], structuredClone(change)),
        gesture,
      ),
    );
  const { shift, base } = plate;
  const first = at === 0;
  const last = at === recipe.plates.length - 1;
  return (
    <div className="mt-1.5 border-t border-edge/70 pt-1.5">
      <SliderRow
        label="Weight"
        value={plate.weight}
        unit={PERCENT}
        least={-100}
        most={100}
        path={[...path, 'weight']}
        onChange={(weight, gesture) => set('Weight', { weight }, gesture)}
      />
      <SliderRow
        label="Edge spread"
        value={plate.edgeSpread}
        unit={mm}
        {...LIMITS.edges}
        usual={[-1, 1]}
        path={[...path, 'edgeSpread']}
        onChange={(edgeSpread, gesture) => set('Edges', { edgeSpread }, gesture)}
      />
      {!first && (
        <SwitchRow
          label="Knocks out the plates under it"
          title="Off: it is printed over them"
          on={plate.knocksOut}
          onChange={(knocksOut) => set('Knock out', { knocksOut })}
        />
      )}
      {!last && (
        <SwitchRow
          label="Base under the plates over it"
          title="Ink wherever they print, so that they do not sink into a dark stock; choke it so that it does not peep out"
          on={base !== null}
          onChange={(on) =>
            set(
              'Base',
              on
                ? { base: { fullness: 60, highlights: null }, edgeSpread: -0.25 }
                : { base: null, edgeSpread: 0 },
            )
          }
        />
      )}
      {base && (
        <>
          <SliderRow
            label="Fullness"
            value={base.fullness}
            unit={PERCENT}
            least={0}
            most={100}
            path={[...path, 'base', 'fullness']}
            onChange={(fullness, gesture) => set('Base', { base: { ...base, fullness } }, gesture)}
          />
          <SwitchRow
            label="Highlights on a plate of their own"
            title="What of this ink nothing is printed over is printed last, by itself, so that it stays the brightest"
            on={base.highlights !== null}
            onChange={(on) =>
              editRecipe(on ? 'Highlights apart' : 'Highlights with the base', (one) =>
                withHighlights(one, ink.id, on),
              )
            }
          />
        </>
      )}
      <SliderRow
        label="Move right"
        value={shift.x}
        unit={mm}
        {...LIMITS.shift}
        usual={[-5, 5]}
        path={[...path, 'shift', 'x']}
        onChange={(x, gesture) => set('Place', { shift: { ...shift, x } }, gesture)}
      />
      <SliderRow
        label="Move down"
        value={shift.y}
        unit={mm}
        {...LIMITS.shift}
        usual={[-5, 5]}
        path={[...path, 'shift', 'y']}
        onChange={(y, gesture) => set('Place', { shift: { ...shift, y } }, gesture)}
      />
      <SliderRow
        label="Turned by"
        value={shift.turn}
        unit={DEGREES}
        {...LIMITS.shiftTurn}
        usual={[-3, 3]}
        path={[...path, 'shift', 'turn']}
        onChange={(turn, gesture) => set('Turn', { shift: { ...shift, turn } }, gesture)}
      />
      <SwitchRow
        label="A curve of its own"
        on={curve}
        onChange={(on) => {
          setCurve(on);
          if (!on && !straight) set('Curve', { curve: STRAIGHT });
        }}
      />
      {curve && (
        <CurveChart
          bins={undefined}
          points={plate.curve}
          limits={plate.screen}
          colour={inkOnStock(ink, recipe.stock)}
          onChange={(points, gesture) => set('Curve', { curve: points }, gesture)}
        />
      )}
      <RegionGroup
        plate={plate}
        ink={ink}
        set={(label, regions, gesture = null) =>
          dispatch(
            edit(
              `${label} of ${ink.name}`,
              (draft) => {
                if (regions.length > 0) draft.recipe.plates[at].regions = structuredClone(regions) as never;
                else delete draft.recipe.plates[at].regions;
              },
              gesture,
            ),
          )
        }
      />
      {region === null && (
        <>
          <MaskGroup
            mask={plate.mask}
            set={(label, mask, gesture = null) =>
              dispatch(
                edit(
                  `${label} of ${ink.name}`,
                  (draft) => {
                    if (mask) draft.recipe.plates[at].mask = structuredClone(mask) as never;
                    else delete draft.recipe.plates[at].mask;
                  },
                  gesture,
                ),
              )
            }
          />
          <HandTool
            onPaint={(begins) => dispatch(showPlate(begins ? plate.id : null))}
            icon={<Paintbrush size={13} />}
            label="Touch-up"
            ways={[
              { value: 'out', label: 'Paints away' },
              { value: 'in', label: 'Paints in' },
            ]}
            words={({ strength }) => (strength > 0 ? 'in' : 'away')}
            strokes={plate.strokes}
            onRemove={(i) => set('Touch-up', { strokes: plate.strokes.toSpliced(i, 1) })}
          />
          {plate.strokes.length > 1 && (
            <div className="text-right">
              <ResetButton label="All strokes away" onClick={() => set('Touch-up', { strokes: [] })} />
            </div>
          )}
        </>
      )}
    </div>
  );
}
