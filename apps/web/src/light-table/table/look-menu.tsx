import { Eye } from 'lucide-react';
import { Popover } from 'radix-ui';
import { Button } from '../../controls/button.tsx';
import { FINE_MM, METRES } from '../../words/quantity.ts';
import { SliderRow } from '../../controls/slider-row.tsx';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { lookSet, zoomed } from '../../store/view-slice.ts';

/** Metres that are offered at once. */
const DISTANCES = [1, 3, 10];

/** The proof as the eye has it from a distance, and as poor register would have it. */
export function LookMenu() {
  const dispatch = useAppDispatch();
  const { look, zoom } = useAppSelector((state) => state.view);
  const { distance, register, seed } = look;
  const setDistance = (metres: number) => {
    dispatch(lookSet({ distance: metres }));
    // Nobody sees single dots from afar: the whole sheet comes into view.
    if (metres > 0 && zoom !== 'fit' && distance === 0) dispatch(zoomed({ zoom: 'fit' }));
  };
  const words = [
    ...(distance > 0 ? [`from ${Number(distance.toFixed(1))} m`] : []),
    ...(register > 0 ? [`register ±${Number(register.toFixed(2))} mm`] : []),
  ].join(', ');
  return (
    <Popover.Root>
      <Popover.Trigger
        className={`figures flex h-7 items-center gap-1.5 rounded-sm border bg-raised px-2.5 hover:bg-white data-[state=open]:border-ink ${words ? 'border-ink' : 'border-edge'}`}
      >
        <Eye size={13} /> {words || 'From a distance…'}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="top"
          align="start"
          sideOffset={6}
          collisionPadding={8}
          aria-label="How the proof is looked at"
          className="z-20 w-[292px] rounded-sm border border-ink bg-raised p-3"
        >
          <h3 className="mb-1 text-[12.5px]">From a distance</h3>
          <SliderRow
            label="Distance"
            value={distance}
            unit={METRES}
            least={0}
            most={100}
            usual={[0, 20]}
            onChange={setDistance}
          />
          <div className="my-1 flex gap-1.5">
            {DISTANCES.map((metres) => (
              <Button
                key={metres}
                className="!h-6 grow justify-center !px-1"
                aria-pressed={distance === metres}
                onClick={() => setDistance(metres)}
              >
                {metres} m
              </Button>
            ))}
            <Button className="!h-6 grow justify-center !px-1" onClick={() => setDistance(0)}>
              Near
            </Button>
          </div>
          <p className="text-soft">
            {distance > 0
              ? `From ${Number(distance.toFixed(1))} m the eye sees detail down to ${((distance * 1000 * Math.PI) / 10800).toFixed(2)} mm.`
              : 'The eye tells lines apart that are one minute of arc or more from one another.'}
          </p>
          <h3 className="mt-3 mb-1 border-t border-edge pt-2.5 text-[12.5px]">Poor register</h3>
          <SliderRow
            label="Off by up to"
            value={register}
            unit={FINE_MM}
            least={0}
            most={5}
            usual={[0, 2]}
            onChange={(next) => dispatch(lookSet({ register: next }))}
          />
          <div className="mt-1 flex items-center justify-between gap-2">
            <span className="text-soft">Each plate is off by its own random amount.</span>
            <Button
              className="!h-6 !px-2"
              disabled={register === 0}
              onClick={() => dispatch(lookSet({ seed: seed + 1 }))}
            >
              Next sheet
            </Button>
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
