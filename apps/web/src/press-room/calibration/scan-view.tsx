import { layoutOf, PATCH, type FittedGain } from '@brachytone/core';
import type { KeptCalibration } from '@brachytone/job';

/** The scan that was read, laid straight, with the patches of an ink outlined. A click on one leaves its reading out, or takes it in again. */
export function ScanView({
  calibration,
  ink,
  fitted,
  onToggle,
}: {
  calibration: KeptCalibration;
  ink: number;
  fitted: FittedGain | undefined;
  onToggle: (place: number) => void;
}) {
  const { id, scan } = calibration;
  if (scan === null) return null;
  const layout = layoutOf(calibration);
  const of = calibration.inks[ink];
  // Readings of a scan stand in the order of the ink's patches.
  const patches = layout.patches.filter((patch) => patch.ink === ink);
  const isOffScan = patches.every((patch, place) => of.readings.at(place)?.film === patch.tone);
  const share = (mm: number, of: number): string => `${(100 * mm) / of}%`;
  return (
    <section aria-label="Scan" className="mt-4">
      <h2 className="mb-1 text-[13.5px]">The scan, laid straight</h2>
      <div
        className="relative w-[620px] border border-edge"
        style={{ aspectRatio: layout.width / layout.height }}
      >
        <img
          src={`/api/calibrations/${id}/scan.png?sha256=${scan}`}
          alt="Printed target"
          className="block size-full"
        />
        {patches.map((patch, place) => {
          const reading = of.readings.at(place);
          if (!isOffScan || !reading) return null;
          const isOut = of.without.includes(place);
          const isFar = fitted?.outliers.includes(place) ?? false;
          return (
            <button
              key={place}
              type="button"
              aria-pressed={isOut}
              aria-label={`Patch ${place + 1}, ${patch.tone} %`}
              title={`${patch.tone} % on the film prints as ${reading.printed.toFixed(1)} %${isOut ? ', left out' : isFar ? ', too far off' : ''}`}
              className={`absolute border ${isOut ? 'border-2 border-warn' : isFar ? 'border-2 border-ruby' : 'border-guide/60 hover:border-guide'}`}
              style={{
                left: share(patch.x - PATCH / 2, layout.width),
                top: share(patch.y - PATCH / 2, layout.height),
                width: share(PATCH, layout.width),
                height: share(PATCH, layout.height),
              }}
              onClick={() => onToggle(place)}
            />
          );
        })}
      </div>
    </section>
  );
}
