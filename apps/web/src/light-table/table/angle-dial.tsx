import { DIAL_STEP, inkOf, type AngleDial } from '@brachytone/core';
import { X } from 'lucide-react';
import { useEffect, useRef, useState, type PointerEvent } from 'react';
import { inWorker } from '../../engine/engine.ts';
import { SECOND } from '../../engine/ranks.ts';
import { NumberField } from '../../controls/number-field.tsx';
import { dialOpened } from '../../store/check-slice.ts';
import { edit } from '../../store/job-slice.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useDocument } from '../../store/use-job.ts';
import { DEGREES } from '../../words/quantity.ts';

const WIDTH = 244;
const [MIDDLE, FOOT, RADIUS] = [WIDTH / 2, 124, 96];
/** Contrast of light that is drawn as the longest mark. */
const LOUD = 0.06;
const LONGEST = 30;

const at = (angle: number, radius: number): readonly [number, number] => {
  const turn = (angle * Math.PI) / 180;
  return [MIDDLE + radius * Math.cos(turn), FOOT - radius * Math.sin(turn)];
};

let turns = 0;

/** How loud a plate's patterns with mesh and other plates would be at any angle; the plate is turned by its hand. */
export function AngleDialPanel() {
  const dispatch = useAppDispatch();
  const { recipe } = useDocument();
  const open = useAppSelector((state) => state.check.dial);
  const index = recipe.plates.findIndex(({ id }) => id === open);
  const svg = useRef<SVGSVGElement>(null);
  const gesture = useRef<string | null>(null);
  const dial = useDial(index);
  if (index < 0) return null;
  const plate = recipe.plates[index];
  const own = Number(plate.screen.settings.angle);
  const turn = (angle: number, name: string | null) =>
    dispatch(
      edit(
        `Angle of ${inkOf(recipe.inks, plate.ink).name}`,
        (draft) => void (draft.recipe.plates[index].screen.settings.angle = angle),
        name,
      ),
    );
  const toPointer = (event: PointerEvent) => {
    const box = svg.current?.getBoundingClientRect();
    if (!box) return;
    const angle =
      (Math.atan2(FOOT - (event.clientY - box.top), event.clientX - box.left - MIDDLE) * 180) / Math.PI;
    turn(
      Math.round(Math.min(180, Math.max(0, angle < -90 ? 180 : angle)) / DIAL_STEP) * DIAL_STEP,
      gesture.current,
    );
  };
  const shown = ((own % 180) + 180) % 180;
  const loudAt = (angle: number): number => {
    if (!dial) return 0;
    const k = Math.round(angle / DIAL_STEP) % dial.mesh.length;
    return Math.max(dial.mesh[k], dial.plates[k]);
  };
  return (
    <section aria-label="Moiré at each angle" className="shrink-0 border-b border-edge p-3">
      <div className="flex items-center justify-between">
        <h3 className="text-[12.5px]">Moiré at each angle · {inkOf(recipe.inks, plate.ink).name}</h3>
        <button type="button" aria-label="Close the dial" onClick={() => dispatch(dialOpened(null))}>
          <X size={14} />
        </button>
      </div>
      <svg
        ref={svg}
        width={WIDTH}
        height={144}
        className="mt-1 cursor-grab touch-none active:cursor-grabbing"
        role="img"
        aria-label={dial ? `The nearest angle free of moiré is ${dial.quiet}°` : 'Trying all angles'}
        onPointerDown={(event) => {
          gesture.current = `dial-${(turns += 1)}`;
          event.currentTarget.setPointerCapture(event.pointerId);
          toPointer(event);
        }}
        onPointerMove={(event) => gesture.current && toPointer(event)}
        onPointerUp={() => (gesture.current = null)}
        onPointerCancel={() => (gesture.current = null)}
      >
        <path
          d={`M${at(0, RADIUS).join(' ')}A${RADIUS} ${RADIUS} 0 0 0 ${at(180, RADIUS).join(' ')}`}
          fill="none"
          stroke="#b9b09c"
        />
        {dial && <path d={rays(dial.mesh)} stroke="#1d1b18" strokeWidth={1} />}
        {dial && <path d={rays(dial.plates)} stroke="#a81f3d" strokeWidth={1} />}
        {[0, 45, 90, 135, 180].map((angle) => {
          const [x, y] = at(angle, RADIUS + 12);
          return (
            <text
              key={angle}
              x={x}
              // Beside the hand's ends they stand below it.
              y={y + (angle % 180 === 0 ? 16 : 3)}
              textAnchor="middle"
              fontSize={10}
              fill="#6b6456"
              className="figures"
            >
              {angle}°
            </text>
          );
        })}
        {dial && (
          <line
            x1={MIDDLE}
            y1={FOOT}
            x2={at(dial.quiet, RADIUS - 2)[0]}
            y2={at(dial.quiet, RADIUS - 2)[1]}
            stroke="#2f8fc4"
            strokeDasharray="4 3"
          />
        )}
        <line
          x1={MIDDLE}
          y1={FOOT}
          x2={at(shown, RADIUS - 2)[0]}
          y2={at(shown, RADIUS - 2)[1]}
          stroke="#1d1b18"
          strokeWidth={2}
        />
        <circle
          cx={at(shown, RADIUS)[0]}
          cy={at(shown, RADIUS)[1]}
          r={6}
          fill="#fbfaf5"
          stroke="#1d1b18"
          strokeWidth={2}
        />
      </svg>
      <div className="flex items-center gap-2">
        <span className="text-soft">At</span>
        <NumberField
          label="Angle on the dial"
          className="w-[64px]"
          value={own}
          unit={DEGREES}
          least={-180}
          most={180}
          onChange={(angle) => turn(angle, null)}
        />
        <span className="figures grow text-soft">
          {!dial
            ? 'trying all angles…'
            : loudAt(shown) === 0
              ? 'no moiré'
              : `contrast ${(100 * loudAt(shown)).toFixed(1)} %`}
        </span>
        {dial && dial.quiet !== shown && (
          <button
            type="button"
            className="h-[22px] rounded-sm bg-ink px-2 text-[12px] text-raised"
            onClick={() => turn(dial.quiet, null)}
          >
            {dial.quiet}°
          </button>
        )}
      </div>
      <p className="mt-1.5 text-soft">
        Marks at the rim: how strong the moiré would be, with the mesh in black, with other plates in ruby.
        Turn the hand, and the table shows the plates as they would print.
      </p>
    </section>
  );
}

/** Marks from the rim inwards, as long as each angle is loud. */
const rays = (loud: Float64Array): string =>
  Array.from(loud, (contrast, k) => {
    if (contrast === 0) return '';
    const length = LONGEST * Math.min(1, Math.sqrt(contrast / LOUD));
    return `M${at(k * DIAL_STEP, RADIUS).join(' ')}L${at(k * DIAL_STEP, RADIUS - length).join(' ')}`;
  }).join('');

/** A plate's dial, told again when anything but its own angle changes. */
function useDial(index: number): AngleDial | undefined {
  const { recipe } = useDocument();
  const [dial, setDial] = useState<AngleDial>();
  const key =
    index < 0
      ? ''
      : JSON.stringify([
          index,
          recipe.press?.press.mesh,
          recipe.sheet,
          recipe.inks,
          recipe.stock,
          recipe.plates.map(({ screen, printed }, i) =>
            i === index ? { ...screen, settings: { ...screen.settings, angle: 0 } } : [screen, printed],
          ),
        ]);
  useEffect(() => {
    if (index < 0) return;
    let stale = false;
    inWorker((worker) => worker.angleDial(recipe, index), { rank: SECOND }).then(
      (made) => !stale && setDial(made),
      () => undefined,
    );
    return () => {
      stale = true;
    };
    // The key stands for the recipe, as far as the dial goes by it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  return dial;
}
