import { newScreen, SPOTS, type Screen } from '@brachytone/core';
import { ScreenSwatch } from './screen-swatch.tsx';

/** Every dot shape, as it is on a lattice of its own. */
export const SHAPE_CHOICES: readonly Choice[] = SPOTS.map(({ id, name }) => ({
  value: id,
  name,
  screen: newScreen('dots', { spot: id, ruling: 10, angle: 45 }),
}));

interface Choice {
  readonly value: string;
  readonly name: string;
  readonly title?: string;
  readonly screen: Screen;
}

/** One of several screens or shapes, each drawn by the engine. */
export function SwatchChoice({
  label,
  value,
  choices,
  named = false,
  tones,
  mark,
  onPick,
}: {
  label: string;
  value: string;
  choices: readonly Choice[];
  /** True to write the names below. */
  named?: boolean;
  tones: readonly [number, number];
  mark?: number;
  onPick: (value: string) => void;
}) {
  const width = named ? 60 : 40;
  const height = named ? 34 : 40;
  return (
    <div
      role="radiogroup"
      aria-label={label}
      className={`mb-2 grid gap-1.5 ${named ? 'grid-cols-4' : 'grid-cols-5'}`}
    >
      {choices.map((choice) => (
        <button
          key={choice.value}
          type="button"
          role="radio"
          aria-checked={choice.value === value}
          aria-label={choice.name}
          title={choice.title ?? choice.name}
          onClick={() => onPick(choice.value)}
          className={`min-w-0 rounded-sm border bg-white p-[3px] ${choice.value === value ? 'border-ink outline-1 outline-ink' : 'border-edge hover:border-soft'}`}
        >
          <span
            className="mx-auto block max-w-full overflow-hidden"
            style={{ width: width - (named ? 2 : 0), height }}
          >
            <ScreenSwatch
              screen={choice.screen}
              width={width}
              height={height}
              tones={tones}
              {...(mark ? { mark } : {})}
            />
          </span>
          {named && <span className="mt-0.5 block truncate text-[11px] leading-[14px]">{choice.name}</span>}
        </button>
      ))}
    </div>
  );
}
