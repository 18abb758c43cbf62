import { filmFrame, latticeOf, mmToPixels } from '@brachytone/core';
import { useEffect, useState } from 'react';
import { inWorker } from '../../engine/engine.ts';
import { useDocument } from '../../store/use-job.ts';
import { lengthWords } from '../words.ts';
import { usePointer } from './pointer.ts';

/** The tones under the pointer, plate by plate: asked for, and made within the dot limits. */
export function useTones(): { asked: number; made: number }[] | undefined {
  const { recipe } = useDocument();
  const pointer = usePointer();
  const [tones, setTones] = useState<{ asked: number; made: number }[]>();
  const frame = filmFrame(recipe);
  const x = pointer ? Math.floor(mmToPixels(pointer.mm.x + frame.bleed, frame)) : -1;
  const y = pointer ? Math.floor(mmToPixels(pointer.mm.y + frame.bleed, frame)) : -1;
  const inside = x >= 0 && y >= 0 && x < frame.width && y < frame.height;
  useEffect(() => {
    if (!inside) {
      setTones(undefined);
      return;
    }
    let stale = false;
    inWorker((worker) => worker.readTones(recipe, filmFrame(recipe), x, y)).then(
      (read) => !stale && setTones(read),
      () => undefined,
    );
    return () => {
      stale = true;
    };
  }, [recipe, x, y, inside]);
  return tones;
}

/** Position, tones and dot size under the pointer. */
export function Readout() {
  const { recipe } = useDocument();
  const pointer = usePointer();
  const tones = useTones();
  const percent = (value: number) => `${value.toFixed(value < 10 ? 1 : 0)} %`;
  const place = pointer && tones ? `${pointer.mm.x.toFixed(1)}, ${pointer.mm.y.toFixed(1)} mm` : '—';
  return (
    <dl className="figures flex gap-6 text-rack-text" aria-label="Readout">
      <Entry name="at" wide>
        {place}
      </Entry>
      {recipe.plates.map((plate, i) => {
        const ink = recipe.inks.find(({ id }) => id === plate.ink)!;
        const tone = tones?.[i];
        const lattice = latticeOf(plate.screen);
        return (
          <div key={plate.id} className="contents">
            <Entry name={ink.name}>
              {tone ? (
                <>
                  {percent(tone.asked)}
                  {Math.abs(tone.made - tone.asked) >= 0.05 && (
                    <span className="text-rack-soft"> → {percent(tone.made)}</span>
                  )}
                </>
              ) : (
                '—'
              )}
            </Entry>
            {lattice && (
              <Entry name={lattice.mark}>{tone ? lengthWords(lattice.size(tone.made / 100)) : '—'}</Entry>
            )}
          </div>
        );
      })}
    </dl>
  );
}

function Entry({ name, wide, children }: { name: string; wide?: boolean; children: React.ReactNode }) {
  return (
    <div className={wide ? 'w-[132px]' : 'min-w-[76px]'}>
      <dt className="truncate text-rack-soft">{name}</dt>
      <dd className="whitespace-nowrap">{children}</dd>
    </div>
  );
}
