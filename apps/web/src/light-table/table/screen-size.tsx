import { MM_PER_INCH } from '@brachytone/core';
import { Ruler } from 'lucide-react';
import { Popover } from 'radix-ui';
import { Button } from '../../controls/button.tsx';
import { SliderRow } from '../../controls/slider-row.tsx';
import { ASSUMED_PPI, keepPpi, PPI_LIMITS } from '../../store/screen-size.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { screenMeasured } from '../../store/view-slice.ts';
import { PPI } from '../../words/quantity.ts';

/** A card of the size of bank cards, mm (ISO/IEC 7810, ID-1). */
const CARD = { width: 85.6, height: 53.98 };

/** How large this screen's pixels are, so that print size is true: set once, by a card held against the glass. */
export function ScreenSize() {
  const dispatch = useAppDispatch();
  const measured = useAppSelector((state) => state.view.screenPpi);
  const ppi = measured ?? ASSUMED_PPI;
  const set = (next: number | null) => {
    keepPpi(next);
    dispatch(screenMeasured(next));
  };
  const pixels = (mm: number) => (mm / MM_PER_INCH) * ppi;
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label="Size of the screen’s pixels"
        className="figures flex h-7 items-center gap-1.5 rounded-sm border border-edge bg-raised px-2.5 hover:bg-white data-[state=open]:border-ink"
      >
        <Ruler size={13} />
        {measured === null ? 'screen not measured' : `${Number(ppi.toFixed(1))} ppi`}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="top"
          align="start"
          sideOffset={6}
          collisionPadding={8}
          aria-label="Size of the screen’s pixels"
          className="z-20 min-w-[360px] rounded-sm border border-ink bg-raised p-3"
        >
          <p className="max-w-[340px]">
            Hold a bank card against the screen and drag until the outline is as large.{' '}
            {measured === null
              ? `Until then ${ASSUMED_PPI} pixels are taken for an inch.`
              : 'Kept in this browser.'}
          </p>
          <div
            className="my-3 rounded-[10px] border-2 border-guide"
            style={{ width: pixels(CARD.width), height: pixels(CARD.height) }}
          />
          <SliderRow
            label="Pixels"
            value={ppi}
            unit={PPI}
            {...PPI_LIMITS}
            usual={[70, 180]}
            onChange={(next) => set(next)}
          />
          <div className="mt-1 flex justify-end">
            <Button className="!h-6 !px-2" disabled={measured === null} onClick={() => set(null)}>
              Forget it
            </Button>
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
