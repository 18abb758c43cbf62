import { Search } from 'lucide-react';
import { Slider } from 'radix-ui';
import { useParams } from 'react-router';
import { Segmented } from '../../controls/segmented.tsx';
import type { Sharpness } from '../../engine/drawing-loop.ts';
import type { Arrival } from '../../engine/use-pictures.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import {
  benchLit,
  loupePinned,
  pullsShown,
  showTable,
  zoomed,
  type TableView,
} from '../../store/view-slice.ts';
import { LookMenu } from './look-menu.tsx';
import { ReachLegend } from './reach-legend.tsx';
import { PressBadge } from './press-badge.tsx';
import { ScreenSize } from './screen-size.tsx';
import { zoomWords, type Lie } from './geometry.ts';

const VIEWS: readonly { value: TableView; label: string; title: string }[] = [
  { value: 'original', label: 'Original', title: 'The originals in their own colours' },
  { value: 'plate', label: 'Plate', title: 'The tone the plate asks for, before it is screened' },
  { value: 'proof', label: 'Proof', title: 'Ink on stock' },
  { value: 'film', label: 'Film', title: 'The film as it will be made' },
  { value: 'product', label: 'Product', title: 'The proof on what it is printed on, true to scale' },
];

/** What the table shows, from how far, and how finished the picture is. */
export function TableBars({
  lie,
  ratio,
  sharpness,
  arrival,
}: {
  lie: Lie;
  ratio: number;
  sharpness: Sharpness;
  arrival: Arrival;
}) {
  const dispatch = useAppDispatch();
  const { stage } = useParams();
  const { table, zoom, loupe, bench, pulls, reach, screenPpi } = useAppSelector((state) => state.view);
  const stop = (event: { stopPropagation: () => void }) => event.stopPropagation();
  const zoomButton = (name: 'fit' | 'print' | 'dots', words: string, key: string) => (
    <button
      type="button"
      title={`Key ${key}`}
      aria-pressed={zoom === name}
      onClick={() => dispatch(zoomed({ zoom: name }))}
      className="figures h-7 rounded-sm border border-edge bg-raised px-2.5 hover:bg-white aria-pressed:border-ink"
    >
      {words}
    </button>
  );
  const state =
    arrival === 'failed'
      ? 'original missing'
      : arrival === 'none' || sharpness === 'nothing'
        ? 'fetching'
        : sharpness;
  return (
    <>
      {state !== 'exact' && state !== 'original missing' && (
        <div
          role="progressbar"
          aria-label="The exact picture is being made"
          className="being-made pointer-events-none absolute inset-x-0 top-0 z-[3] h-[3px] overflow-hidden"
        >
          <span className="block h-full w-1/4 bg-guide-deep" />
        </div>
      )}
      <div className="absolute top-3 left-3.5 z-[3]" onPointerDown={stop}>
        <Segmented
          label="View"
          value={table}
          options={VIEWS}
          onChange={(next) => dispatch(showTable(next))}
        />
      </div>
      <div className="absolute top-3 right-3.5 z-[3] flex items-center gap-2" onPointerDown={stop}>
        <span
          role="status"
          aria-label="Picture"
          className={`figures flex h-7 items-center gap-1.5 rounded-sm border border-edge bg-raised px-2.5 ${state === 'exact' ? '' : 'text-soft'}`}
          title="Exact: every bit of the film is in the picture"
        >
          <span
            className={`size-1.5 rounded-full ${state === 'exact' ? 'bg-ink' : state === 'original missing' ? 'bg-ruby' : 'border border-soft'}`}
          />
          {state}
        </span>
        {(table === 'proof' || table === 'product') && <PressBadge />}
        <button
          type="button"
          aria-pressed={pulls}
          title="States of the job that were kept; P keeps one, X wipes against the last"
          onClick={() => dispatch(pullsShown(!pulls))}
          className="h-7 rounded-sm border border-edge bg-raised px-2.5 hover:bg-white aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-raised"
        >
          Pulls
        </button>
      </div>
      <div
        className={`absolute bottom-3 left-3.5 flex items-center gap-1.5 ${table === 'product' ? 'hidden' : ''}`}
        onPointerDown={stop}
      >
        {zoomButton('fit', 'Fit', 'F')}
        {zoomButton('print', 'Print size', 'R')}
        {zoom === 'print' && <ScreenSize />}
        {zoomButton('dots', 'Every dot', 'D')}
        {table === 'proof' && <LookMenu />}
        <span className="figures ml-1 rounded-sm bg-raised/80 px-1.5 py-0.5 text-soft" aria-label="Zoom">
          {zoomWords(lie, ratio, screenPpi)}
        </span>
      </div>
      {table === 'proof' && stage === 'inks' && reach !== null && <ReachLegend />}
      <div className="absolute right-3.5 bottom-3 flex items-center gap-2" onPointerDown={stop}>
        <label className="flex h-7 items-center gap-2 rounded-sm border border-edge bg-raised px-2.5">
          <span className="text-soft">Table</span>
          <Slider.Root
            className="relative flex h-5 w-16 touch-none items-center"
            min={0.1}
            max={0.95}
            step={0.01}
            value={[bench]}
            onValueChange={([next]) => dispatch(benchLit(next))}
          >
            <Slider.Track className="h-px grow bg-soft" />
            <Slider.Thumb
              aria-label="Brightness of the table"
              className="block h-3.5 w-1.5 rounded-[1px] bg-ink"
            />
          </Slider.Root>
        </label>
        <button
          type="button"
          aria-pressed={loupe.pinned}
          title="Pin the loupe; hold L to use it in passing"
          onClick={() => dispatch(loupePinned())}
          className="flex h-7 items-center gap-1.5 rounded-sm border border-edge bg-raised px-2.5 hover:bg-white aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-raised"
        >
          <Search size={13} /> Loupe
        </button>
      </div>
    </>
  );
}
