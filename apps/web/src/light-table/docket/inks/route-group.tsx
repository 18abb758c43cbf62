import { contentKind, routeKind, ROUTES, type OriginalRecipe, type Route } from '@brachytone/core';
import { newRoute, withRoute } from '@brachytone/job';
import { Select } from '../../../controls/select.tsx';
import { useEditRecipe } from '../../../store/use-edit-recipe.ts';
import { useFiles } from '../../../store/use-files.ts';
import { Row } from '../group.tsx';
import { RouteControls } from './routes/route-controls.tsx';
import { useAsSeparated } from './routes/use-as-separated.ts';
import { usePickInks } from './routes/use-pick-inks.ts';

/** How an original comes to the inks. */
export function RouteGroup({ original }: { original: OriginalRecipe }) {
  const editRecipe = useEditRecipe();
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
    editRecipe(name, (one) => withRoute(one, original.id, newRoute(kind, one, original.id, picked)));
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
