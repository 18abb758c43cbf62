import { isOnStock, routeInks, routeKind } from '@brachytone/core';
import { useEffect } from 'react';
import { SwitchRow } from '../../../controls/switch-row.tsx';
import { useAppDispatch } from '../../../store/store.ts';
import { useDocument } from '../../../store/use-job.ts';
import { useEditOriginal, useOriginal } from '../../../store/use-original.ts';
import { openStep, reachShown } from '../../../store/view-slice.ts';
import { Group } from '../group.tsx';
import { OriginalPicker } from '../original/original-picker.tsx';
import { InkChip } from './ink-chip.tsx';
import { InkList } from './ink-list.tsx';
import { RouteGroup } from './route-group.tsx';
import { StockGroup } from './stock-group.tsx';

export function InksSummary() {
  const { recipe } = useDocument();
  return (
    <>
      {recipe.inks.map((ink) => (
        <InkChip key={ink.id} ink={ink} />
      ))}
      <span className="truncate">
        {recipe.inks.length < 3
          ? recipe.inks.map(({ name }) => name).join(', ')
          : `${recipe.inks.length} inks`}
      </span>
    </>
  );
}

/** How originals come to the inks, the inks themselves, and what they are printed on. */
export function InksStage() {
  const dispatch = useAppDispatch();
  const original = useOriginal();
  const change = useEditOriginal();
  const { recipe } = useDocument();
  useEffect(
    () => () => {
      dispatch(openStep(null));
      dispatch(reachShown(null));
    },
    [dispatch],
  );
  return (
    <>
      {original && (
        <Group
          name="Separation"
          aside={<span className="text-soft">{routeKind(original.route).name.toLowerCase()}</span>}
        >
          <OriginalPicker />
          <RouteGroup original={original} />
          {!isOnStock(original.route) &&
          (recipe.inks.length > routeInks(original.route).length || recipe.originals.length > 1) ? (
            <SwitchRow
              label="Print it over what lies under it"
              title="Off: it knocks out what lies under it, on every plate"
              on={original.overprint}
              onChange={(overprint) => change('Overprint', (draft) => void (draft.overprint = overprint))}
            />
          ) : null}
        </Group>
      )}
      <InkList />
      <StockGroup />
    </>
  );
}
