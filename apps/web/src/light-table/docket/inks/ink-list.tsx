import { inkOf } from '@brachytone/core';
import type { Ink, Recipe } from '@brachytone/core';
import { isUsed, withoutInk } from '@brachytone/job';
import { useDocument } from '../../../store/use-job.ts';
import { useEditRecipe } from '../../../store/use-edit-recipe.ts';
import { labWords } from '../../../controls/lab.ts';
import { useAppSelector } from '../../../store/store.ts';
import { Card } from '../card.tsx';
import { Group, ResetButton } from '../group.tsx';
import { InkChip } from './ink-chip.tsx';
import { InkControls } from './ink-controls.tsx';
import { AddInk, KeepInk } from './ink-shelf.tsx';
import { PlateWork } from './plate-work.tsx';

/** The inks in printing order, each with what is done to its plate. */
export function InkList() {
  const { recipe } = useDocument();
  return (
    <Group name="Inks and their plates" aside={<span className="text-soft">in printing order</span>}>
      {recipe.plates.map(({ id, ink }) => (
        <InkCard key={id} ink={inkOf(recipe.inks, ink)} />
      ))}
      <UnusedInks />
      <div className="mt-2">
        <AddInk />
      </div>
    </Group>
  );
}

/** Name of an ink's card, as that which is open. */
export const inkCard = (ink: string): string => `ink:${ink}`;

/** True for an ink that something is printed in: an original, or a base under others. */
const printsSomething = (recipe: Recipe, { id }: Ink): boolean =>
  isUsed(recipe, id) ||
  recipe.plates.some(({ ink, base }) => (ink === id && base !== null) || base?.highlights === id);

/** Inks that nothing is printed in are offered for removal. */
function UnusedInks() {
  const { recipe } = useDocument();
  const editRecipe = useEditRecipe();
  const unused = recipe.inks.filter((ink) => !printsSomething(recipe, ink));
  if (unused.length === 0 || recipe.inks.length === 1) return null;
  const names = new Intl.ListFormat('en-GB').format(unused.map(({ name }) => name));
  return (
    <p className="mt-1.5 flex items-baseline justify-between gap-2 text-soft">
      <span>
        Nothing prints in {names}: no film is made {unused.length === 1 ? 'of it' : 'of them'}.
      </span>
      <ResetButton
        label={unused.length === 1 ? 'Take it away' : 'Take them away'}
        onClick={() =>
          editRecipe('Remove unused inks', (one) =>
            unused.reduce((next, { id }) => withoutInk(next, id), one),
          )
        }
      />
    </p>
  );
}

function InkCard({ ink }: { ink: Ink }) {
  const { recipe } = useDocument();
  const editRecipe = useEditRecipe();
  const open = useAppSelector((state) => state.view.step) === inkCard(ink.id);
  const used = printsSomething(recipe, ink);
  return (
    <Card
      id={inkCard(ink.id)}
      name={ink.name}
      words={used ? (ink.fountain ? 'blended' : labWords(ink.lab)) : 'not used'}
      handle={
        <span className="flex w-6 items-center justify-center">
          <InkChip ink={ink} />
        </span>
      }
    >
      {open && (
        <>
          <InkControls ink={ink} />
          <PlateWork ink={ink} />
          <div className="mt-2 flex items-baseline justify-between gap-2 border-t border-edge/70 pt-1">
            <KeepInk ink={ink} />
            {!isUsed(recipe, ink.id) && recipe.inks.length > 1 && (
              <ResetButton
                label="Take it away"
                onClick={() => editRecipe(`Remove ${ink.name}`, (one) => withoutInk(one, ink.id))}
              />
            )}
          </div>
        </>
      )}
    </Card>
  );
}
