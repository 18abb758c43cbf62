import {
  isSequential,
  latticeOf,
  MM_PER_INCH,
  newScreen,
  SCREEN_KINDS,
  screenKind,
  type Screen,
} from '@brachytone/core';
import { changedKind, LIMITS } from '@brachytone/job';
import { useMemo } from 'react';
import { coarseOn, dotUnit, PERCENT } from '../../words/quantity.ts';
import { lengthWords } from '../../words/words.ts';
import { useDocument } from '../../store/use-job.ts';
import { SliderRow } from '../../controls/slider-row.tsx';
import { SwitchRow } from '../../controls/switch-row.tsx';
import type { NumberPath } from '../../store/strip.ts';
import { FieldRow } from './field-row.tsx';
import { SwatchChoice } from './swatch-choice.tsx';

type Settings = Screen['settings'];
export type SetScreen = (label: string, change: Partial<Screen>, gesture?: string | null) => void;

/** What a screen is and what it is set by. */
export function ScreenControls({
  screen,
  part = false,
  path,
  set,
}: {
  screen: Screen;
  /** True where only screens that can be made for a part of the sheet will do. */
  part?: boolean;
  /** Where the screen stands in the job, if its numbers can be tried on a test strip. */
  path?: NumberPath;
  set: SetScreen;
}) {
  const kinds = useMemo(
    () =>
      SCREEN_KINDS.map(({ kind, name, says }) => ({
        value: kind,
        name,
        title: `${name}. ${says}`,
        screen: newScreen(kind),
      })).filter((choice) => !part || !isSequential(choice.screen)),
    [part],
  );
  const { fields, hasDots = true, spotSize } = screenKind(screen.kind);
  const { resolution } = useDocument().recipe.sheet;
  // On a coarse grid a spot is one of its pixels, whatever was set before.
  const isOverridden = (name: string) => screen.coarse > 0 && spotSize !== undefined && name === 'spot';
  const setSettings = (label: string, change: Settings, gesture: string | null = null) =>
    set(label, { settings: { ...screen.settings, ...change } }, gesture);
  return (
    <>
      <SwatchChoice
        label="Kind of screen"
        named
        value={screen.kind}
        choices={kinds}
        tones={[6, 92]}
        onPick={(kind) => set('Kind of screen', changedKind(screen, kind))}
      />
      {Object.entries(fields)
        .filter(([name]) => !isOverridden(name))
        .map(([name, field]) => (
          <FieldRow
            key={name}
            name={name}
            field={field}
            settings={screen.settings}
            path={path && [...path, 'settings']}
            set={(label, change, gesture) => setSettings(label, change as Settings, gesture)}
          />
        ))}
      {hasDots && <DotLimitRows screen={screen} path={path} set={set} />}
      {screen.coarse > 0 && spotSize && (
        <p className="text-soft">
          Its spots are the coarse grid’s pixels: {lengthWords(MM_PER_INCH / screen.coarse)} each.
        </p>
      )}
      <CoarseRow screen={screen} path={path} set={set} resolution={resolution} />
    </>
  );
}

/** The smallest dot that holds and the largest that stays open. */
function DotLimitRows({
  screen,
  path,
  set,
}: {
  screen: Screen;
  path: NumberPath | undefined;
  set: SetScreen;
}) {
  const lattice = latticeOf(screen);
  const unit = lattice ? dotUnit(lattice.size) : PERCENT;
  return (
    <>
      <SliderRow
        label="Smallest dot"
        value={screen.smallest}
        unit={unit}
        least={0}
        most={Math.min(99, screen.largest - 1)}
        usual={[0, Math.min(50, screen.largest - 1)]}
        path={path && [...path, 'smallest']}
        onChange={(smallest, gesture) => set('Smallest dot', { smallest }, gesture)}
      />
      <SliderRow
        label="Largest dot"
        value={screen.largest}
        unit={unit}
        least={Math.max(1, screen.smallest + 1)}
        most={100}
        usual={[Math.max(50, screen.smallest + 1), 100]}
        path={path && [...path, 'largest']}
        onChange={(largest, gesture) => set('Largest dot', { largest }, gesture)}
      />
    </>
  );
}

/** Pixels of a coarse grid, if the screen is drawn on one. */
function CoarseRow({
  screen,
  path,
  set,
  resolution,
}: {
  screen: Screen;
  path: NumberPath | undefined;
  set: SetScreen;
  /** Of the film, dpi. */
  resolution: number;
}) {
  if (screen.coarse === 0) {
    return (
      <button
        type="button"
        className="mt-1 text-[12px] text-soft underline hover:text-ink"
        onClick={() => set('Coarse grid', { coarse: 72 })}
      >
        Draw it on a coarse grid…
      </button>
    );
  }
  return (
    <>
      <SliderRow
        label="Coarse grid"
        value={screen.coarse}
        unit={coarseOn(resolution)}
        {...LIMITS.coarse}
        usual={[6, 300]}
        ratio
        path={path && [...path, 'coarse']}
        onChange={(coarse, gesture) => set('Coarse grid', { coarse }, gesture)}
      />
      <SwitchRow
        label="Line work and lettering on it too"
        title="Off: their edges keep the film’s own pixels"
        on={screen.coarseLines === true}
        onChange={(coarseLines) => set('Line work on the coarse grid', { coarseLines })}
      />
      <button
        type="button"
        className="text-[12px] text-soft underline hover:text-ink"
        onClick={() => set('Coarse grid', { coarse: 0 })}
      >
        Back to film pixels
      </button>
    </>
  );
}
