import { inkOf, latticeOf } from '@brachytone/core';
import { anglesApart, angleSets, moirePeriod, withAngles } from '@brachytone/job';
import { useDocument } from '../../store/use-job.ts';
import { useEditRecipe } from '../../store/use-edit-recipe.ts';
import { inkOnStock } from '../ink-colour.ts';
import { lengthWords } from '../../words/words.ts';
import { Group } from './group.tsx';

const SIZE = 58;

/** Angles for all plates at once, each set drawn, and how far apart the beats of the nearest two screens stand. */
export function AngleSets() {
  const { recipe } = useDocument();
  const editRecipe = useEditRecipe();
  const inks = recipe.plates.map(({ ink }) => inkOf(recipe.inks, ink));
  const lattices = recipe.plates.map(({ screen }) => latticeOf(screen));
  const present = lattices.map((lattice) => lattice?.angle);
  const sets = angleSets(inks.map(({ lab }) => lab));
  const beat = closestBeat(lattices.flatMap((one) => (one ? [one] : [])));
  return (
    <Group name="Angles of all plates">
      <div role="radiogroup" aria-label="Angles of all plates" className="mb-1 grid grid-cols-4 gap-1.5">
        {sets.map(({ id, name, says, angles }) => {
          const taken = angles.every((angle, i) => present[i] === undefined || present[i] === angle);
          return (
            <button
              key={id}
              type="button"
              role="radio"
              aria-checked={taken}
              title={`${says}: ${angles.map((angle, i) => `${inks[i].name} ${angle}°`).join(', ')}`}
              onClick={() =>
                editRecipe(`Angles: ${name}`, (one) => ({ ...one, plates: withAngles(one.plates, angles) }))
              }
              className={`rounded-sm border bg-white text-center ${taken ? 'border-ink outline-1 outline-ink' : 'border-edge hover:border-soft'}`}
            >
              <svg
                viewBox="-30 -30 60 60"
                width={SIZE}
                height={SIZE}
                className="mx-auto block"
                aria-hidden="true"
              >
                <circle r="26" fill="none" stroke="#c9bfa9" />
                {angles.map((angle, i) => (
                  <g key={recipe.plates[i].id} transform={`rotate(${-angle})`}>
                    {[0, 90].map((turn) => (
                      <line
                        key={turn}
                        x1={-25 + i}
                        x2={25 - i}
                        transform={`rotate(${turn})`}
                        stroke={inkOnStock(inks[i], recipe.stock)}
                        strokeWidth={turn === 0 ? 3 : 1}
                      />
                    ))}
                  </g>
                ))}
              </svg>
              <span className="block truncate border-t border-edge/70 px-0.5 text-[11px] leading-4">
                {name}
              </span>
            </button>
          );
        })}
      </div>
      {beat && (
        <p
          className="mb-2.5 text-soft"
          title="1 ÷ (2 f sin(δ/2)), for the two screens whose angles are nearest"
        >
          {beat.apart === 0
            ? 'Two screens lie at one angle.'
            : `The nearest two are ${Number(beat.apart.toFixed(1))}° apart: moiré every ${lengthWords(beat.period)}.`}
        </p>
      )}
    </Group>
  );
}

/** The two screens whose angles are nearest to one another, and what their beat is. */
function closestBeat(
  lattices: readonly { ruling: number; angle: number }[],
): { apart: number; period: number } | undefined {
  let best: { apart: number; period: number } | undefined;
  for (let i = 0; i < lattices.length; i++) {
    for (let j = 0; j < i; j++) {
      const apart = anglesApart(lattices[i].angle, lattices[j].angle);
      const ruling = (lattices[i].ruling + lattices[j].ruling) / 2;
      if (!best || apart < best.apart) best = { apart, period: moirePeriod(ruling, apart) };
    }
  }
  return best;
}
