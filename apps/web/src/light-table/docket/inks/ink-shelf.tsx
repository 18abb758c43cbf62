import type { Ink } from '@brachytone/core';
import { inkForJob, LIMITS, SHIPPED_INKS, withInks, type ShelfInk } from '@brachytone/job';
import { Plus, X } from 'lucide-react';
import { KeepForm } from '../../../controls/keep-form.tsx';
import { Menu, MenuAside, MenuHeading, MenuItem } from '../../../controls/menu.tsx';
import { useDropInkMutation, useInksQuery, useKeepInkMutation } from '../../../store/api.ts';
import { orSay } from '../../../store/or-say.ts';
import { useDocument } from '../../../store/use-job.ts';
import { useEditRecipe } from '../../../store/use-edit-recipe.ts';
import { inkBackground } from '../../ink-colour.ts';

/** A menu of inks to print with, one's own first. */
export function AddInk() {
  const { recipe } = useDocument();
  const editRecipe = useEditRecipe();
  const { data: kept = [] } = useInksQuery();
  const [drop] = useDropInkMutation();
  const add = (ink: ShelfInk) =>
    editRecipe(`Add ink: ${ink.name}`, (one) => {
      if (one.inks.length >= LIMITS.inks.most) {
        throw new RangeError(`A job has up to ${LIMITS.inks.most} inks. Take one away first.`);
      }
      return withInks(one, [inkForJob(one, ink)]);
    });
  const name = (ink: ShelfInk) => (
    <span className="flex items-center gap-2">
      <span
        className="size-3.5 rounded-full border border-ink/20"
        style={{ background: inkBackground({ id: '', ...ink }, recipe.stock) }}
      />
      {ink.name}
    </span>
  );
  return (
    <Menu
      label={
        <>
          <Plus size={13} /> Add an ink
        </>
      }
    >
      {kept.length > 0 && <MenuHeading>Your own</MenuHeading>}
      {kept.map(({ id, ...ink }) => (
        <div key={id} className="flex">
          <div className="grow">
            <MenuItem name={name(ink)} onPick={() => add(ink)} />
          </div>
          <MenuAside label={`Take ${ink.name} off the shelf`} onPick={() => orSay(drop(id).unwrap())}>
            <X size={13} />
          </MenuAside>
        </div>
      ))}
      {kept.length > 0 && <MenuHeading>Ready-made</MenuHeading>}
      {SHIPPED_INKS.map((ink) => (
        <MenuItem key={ink.name} name={name(ink)} onPick={() => add(ink)} />
      ))}
    </Menu>
  );
}

/** Keeps an ink to use it again. */
export function KeepInk({ ink }: { ink: Ink }) {
  const [keep, { isLoading }] = useKeepInkMutation();
  const { id: _, ...shelf } = ink;
  return (
    <KeepForm
      invitation="Keep it on the shelf…"
      label="Name of the ink"
      busy={isLoading}
      keep={(name) => keep({ ...shelf, name }).unwrap()}
    />
  );
}
