import {
  inkOf,
  difference2000,
  filmFrame,
  inkLimit,
  latticeOf,
  mmToPixels,
  type Lab,
} from '@brachytone/core';
import { useEffect, useState } from 'react';
import { labWords } from '../../controls/lab.ts';
import { inWorker } from '../../engine/engine.ts';
import type { ToneReading } from '../../engine/worker.ts';
import { useDocument } from '../../store/use-job.ts';
import { lengthWords } from '../../words/words.ts';
import { InkChip } from '../docket/inks/ink-chip.tsx';
import { usePointer } from './pointer.ts';

/** What is read under the pointer. */
interface Read {
  readonly tones: ToneReading[];
  readonly colours: { asked: Lab | undefined; printed: Lab };
}

/** The tones and colours under the pointer: asked for, on the film, and printed of that. */
function useRead(): Read | undefined {
  const { recipe } = useDocument();
  const pointer = usePointer();
  const [read, setRead] = useState<Read>();
  const frame = filmFrame(recipe);
  const x = pointer ? Math.floor(mmToPixels(pointer.mm.x + frame.bleed, frame)) : -1;
  const y = pointer ? Math.floor(mmToPixels(pointer.mm.y + frame.bleed, frame)) : -1;
  const inside = x >= 0 && y >= 0 && x < frame.width && y < frame.height;
  useEffect(() => {
    if (!inside) {
      setRead(undefined);
      return;
    }
    let stale = false;
    inWorker(async (worker) => ({
      tones: await worker.readTones(recipe, filmFrame(recipe), x, y),
      colours: await worker.readColours(recipe, filmFrame(recipe), x, y),
    })).then(
      (made) => !stale && setRead(made),
      () => undefined,
    );
    return () => {
      stale = true;
    };
  }, [recipe, x, y, inside]);
  return read;
}

/** The tones under the pointer, plate by plate. */
export const useTones = (): Read['tones'] | undefined => useRead()?.tones;

/** Plates whose dots can be told one by one. */
const FEW = 1;

/** Position, tones, total ink, dot size and colour under the pointer. */
export function Readout() {
  const { recipe } = useDocument();
  const pointer = usePointer();
  const read = useRead();
  const percent = (value: number) => `${value.toFixed(value < 10 ? 1 : 0)} %`;
  const place = pointer && read ? `${pointer.mm.x.toFixed(1)}, ${pointer.mm.y.toFixed(1)} mm` : '—';
  const few = recipe.plates.length <= FEW;
  const total = read?.tones.reduce(
    (sum, { printed }, i) => sum + (recipe.plates[i].printed ? printed : 0),
    0,
  );
  const limit = Math.min(...recipe.originals.map(({ route }) => inkLimit(route) ?? Infinity));
  const asked = read?.colours.asked;
  return (
    <div
      role="group"
      className={`figures flex items-start gap-4 text-rack-text ${few ? '' : 'max-[1180px]:flex-col max-[1180px]:gap-1'}`}
      aria-label="Readout"
    >
      <div className={few ? 'flex gap-5' : 'grid grid-cols-4 gap-x-2.5'}>
        {recipe.plates.map((plate, i) => {
          const ink = inkOf(recipe.inks, plate.ink);
          const tone = read?.tones[i];
          const lattice = latticeOf(plate.screen);
          return (
            <div key={plate.id} className={few ? 'flex gap-5' : 'contents'}>
              <div className={few ? 'min-w-[76px]' : 'w-[48px]'} title={ink.name}>
                <div className="flex items-center gap-1 text-rack-soft">
                  {!few && <InkChip ink={ink} />}
                  {few ? <span className="truncate">{ink.name}</span> : i + 1}
                </div>
                <div className="whitespace-nowrap">
                  {tone ? (
                    <>
                      {percent(tone.asked)}
                      <Made tone={tone} hasPress={recipe.press !== null} few={few} />
                    </>
                  ) : (
                    '—'
                  )}
                </div>
              </div>
              {few && lattice && (
                <Entry name={lattice.mark}>{tone ? lengthWords(lattice.size(tone.film / 100)) : '—'}</Entry>
              )}
            </div>
          );
        })}
      </div>
      {/* Beside several cards a small window has no room for more. */}
      {!few && (
        <div className="hidden gap-3 whitespace-nowrap text-rack-soft max-[1180px]:flex">
          <span>Lab {read ? labWords(read.colours.printed) : '—'}</span>
          <span>all {total === undefined ? '—' : percent(total)}</span>
        </div>
      )}
      <div className={few ? 'flex gap-5' : 'w-[118px] max-[1180px]:hidden'}>
        <Entry name="at" wide>
          {place}
        </Entry>
        {recipe.plates.length > 1 && (
          <Entry name="all inks" wide>
            {total === undefined ? (
              '—'
            ) : (
              <span className={total > limit + 0.5 ? 'text-[#e58a9c]' : ''}>
                {percent(total)}
                {Number.isFinite(limit) && <span className="text-rack-soft"> of {limit} %</span>}
              </span>
            )}
          </Entry>
        )}
      </div>
      <div className={`w-[96px] ${few ? '' : 'max-[1180px]:hidden'}`}>
        <div className="text-rack-soft">prints as Lab</div>
        <div className="whitespace-nowrap">{read ? labWords(read.colours.printed) : '—'}</div>
        <div
          className="whitespace-nowrap text-rack-soft"
          title="Difference from the colour asked for, fitted to the stock and its inks; CIEDE2000"
        >
          {asked && read ? `ΔE ${difference2000(asked, read.colours.printed).toFixed(1)}` : ' '}
        </div>
      </div>
    </div>
  );
}

/** What is on the film, and with a press what is printed, where these are not what is asked. */
function Made({ tone, hasPress, few }: { tone: ToneReading; hasPress: boolean; few: boolean }) {
  const { asked, film, printed } = tone;
  const digits = (value: number) => value.toFixed(value < 10 ? 1 : 0);
  if (!hasPress && Math.abs(film - asked) < 0.05) return null;
  return (
    <span
      className={`text-rack-soft ${few ? '' : 'block'}`}
      title={hasPress ? 'Asked, on the film, printed' : 'Asked, on the film'}
    >
      {few || !hasPress ? ' → ' : ''}
      {digits(film)}
      {hasPress && `${few ? ' → ' : '→'}${digits(printed)}`}
      {few || !hasPress ? ' %' : ''}
    </span>
  );
}

function Entry({ name, wide, children }: { name: string; wide?: boolean; children: React.ReactNode }) {
  return (
    <div className={wide ? 'w-[126px]' : 'min-w-[70px]'}>
      <div className="truncate text-rack-soft">{name}</div>
      <div className="whitespace-nowrap">{children}</div>
    </div>
  );
}
