import type { Ink } from '@brachytone/core';
import {
  exchangedInk,
  inkForJob,
  isDark,
  LIMITS,
  offeredOn,
  SHIPPED_INKS,
  withInkInOrder,
  type ShelfInk,
} from '@brachytone/job';
import { Plus, X } from 'lucide-react';
import { KeepForm } from '../../../controls/keep-form.tsx';
import { Menu, MenuAside, MenuHeading, MenuItem } from '../../../controls/menu.tsx';
import { useDropInkMutation, useInksQuery, useKeepInkMutation } from '../../../store/api.ts';
import { orSay } from '../../../store/or-say.ts';
import { useDocument } from '../../../store/use-job.ts';
import { useEditRecipe } from '../../../store/use-edit-recipe.ts';
import { inkSwatch } from '../../ink-colour.ts';

/** Inks to choose from, one's own first; on dark stock they are offered as inks that cover. */
function InkItems({ onPick }: { onPick: (ink: ShelfInk) => void }) {
  const { recipe } = useDocument();
  const { data: kept = [] } = useInksQuery();
  const [drop] = useDropInkMutation();
  const name = (ink: ShelfInk) => (
    <span className="flex items-center gap-2">
      <span
        className="size-3.5 rounded-full border border-ink/20"
        style={{ background: inkSwatch({ id: '', ...ink }, recipe.stock) }}
      />
      {ink.name}
    </span>
  );
  const offered = (ink: ShelfInk) => offeredOn(recipe.stock, ink);
  return (
    <>
      {kept.length > 0 && <MenuHeading>Your own</MenuHeading>}
      {kept.map(({ id, ...ink }) => (
        <div key={id} className="flex">
          <div className="grow">
            <MenuItem name={name(ink)} onPick={() => onPick(ink)} />
          </div>
          <MenuAside label={`Take ${ink.name} off the shelf`} onPick={() => orSay(drop(id).unwrap())}>
            <X size={13} />
          </MenuAside>
        </div>
      ))}
      {isDark(recipe.stock) ? (
        <MenuHeading>Covering, for dark stock</MenuHeading>
      ) : (
        kept.length > 0 && <MenuHeading>Ready-made</MenuHeading>
      )}
      {SHIPPED_INKS.map(offered).map((ink) => (
        <MenuItem key={ink.name} name={name(ink)} onPick={() => onPick(ink)} />
      ))}
    </>
  );
}

/** A menu of inks to print with. */
export function AddInk() {
  const editRecipe = useEditRecipe();
  const add = (ink: ShelfInk) =>
    editRecipe(`Add ink: ${ink.name}`, (one) => {
      if (one.inks.length >= LIMITS.inks.most) {
        throw new RangeError(`A job has up to ${LIMITS.inks.most} inks. Take one away first.`);
      }
      return withInkInOrder(one, inkForJob(one, ink));
    });
  return (
    <Menu
      label={
        <>
          <Plus size={13} /> Add an ink
        </>
      }
    >
      <InkItems onPick={add} />
    </Menu>
  );
}

/** A menu of inks that one of the job's is exchanged for: its plate, and all that prints in it, stay. */
export function ExchangeInk({ ink }: { ink: Ink }) {
  const editRecipe = useEditRecipe();
  return (
    <Menu label="Exchange…" small>
      <InkItems
        onPick={(next) =>
          editRecipe(`${next.name} for ${ink.name}`, (one) => exchangedInk(one, ink.id, next))
        }
      />
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
