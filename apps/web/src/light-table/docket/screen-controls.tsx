import { SPOTS, type Screen } from '@brachytone/core';
import { LIMITS } from '@brachytone/job';
import { DEGREES, LPI, PERCENT } from '../../controls/quantity.ts';
import { SliderRow } from '../../controls/slider-row.tsx';
import { SpotButton } from './spot-button.tsx';

/** Dot shape, ruling, angle and dot limits of a screen. */
export function ScreenControls({
  screen,
  set,
}: {
  screen: Screen;
  set: (label: string, change: Partial<Screen>, gesture?: string | null) => void;
}) {
  return (
    <>
      <div role="radiogroup" aria-label="Dot shape" className="mb-2 flex justify-between">
        {SPOTS.map((spot) => (
          <SpotButton
            key={spot.id}
            spot={spot}
            angle={screen.angle}
            pressed={spot.id === screen.spot}
            onPick={() => set('Dot shape', { spot: spot.id })}
          />
        ))}
      </div>
      <SliderRow
        label="Ruling"
        value={screen.ruling}
        unit={LPI}
        {...LIMITS.ruling}
        usual={[4, 175]}
        ratio
        onChange={(ruling, gesture) => set('Ruling', { ruling }, gesture)}
      />
      <SliderRow
        label="Angle"
        value={screen.angle}
        unit={DEGREES}
        {...LIMITS.angle}
        usual={[0, 180]}
        onChange={(angle, gesture) => set('Angle', { angle }, gesture)}
      />
      <SliderRow
        label="Smallest dot"
        value={screen.smallest}
        unit={PERCENT}
        least={0}
        most={Math.min(99, screen.largest - 1)}
        usual={[0, Math.min(50, screen.largest - 1)]}
        onChange={(smallest, gesture) => set('Smallest dot', { smallest }, gesture)}
      />
      <SliderRow
        label="Largest dot"
        value={screen.largest}
        unit={PERCENT}
        least={Math.max(1, screen.smallest + 1)}
        most={100}
        usual={[Math.max(50, screen.smallest + 1), 100]}
        onChange={(largest, gesture) => set('Largest dot', { largest }, gesture)}
      />
    </>
  );
}
