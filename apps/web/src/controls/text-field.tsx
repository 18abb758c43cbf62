import { cutText } from '@brachytone/job';
import { useState } from 'react';

/** A line of text that is taken when it is left, if it is not empty. */
export function TextField({
  label,
  value,
  onChange,
  className = '',
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  className?: string;
}) {
  const [typed, setTyped] = useState<string>();
  const settle = () => {
    const text = typed?.trim();
    setTyped(undefined);
    if (text && text !== value) onChange(cutText(text, 120));
  };
  return (
    <input
      aria-label={label}
      className={`h-6 rounded-sm border border-edge bg-white px-1.5 hover:border-soft ${className}`}
      value={typed ?? value}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={settle}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur();
        if (event.key === 'Escape') setTyped(undefined);
      }}
    />
  );
}
