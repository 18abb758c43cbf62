import { rounded } from '@brachytone/core';
import type { Fountain, Ink, Lab } from '@brachytone/core';
import { LIMITS } from '@brachytone/job';
import { LabField } from '../../../controls/lab-field.tsx';
import { DEGREES, PERCENT } from '../../../words/quantity.ts';
import { SliderRow } from '../../../controls/slider-row.tsx';
import { SwitchRow } from '../../../controls/switch-row.tsx';
import { TextField } from '../../../controls/text-field.tsx';
import { edit } from '../../../store/job-slice.ts';
import { useAppDispatch } from '../../../store/store.ts';
import { useDocument } from '../../../store/use-job.ts';
import { ExchangeInk } from './ink-shelf.tsx';
import { ResetButton, Row } from '../group.tsx';

/** What an ink is: its name, its colour or colours, and how it covers. */
export function InkControls({ ink }: { ink: Ink }) {
  const dispatch = useAppDispatch();
  const { recipe } = useDocument();
  const at = recipe.inks.findIndex(({ id }) => id === ink.id);
  const set = (label: string, change: Partial<Ink>, gesture: string | null = null) =>
    dispatch(
      edit(label, (draft) => void Object.assign(draft.recipe.inks[at], structuredClone(change)), gesture),
    );
  const measured = recipe.overprints.filter(({ inks }) => inks.includes(ink.id)).length;
  return (
    <>
      <Row label="Name">
        <TextField
          label="Ink name"
          className="w-full"
          value={ink.name}
          onChange={(name) => set('Ink name', { name })}
        />
        <ExchangeInk ink={ink} />
      </Row>
      {!ink.fountain && (
        <Row label="Solid">
          <LabField
            label="Ink colour"
            value={ink.lab}
            onChange={(lab, gesture) => set('Ink colour', { lab }, gesture)}
          />
        </Row>
      )}
      <SliderRow
        label="Opacity"
        value={Math.round(ink.opacity * 1000) / 10}
        unit={PERCENT}
        least={0}
        most={100}
        onChange={(percent, gesture) => set('Ink opacity', { opacity: percent / 100 }, gesture)}
      />
      {measured > 0 && (
        <p className="text-soft">
          {measured} of its overprints {measured === 1 ? 'is' : 'are'} as measured.
        </p>
      )}
      <SwitchRow
        label="Blended across the sheet"
        title="Two or three colours that run into one another, as in a split fountain"
        on={ink.fountain !== null}
        onChange={(on) =>
          set(on ? 'Blended ink' : 'One colour', {
            fountain: on
              ? {
                  angle: 0,
                  stops: [
                    { at: 10, lab: ink.lab },
                    { at: 90, lab: neighbour(ink.lab) },
                  ],
                }
              : null,
          })
        }
      />
      {ink.fountain && (
        <FountainControls
          fountain={ink.fountain}
          set={(label, fountain, gesture) => set(label, { fountain }, gesture)}
        />
      )}
    </>
  );
}

/** A colour a third of a turn on, to begin a blend with. */
function neighbour([l, a, b]: Lab): Lab {
  const chroma = Math.max(45, Math.hypot(a, b));
  const hue = Math.atan2(b, a) + 2;
  return [
    rounded(Math.max(l, 58), 1),
    rounded(chroma * Math.cos(hue), 1),
    rounded(chroma * Math.sin(hue), 1),
  ];
}

function FountainControls({
  fountain,
  set,
}: {
  fountain: Fountain;
  set: (label: string, fountain: Fountain, gesture?: string | null) => void;
}) {
  const { stops } = fountain;
  const setStop = (i: number, change: Partial<Fountain['stops'][number]>, gesture: string | null) =>
    set(
      'Blended ink',
      { ...fountain, stops: stops.map((stop, k) => (k === i ? { ...stop, ...change } : stop)) },
      gesture,
    );
  return (
    <>
      {stops.map((stop, i) => (
        <div key={i}>
          <Row label={`Colour ${i + 1}`}>
            <LabField
              label={`Colour ${i + 1} of the blend`}
              value={stop.lab}
              onChange={(lab, gesture) => setStop(i, { lab }, gesture)}
            />
          </Row>
          <SliderRow
            label="Position"
            value={stop.at}
            unit={PERCENT}
            least={i === 0 ? 0 : stops[i - 1].at + 1}
            most={i === stops.length - 1 ? 100 : stops[i + 1].at - 1}
            usual={[0, 100]}
            onChange={(value, gesture) => {
              const least = i === 0 ? 0 : stops[i - 1].at + 1;
              const most = i === stops.length - 1 ? 100 : stops[i + 1].at - 1;
              setStop(i, { at: Math.min(most, Math.max(least, value)) }, gesture);
            }}
          />
        </div>
      ))}
      <SliderRow
        label="Direction"
        value={fountain.angle}
        unit={DEGREES}
        {...LIMITS.angle}
        onChange={(angle, gesture) => set('Direction of the blend', { ...fountain, angle }, gesture)}
      />
      <div className="text-right">
        {stops.length < 3 ? (
          <ResetButton
            label="A third colour"
            onClick={() =>
              set('A third colour', {
                ...fountain,
                stops: [
                  stops[0],
                  { at: (stops[0].at + stops[1].at) / 2, lab: neighbour(stops[1].lab) },
                  stops[1],
                ],
              })
            }
          />
        ) : (
          <ResetButton
            label="Two colours"
            onClick={() => set('Two colours', { ...fountain, stops: [stops[0], stops[2]] })}
          />
        )}
      </div>
    </>
  );
}
