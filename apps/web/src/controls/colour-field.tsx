import { useState } from 'react';

/** A colour: a swatch that opens the system's own chooser, and its sRGB value to type. */
export function ColourField({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange: (value: string, gesture: string) => void;
}) {
  const [typed, setTyped] = useState<string>();
  const settle = () => {
    const text = typed?.trim().toLowerCase().replace(/^#?/, '#');
    setTyped(undefined);
    if (text && /^#[0-9a-f]{6}$/.test(text) && text !== value) onChange(text, `${label}-${Date.now()}`);
  };
  return (
    <span className="flex items-center gap-1.5">
      <input
        type="color"
        aria-label={`${label}, colour chooser`}
        className="size-6 cursor-pointer appearance-none rounded-sm border border-edge bg-transparent p-0 [&::-webkit-color-swatch-wrapper]:p-0 [&::-webkit-color-swatch]:border-0"
        value={value}
        onChange={(event) => onChange(event.target.value, `${label}-chooser`)}
      />
      <input
        aria-label={`${label}, sRGB`}
        className="figures h-6 w-[74px] rounded-sm border border-edge bg-white px-1.5 hover:border-soft"
        value={typed ?? value}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={settle}
        onKeyDown={(event) => event.key === 'Enter' && settle()}
      />
    </span>
  );
}
