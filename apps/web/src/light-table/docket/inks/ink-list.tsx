import { inkOf } from '@brachytone/core';
import type { Ink } from '@brachytone/core';
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
      <div className="mt-2">
        <AddInk />
      </div>
    </Group>
  );
}

/** Name of an ink's card, as that which is open. */
export const inkCard = (ink: string): string => `ink:${ink}`;

function InkCard({ ink }: { ink: Ink }) {
  const { recipe } = useDocument();
  const editRecipe = useEditRecipe();
  const open = useAppSelector((state) => state.view.step) === inkCard(ink.id);
  const used =
    isUsed(recipe, ink.id) ||
    recipe.plates.some(({ ink: own, base }) => (own === ink.id && base) || base?.highlights === ink.id);
  return (
    <Card
      id={inkCard(ink.id)}
      name={ink.name}
      words={used ? (ink.fountain ? 'blended' : labWords(ink.lab)) : 'prints nothing yet'}
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
