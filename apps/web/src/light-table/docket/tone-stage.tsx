import { BT709, NO_LEVELS, STRAIGHT, type CurvePoint, type Levels } from '@brachytone/core';
import { LIMITS } from '@brachytone/job';
import { useEffect, useState } from 'react';
import { Segmented } from '../../controls/segmented.tsx';
import { PERCENT, PLAIN } from '../../controls/quantity.ts';
import { SliderRow } from '../../controls/slider-row.tsx';
import { inWorker } from '../../engine/engine.ts';
import { usePictures } from '../../engine/use-pictures.ts';
import { edit } from '../../store/job-slice.ts';
import { useAppDispatch } from '../../store/store.ts';
import { useDocument } from '../../store/use-job.ts';
import { CurveChart } from './curve-chart.tsx';
import { Group, ResetButton, Row } from './group.tsx';
import { LevelsChart } from './levels-chart.tsx';

const isPlain = (levels: Levels): boolean =>
  (Object.keys(NO_LEVELS) as (keyof Levels)[]).every((part) => levels[part] === NO_LEVELS[part]);
const isStraight = (curve: readonly CurvePoint[]): boolean => curve.every((point) => point.in === point.out);

export function ToneSummary() {
  const { tone } = useDocument().recipe.originals[0];
  const parts = [
    isPlain(tone.levels) ? '' : 'levels',
    isStraight(tone.curve) ? '' : `curve of ${tone.curve.length}`,
    tone.invert ? 'inverted' : '',
  ].filter(Boolean);
  return <span className="truncate">{parts.join(' · ') || 'as it is'}</span>;
}

/** Histograms of the cropped original before its tone steps and after. */
function useHistograms() {
  const { recipe } = useDocument();
  const { picture, crop, tone } = recipe.originals[0];
  const { version } = usePictures(recipe);
  const [shown, setShown] = useState<{ before: number[]; after: number[] }>();
  const key = JSON.stringify([picture, crop, tone]);
  useEffect(() => {
    let stale = false;
    const read = (stage: 'before' | 'after') =>
      inWorker((worker) => worker.histogram(picture, crop, tone, stage), false);
    void Promise.all([read('before'), read('after')]).then(([before, after]) => {
      if (!stale && before && after) setShown({ before, after });
    });
    return () => {
      stale = true;
    };
    // The key stands for picture, crop and tone.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, version]);
  return shown;
}

export function ToneStage() {
  const dispatch = useAppDispatch();
  const { recipe } = useDocument();
  const { tone } = recipe.originals[0];
  const { smallest, largest } = recipe.plates[0].screen;
  const histograms = useHistograms();
  const setLevels = (change: Partial<Levels>, gesture: string) =>
    dispatch(
      edit('Levels', (draft) => void Object.assign(draft.recipe.originals[0].tone.levels, change), gesture),
    );
  const weight = (channel: 'red' | 'green' | 'blue', name: string) => (
    <SliderRow
      label={name}
      value={tone.weights[channel]}
      unit={PERCENT}
      least={0}
      most={100}
      onChange={(value, gesture) =>
        dispatch(
          edit(
            'Grey weights',
            (draft) => {
              const { weights } = draft.recipe.originals[0].tone;
              const next = { ...weights, [channel]: value };
              if (next.red + next.green + next.blue > 0) weights[channel] = value;
            },
            gesture,
          ),
        )
      }
    />
  );
  return (
    <>
      <Group
        name="Grey"
        aside={
          <ResetButton
            label="As the eye weighs"
            onClick={() =>
              dispatch(
                edit('Grey weights', (draft) => {
                  draft.recipe.originals[0].tone.weights = {
                    red: BT709.red * 100,
                    green: BT709.green * 100,
                    blue: BT709.blue * 100,
                  };
                }),
              )
            }
          />
        }
      >
        {weight('red', 'Red')}
        {weight('green', 'Green')}
        {weight('blue', 'Blue')}
        <Row label="Read as">
          <Segmented
            label="Greys read as"
            value={tone.reading}
            options={[
              { value: 'dots', label: 'Dot values', title: 'A 50 % grey asks for a 50 % dot' },
              {
                value: 'lightness',
                label: 'Lightness',
                title: 'A grey asks for the dot that looks as light',
              },
            ]}
            onChange={(reading) =>
              dispatch(
                edit('Greys read as', (draft) => void (draft.recipe.originals[0].tone.reading = reading)),
              )
            }
          />
        </Row>
      </Group>
      <Group
        name="Levels"
        aside={<ResetButton label="Clear" onClick={() => setLevels(NO_LEVELS, `clear-${Date.now()}`)} />}
      >
        <LevelsChart bins={histograms?.before} levels={tone.levels} onChange={setLevels} />
        <SliderRow
          label="Middle"
          value={tone.levels.mid}
          unit={PLAIN}
          {...LIMITS.mid}
          usual={[0.4, 2.5]}
          ratio
          onChange={(mid, gesture) => setLevels({ mid }, gesture)}
        />
        <SliderRow
          label="Floor"
          value={tone.levels.floor}
          unit={PERCENT}
          least={0}
          most={100}
          onChange={(floor, gesture) => setLevels({ floor }, gesture)}
        />
        <SliderRow
          label="Ceiling"
          value={tone.levels.ceiling}
          unit={PERCENT}
          least={0}
          most={100}
          onChange={(ceiling, gesture) => setLevels({ ceiling }, gesture)}
        />
      </Group>
      <Group
        name="Curve"
        aside={
          <ResetButton
            label="Straighten"
            onClick={() =>
              dispatch(
                edit(
                  'Curve',
                  (draft) => void (draft.recipe.originals[0].tone.curve = STRAIGHT.map((p) => ({ ...p }))),
                ),
              )
            }
          />
        }
      >
        <CurveChart
          bins={histograms?.after}
          points={tone.curve}
          limits={{ smallest, largest }}
          onChange={(points, gesture) =>
            dispatch(
              edit(
                'Curve',
                (draft) => void (draft.recipe.originals[0].tone.curve = points.map((p) => ({ ...p }))),
                gesture,
              ),
            )
          }
        />
      </Group>
      <Group name="Invert">
        <Row label="Light, dark">
          <Segmented
            label="Invert"
            value={tone.invert ? 'on' : 'off'}
            options={[
              { value: 'off', label: 'As it is' },
              { value: 'on', label: 'Exchanged' },
            ]}
            onChange={(next) =>
              dispatch(
                edit('Invert', (draft) => void (draft.recipe.originals[0].tone.invert = next === 'on')),
              )
            }
          />
        </Row>
      </Group>
    </>
  );
}
