import {
  contentKind,
  routeKind,
  ROUTES,
  WHITE_STOCK,
  type OriginalRecipe,
  type Route,
} from '@brachytone/core';
import { newRoute, withRoute } from '@brachytone/job';
import { toast } from 'sonner';
import { Select } from '../../../controls/select.tsx';
import { edit } from '../../../store/job-slice.ts';
import { useAppDispatch } from '../../../store/store.ts';
import { useDocument } from '../../../store/use-job.ts';
import { useEditRecipe } from '../../../store/use-edit-recipe.ts';
import { useFiles } from '../../../store/use-files.ts';
import { Row } from '../group.tsx';
import { RouteControls } from './routes/route-controls.tsx';
import { useAsSeparated } from './routes/use-as-separated.ts';
import { usePickInks } from './routes/use-pick-inks.ts';

/** How an original comes to the inks. */
export function RouteGroup({ original }: { original: OriginalRecipe }) {
  const editRecipe = useEditRecipe();
  const dispatch = useAppDispatch();
  const { recipe } = useDocument();
  const pickInks = usePickInks();
  const { route, content } = original;
  const coloured = contentKind(content).hasColours(content);
  const flat = content.kind === 'drawing' || (content.kind === 'picture' && content.line !== null);
  const file = useFiles().get(content.kind === 'picture' ? content.picture : '');
  const suits = {
    all: true,
    tones: !flat,
    colours: coloured,
    separated: coloured && file?.facts.inks !== undefined,
  };
  const kinds = (Object.keys(ROUTES) as Route['kind'][]).filter(
    (kind) => kind === route.kind || (ROUTES[kind].start && suits[ROUTES[kind].suits]),
  );
  const asSeparated = useAsSeparated();
  const choose = async (kind: Route['kind']) => {
    if (kind === 'separated') {
      await asSeparated(original);
      return;
    }
    const { name, picks } = ROUTES[kind];
    const picked = picks ? await pickInks(original, picks) : [];
    const change = newRoute(kind, recipe, original.id, picked);
    editRecipe(name, (one) => withRoute(one, original.id, change));
    const { stock } = change;
    if (stock && recipe.stock.name !== WHITE_STOCK.name && recipe.stock.name !== stock.name)
      toast(`The inks were measured on ${stock.name}; the stock is still ${recipe.stock.name}.`, {
        duration: 20_000,
        action: {
          label: `Print on ${stock.name}`,
          onClick: () =>
            dispatch(
              edit(`Stock: ${stock.name}`, (draft) => {
                Object.assign(draft.recipe, {
                  stock,
                  overprints: [...draft.recipe.overprints, ...(change.overprints ?? [])],
                });
              }),
            ),
        },
      });
  };
  return (
    <>
      <Row label="Goes to">
        <Select
          label="How it comes to the inks"
          value={route.kind}
          options={kinds.map((kind) => ({ value: kind, name: ROUTES[kind].name }))}
          onChange={(kind) => void choose(kind)}
        />
      </Row>
      <RouteControls original={original} />
      <p className="mt-1 text-soft">{routeKind(route).says}.</p>
    </>
  );
}
