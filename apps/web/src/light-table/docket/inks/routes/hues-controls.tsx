import { labToHex, type HueInk, type HuesRoute, type OriginalRecipe } from '@brachytone/core';
import { X } from 'lucide-react';
import { Select } from '../../../../controls/select.tsx';
import { SliderRow } from '../../../../controls/slider-row.tsx';
import { useDocument } from '../../../../store/use-job.ts';
import { DEGREES, PLAIN } from '../../../../words/quantity.ts';
import { inkOnStock } from '../../../ink-colour.ts';
import { ResetButton, Row } from '../../group.tsx';
import { BandsChart } from '../../tone/bands-chart.tsx';
import { useHistogram } from '../../tone/use-histogram.ts';
import { useRoute } from './use-route.ts';

/** Most colours. */
const MOST = 5;
/** What stands for no ink. */
const BARE = '-';

/** A hue as a colour to be seen, at a middle lightness. */
const hueColour = (hue: number): string => {
  const turn = (hue * Math.PI) / 180;
  return labToHex([62, 50 * Math.cos(turn), 50 * Math.sin(turn)]);
};

/** Flat inks by colour: two values part light and dark from what goes to the nearest hue. */
export function HuesControls({ original, route }: { original: OriginalRecipe; route: HuesRoute }) {
  const { recipe } = useDocument();
  const { path, set } = useRoute<HuesRoute>(original);
  const bins = useHistogram(original, original.tone.steps.length);
  const used = [route.dark, ...route.colours.map(({ ink }) => ink)];
  const free = recipe.inks.filter(({ id }) => !used.includes(id));
  const inksFor = (own: string | null) =>
    recipe.inks
      .filter(({ id }) => id === own || !used.includes(id))
      .map(({ id, name }) => ({ value: id, name }));
  const colourOf = (id: string | null) => {
    const ink = recipe.inks.find((one) => one.id === id);
    return ink ? inkOnStock(ink, recipe.stock) : undefined;
  };
  const change = (at: number, part: Partial<HueInk>, label: string, gesture: string | null = null) =>
    set(label, { colours: route.colours.map((one, i) => (i === at ? { ...one, ...part } : one)) }, gesture);
  return (
    <>
      <BandsChart
        bins={bins}
        thresholds={route.at}
        colours={[undefined, colourOf(route.colours[0].ink), colourOf(route.dark)]}
        onChange={(at, gesture) => set('Parted at', { at }, gesture)}
      />
      <Row label="Dark parts">
        <Select
          label="Ink of what is dark"
          value={route.dark ?? BARE}
          options={[{ value: BARE, name: 'bare stock' }, ...inksFor(route.dark)]}
          onChange={(next) => set('Ink of what is dark', { dark: next === BARE ? null : next })}
        />
      </Row>
      <SliderRow
        label="Grey below"
        value={route.grey}
        unit={{ ...PLAIN, decimals: 1, step: 1 }}
        least={0}
        most={100}
        usual={[0, 60]}
        path={[...path, 'grey']}
        onChange={(grey, gesture) => set('Grey below', { grey }, gesture)}
      />
      {route.colours.map(({ ink, hue }, i) => (
        <div key={i} className="border-t border-dashed border-edge py-1">
          <Row label={`Colour ${i + 1}`}>
            <span
              className="size-4 shrink-0 rounded-full border border-ink/20"
              style={{ background: hueColour(hue) }}
              title="The hue it stands for"
            />
            <Select
              label={`Ink of colour ${i + 1}`}
              value={ink}
              options={inksFor(ink)}
              onChange={(next) => change(i, { ink: next }, 'Ink of a colour')}
            />
            {route.colours.length > 1 && (
              <button
                type="button"
                aria-label={`Take away colour ${i + 1}`}
                className="text-soft hover:text-ruby"
                onClick={() => set('Remove a colour', { colours: route.colours.toSpliced(i, 1) })}
              >
                <X size={13} />
              </button>
            )}
          </Row>
          <SliderRow
            label="Hue"
            value={hue}
            unit={DEGREES}
            least={0}
            most={360}
            path={[...path, 'colours', i, 'hue']}
            onChange={(next, gesture) => change(i, { hue: next }, 'Hue of a colour', `${i}-${gesture}`)}
          />
        </div>
      ))}
      {route.colours.length < MOST && free.length > 0 && (
        <ResetButton
          label="Add a colour"
          onClick={() => set('Add a colour', { colours: [...route.colours, { ink: free[0].id, hue: 90 }] })}
        />
      )}
    </>
  );
}
