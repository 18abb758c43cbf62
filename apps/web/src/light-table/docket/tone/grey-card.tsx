import { BT709, weightsOf, type HueWeights } from '@brachytone/core';
import { toast } from 'sonner';
import { Segmented } from '../../../controls/segmented.tsx';
import { inWorker } from '../../../engine/engine.ts';
import { useEditOriginal, useTheOriginal } from '../../../store/use-original.ts';
import { Row } from '../group.tsx';
import { Card } from '../card.tsx';
import { HueColumns } from './hue-columns.tsx';

const PRESETS: readonly { name: string; title: string; weights: HueWeights }[] = [
  { name: 'Eye', title: 'As the eye weighs (ITU-R BT.709)', weights: BT709 },
  { name: 'Red', title: 'The red channel alone', weights: weightsOf(1, 0, 0) },
  { name: 'Green', title: 'The green channel alone', weights: weightsOf(0, 1, 0) },
  { name: 'Blue', title: 'The blue channel alone', weights: weightsOf(0, 0, 1) },
];

const same = (a: HueWeights, b: HueWeights): boolean =>
  (Object.keys(a) as (keyof HueWeights)[]).every((hue) => Math.abs(a[hue] - b[hue]) < 1e-6);

const words = (weights: HueWeights): string =>
  PRESETS.find((preset) => same(preset.weights, weights))?.name.toLowerCase() ?? 'by hue';

/** How colour becomes grey: the first of all steps, always there. */
export function GreyCard() {
  const original = useTheOriginal();
  const change = useEditOriginal();
  const { weights, reading } = original.tone.grey;
  const set = (next: HueWeights, gesture: string | null = null) =>
    change('Grey weights', (draft) => void (draft.tone.grey.weights = next), gesture);
  const automatic = () => {
    void inWorker((worker) => worker.automaticGrey(original)).then((found) => {
      if (found) set(found);
      else toast('This original has no colours to weigh: it is grey already.');
    });
  };
  return (
    <Card
      id="grey"
      name="Grey"
      words={`${words(weights)}${reading === 'lightness' ? ' · lightness' : ''}`}
      says="How colour becomes grey"
    >
      <div className="mb-1.5 flex gap-1">
        {PRESETS.slice(0, 1).map((preset) => (
          <Preset
            key={preset.name}
            {...preset}
            on={same(preset.weights, weights)}
            onPick={() => set(preset.weights)}
          />
        ))}
        <Preset
          name="Automatic"
          title="Weights that part this picture’s colours best"
          on={false}
          onPick={automatic}
        />
        {PRESETS.slice(1).map((preset) => (
          <Preset
            key={preset.name}
            {...preset}
            on={same(preset.weights, weights)}
            onPick={() => set(preset.weights)}
          />
        ))}
      </div>
      <HueColumns weights={weights} onChange={set} />
      <Row label="Read as">
        <Segmented
          label="Greys read as"
          value={reading}
          options={[
            { value: 'dots', label: 'Dot values', title: 'A 50 % grey asks for a 50 % dot' },
            { value: 'lightness', label: 'Lightness', title: 'A grey asks for the dot that looks as light' },
          ]}
          onChange={(next) => change('Greys read as', (draft) => void (draft.tone.grey.reading = next))}
        />
      </Row>
    </Card>
  );
}

function Preset({
  name,
  title,
  on,
  onPick,
}: {
  name: string;
  title: string;
  on: boolean;
  onPick: () => void;
}) {
  return (
    <button
      type="button"
      title={title}
      aria-pressed={on}
      onClick={onPick}
      className="h-6 grow rounded-sm border border-edge bg-white px-1.5 hover:border-soft aria-pressed:border-ink aria-pressed:outline-1 aria-pressed:outline-ink"
    >
      {name}
    </button>
  );
}
