import { inkOf } from '@brachytone/core';
import type { BandsRoute, OriginalRecipe, PaintedInk } from '@brachytone/core';
import { Paintbrush, X } from 'lucide-react';
import { PERCENT } from '../../../../words/quantity.ts';
import { Select } from '../../../../controls/select.tsx';
import { SliderRow } from '../../../../controls/slider-row.tsx';
import { useAppDispatch, useAppSelector } from '../../../../store/store.ts';
import { useDocument } from '../../../../store/use-job.ts';
import { openStep } from '../../../../store/view-slice.ts';
import { inkOnStock } from '../../../ink-colour.ts';
import { Card } from '../../card.tsx';
import { ResetButton, Row } from '../../group.tsx';
import { HandTool } from '../../original/parts/hand-tool.tsx';
import { BandsChart } from '../../tone/bands-chart.tsx';
import { useHistogram } from '../../tone/use-histogram.ts';
import { useRoute } from './use-route.ts';

/** Most bands. */
const MOST = 6;
/** What stands for no ink. */
const BARE = '-';

/** Flat inks for bands of tone, and further ones in painted areas. */
export function BandsRouteControls({ original, route }: { original: OriginalRecipe; route: BandsRoute }) {
  const { recipe } = useDocument();
  const { set } = useRoute<BandsRoute>(original);
  const bins = useHistogram(original, original.tone.steps.length);
  const inks = [
    { value: BARE, name: 'bare stock' },
    ...recipe.inks.map(({ id, name }) => ({ value: id, name })),
  ];
  const colours = route.inks.map((id) => {
    const ink = recipe.inks.find((one) => one.id === id);
    return ink ? inkOnStock(ink, recipe.stock) : undefined;
  });
  const edges = [0, ...route.at, 100];
  const split = () => {
    const gaps = edges.slice(1).map((edge, i) => edge - edges[i]);
    const widest = gaps.indexOf(Math.max(...gaps));
    const middle = Math.round(edges[widest] + gaps[widest] / 2);
    set('Add a band', {
      at: [...route.at, middle].sort((a, b) => a - b),
      inks: route.inks.toSpliced(widest, 0, route.inks[widest]),
    });
  };
  return (
    <>
      <BandsChart
        bins={bins}
        thresholds={route.at}
        colours={colours}
        onChange={(at, gesture) => set('Bands', { at }, gesture)}
      />
      {route.inks.map((ink, i) => (
        <Row key={i} label={`${edges[i]} – ${edges[i + 1]} %`}>
          <span
            className="size-3 shrink-0 rounded-full border border-ink/20"
            style={{ background: colours[i] ?? 'transparent' }}
          />
          <Select
            label={`Ink of band ${i + 1}`}
            value={ink ?? BARE}
            options={inks}
            onChange={(next) =>
              set('Ink of a band', {
                inks: route.inks.map((one, k) => (k === i ? (next === BARE ? null : next) : one)),
              })
            }
          />
          {route.inks.length > 2 && (
            <button
              type="button"
              aria-label={`Take away band ${i + 1}`}
              className="text-soft hover:text-ruby"
              onClick={() =>
                set('Remove a band', {
                  at: route.at.toSpliced(Math.max(0, i - 1), 1),
                  inks: route.inks.toSpliced(i, 1),
                })
              }
            >
              <X size={13} />
            </button>
          )}
        </Row>
      ))}
      <div className="mt-1 mb-2 flex justify-between">
        {route.inks.length < MOST && <ResetButton label="Add a band" onClick={split} />}
        <ResetButton
          label="Paint a further ink in…"
          onClick={() =>
            set('Painted ink', {
              painted: [
                ...route.painted,
                { ink: recipe.inks[recipe.inks.length - 1].id, from: 0, to: 100, strokes: [] },
              ],
            })
          }
        />
      </div>
      {route.painted.map((painted, i) => (
        <Painted key={i} index={i} painted={painted} original={original} route={route} />
      ))}
    </>
  );
}

function Painted({
  index,
  painted,
  original,
  route,
}: {
  index: number;
  painted: PaintedInk;
  original: OriginalRecipe;
  route: BandsRoute;
}) {
  const dispatch = useAppDispatch();
  const { recipe } = useDocument();
  const { set } = useRoute<BandsRoute>(original);
  const open = useAppSelector((state) => state.view.step) === `painted:${index}`;
  const change = (label: string, part: Partial<PaintedInk>, gesture: string | null = null) =>
    set(
      label,
      { painted: route.painted.map((one, i) => (i === index ? { ...one, ...part } : one)) },
      gesture,
    );
  return (
    <Card id={`painted:${index}`} name="Painted in" words={inkOf(recipe.inks, painted.ink).name}>
      {open && (
        <>
          <Row label="Ink">
            <Select
              label="Ink that is painted in"
              value={painted.ink}
              options={recipe.inks.map(({ id, name }) => ({ value: id, name }))}
              onChange={(ink) => change('Painted ink', { ink })}
            />
          </Row>
          {(['from', 'to'] as const).map((member) => (
            <SliderRow
              key={member}
              label={member === 'from' ? 'Tones from' : 'up to'}
              value={painted[member]}
              unit={PERCENT}
              least={0}
              most={100}
              onChange={(value, gesture) => change('Tones that are painted', { [member]: value }, gesture)}
            />
          ))}
          <HandTool
            icon={<Paintbrush size={13} />}
            label="Area"
            ways={[
              { value: 'in', label: 'Paints in' },
              { value: 'out', label: 'Paints away' },
            ]}
            words={({ strength }) => (strength > 0 ? 'in' : 'away')}
            strokes={painted.strokes}
            onRemove={(at) => change('Remove a stroke', { strokes: painted.strokes.toSpliced(at, 1) })}
          />
          <div className="mt-1 text-right">
            <ResetButton
              label="Take it away"
              onClick={() => {
                dispatch(openStep(null));
                set('Remove a painted ink', { painted: route.painted.toSpliced(index, 1) });
              }}
            />
          </div>
        </>
      )}
    </Card>
  );
}
