import { present, type HueWeights } from '@brachytone/core';
import { Slider } from 'radix-ui';
import { useRef, useState } from 'react';
import { NumberField } from '../../../controls/number-field.tsx';
import { PERCENT } from '../../../words/quantity.ts';

/** Hues in the order of the spectrum, from blue to magenta. */
const HUES: readonly { hue: keyof HueWeights; name: string; colour: string }[] = [
  { hue: 'blue', name: 'Blue', colour: '#3b5bb0' },
  { hue: 'cyan', name: 'Cyan', colour: '#3a9fa8' },
  { hue: 'green', name: 'Green', colour: '#4c9a4a' },
  { hue: 'yellow', name: 'Yellow', colour: '#d9b72c' },
  { hue: 'red', name: 'Red', colour: '#c8402f' },
  { hue: 'magenta', name: 'Magenta', colour: '#a84a94' },
];

/** The grey each hue becomes, as six columns from solid at their feet to bare at their heads. */
export function HueColumns({
  weights,
  onChange,
}: {
  weights: HueWeights;
  onChange: (weights: HueWeights, gesture: string) => void;
}) {
  const gesture = useRef('');
  const [chosen, setChosen] = useState<keyof HueWeights>('red');
  const kept = (value: number) => Math.min(100, Math.max(0, value));
  return (
    <>
      <div className="flex justify-between">
        {HUES.map(({ hue, name, colour }) => {
          const grey = Math.round((kept(weights[hue]) / 100) * 255);
          const begin = () => {
            gesture.current = `${hue}-${Date.now()}`;
            setChosen(hue);
          };
          return (
            <div key={hue} className="flex w-9 flex-col items-center">
              <span className="h-3 w-full border border-edge" style={{ background: colour }} />
              <Slider.Root
                orientation="vertical"
                className="relative flex h-20 w-full touch-none flex-col items-center"
                min={0}
                max={100}
                step={1}
                value={[kept(weights[hue])]}
                onPointerDown={begin}
                onKeyDown={begin}
                onFocus={() => setChosen(hue)}
                onValueChange={([next]) => onChange({ ...weights, [hue]: next }, gesture.current)}
              >
                <Slider.Track className="relative w-px grow bg-soft" />
                <Slider.Thumb
                  aria-label={`Grey of ${name.toLowerCase()}`}
                  className={`block h-1.5 w-5 rounded-[1px] hover:bg-guide-deep ${hue === chosen ? 'bg-guide-deep' : 'bg-ink'}`}
                />
              </Slider.Root>
              <span
                className="h-4 w-full border border-edge"
                style={{ background: `rgb(${grey} ${grey} ${grey})` }}
              />
            </div>
          );
        })}
      </div>
      <div className="mt-1.5 flex items-center gap-2">
        <span className="text-soft">
          {
            present(
              HUES.find(({ hue }) => hue === chosen),
              'hue',
            ).name
          }{' '}
          becomes a grey of
        </span>
        <span className="ml-auto" />
        <NumberField
          label="Grey of the chosen hue, number"
          value={weights[chosen]}
          unit={PERCENT}
          least={-100}
          most={200}
          onChange={(value) => onChange({ ...weights, [chosen]: value }, `${chosen}-${Date.now()}`)}
        />
      </div>
    </>
  );
}
