import { hexToLab, labToHex, type Lab } from '@brachytone/core';
import { useState } from 'react';
import { labWords, parseLab } from './lab.ts';

/** A colour: a swatch that opens the system's own chooser, and its Lab value to type. */
export function LabField({
  label,
  value,
  onChange,
}: {
  label: string;
  value: Lab;
  onChange: (value: Lab, gesture: string) => void;
}) {
  const [typed, setTyped] = useState<string>();
  const [wrong, setWrong] = useState(false);
  const settle = () => {
    if (typed === undefined) return;
    const read = parseLab(typed);
    setWrong(read === undefined);
    if (!read) return;
    setTyped(undefined);
    onChange(read, `${label}-${Date.now()}`);
  };
  return (
    <span className="flex items-center gap-1.5">
      <input
        type="color"
        aria-label={`${label}, colour chooser`}
        className="size-6 cursor-pointer appearance-none rounded-sm border border-edge bg-transparent p-0 [&::-webkit-color-swatch-wrapper]:p-0 [&::-webkit-color-swatch]:border-0"
        value={labToHex(value)}
        onChange={(event) => onChange(hexToLab(event.target.value), `${label}-chooser`)}
      />
      <input
        aria-label={`${label}, Lab`}
        aria-invalid={wrong}
        title={
          wrong
            ? 'This cannot be read as a colour. Try 46 -24 -30 (Lab), #2f6f8f (sRGB) or 1.6 D (density).'
            : 'L, a, b under D50. You may also type #2f6f8f (sRGB) or 1.6 D (density of a neutral).'
        }
        className={`figures h-6 w-[122px] rounded-sm border bg-white px-1.5 text-right ${wrong ? 'border-ruby text-ruby' : 'border-edge hover:border-soft'}`}
        value={typed ?? labWords(value)}
        onChange={(event) => setTyped(event.target.value)}
        onFocus={(event) => event.target.select()}
        onBlur={settle}
        onKeyDown={(event) => {
          if (event.key === 'Enter') settle();
          if (event.key === 'Escape') {
            setTyped(undefined);
            setWrong(false);
          }
        }}
      />
    </span>
  );
}
