import { useState, type KeyboardEvent } from 'react';
import { formatQuantity, parseQuantity, stepOf, type Unit } from '../words/quantity.ts';

/** A number that accepts units and arithmetic; arrow keys nudge it, with Shift ×10, with Alt ÷10. */
export function NumberField({
  label,
  value,
  unit,
  least,
  most,
  onChange,
  onStrip,
  className = 'w-[74px]',
}: {
  label: string;
  value: number;
  unit: Unit;
  least: number;
  most: number;
  onChange: (value: number) => void;
  /** Opens a test strip of the number, on T. */
  onStrip?: () => void;
  className?: string;
}) {
  const [typed, setTyped] = useState<string>();
  const [wrong, setWrong] = useState(false);
  const keep = (next: number) => onChange(Number(Math.min(most, Math.max(least, next)).toFixed(4)));
  const settle = () => {
    if (typed === undefined) return;
    const read = parseQuantity(typed, unit);
    if (read === undefined) {
      setWrong(true);
      return;
    }
    setTyped(undefined);
    setWrong(false);
    if (Math.abs(read - value) > 1e-9) keep(read);
  };
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    if (event.key === 't' && onStrip) {
      event.preventDefault();
      settle();
      onStrip();
      return;
    }
    // Taken, the keys are the page's again; one that cannot be read stays to be mended.
    if (event.key === 'Enter') {
      if (typed === undefined || parseQuantity(typed, unit) !== undefined) event.currentTarget.blur();
      else settle();
    }
    if (event.key === 'Escape') {
      setTyped(undefined);
      setWrong(false);
    }
    if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return;
    event.preventDefault();
    const size = stepOf(unit) * (event.shiftKey ? 10 : event.altKey ? 0.1 : 1);
    setTyped(undefined);
    keep(value + (event.key === 'ArrowUp' ? size : -size));
  };
  return (
    <input
      aria-label={label}
      aria-invalid={wrong}
      title={wrong ? 'This cannot be read as a number. Try 1.5 mm, 45 lpi or 300/4.' : undefined}
      inputMode="decimal"
      className={`figures h-6 rounded-sm border bg-white px-1.5 text-right ${wrong ? 'border-ruby text-ruby' : 'border-edge hover:border-soft'} ${className}`}
      value={typed ?? formatQuantity(value, unit)}
      onChange={(event) => setTyped(event.target.value)}
      onFocus={(event) => event.target.select()}
      onBlur={settle}
      onKeyDown={onKeyDown}
    />
  );
}
