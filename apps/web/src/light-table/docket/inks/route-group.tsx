import type { OriginalRecipe, Route } from '@brachytone/core';
import { newRoute, PRINTING_CONDITIONS, ROUTE_NAMES, withCondition, withRoute } from '@brachytone/job';
import { Select } from '../../../controls/select.tsx';
import { useDocument } from '../../../store/use-job.ts';
import { useEditRecipe } from '../../../store/use-edit-recipe.ts';
import { Row } from '../group.tsx';
import { BandsRouteControls } from './routes/bands-route.tsx';
import { ProcessControls } from './routes/process-controls.tsx';
import { SpotControls } from './routes/spot-controls.tsx';
import { TonesControls } from './routes/tones-controls.tsx';
import { usePickInks } from './routes/use-pick-inks.ts';

/** Routes for what has colours; the others are for tones and line work too. */
const COLOUR_ONLY: readonly Route['kind'][] = ['process', 'channels', 'spot'];
/** Inks picked from a picture unless told otherwise. */
const PICKED = 4;

/** How an original comes to the inks. */
export function RouteGroup({ original }: { original: OriginalRecipe }) {
  const { recipe } = useDocument();
  const editRecipe = useEditRecipe();
  const pickInks = usePickInks();
  const { route, content } = original;
  const coloured = content.kind === 'picture' && content.line === null;
  const flat = content.kind === 'drawing' || (content.kind === 'picture' && content.line !== null);
  const kinds = (Object.keys(ROUTE_NAMES) as Route['kind'][]).filter(
    (kind) =>
      kind === route.kind ||
      (kind !== 'profile' && (coloured || !COLOUR_ONLY.includes(kind)) && !(flat && kind === 'bands')),
  );
  const choose = async (kind: Route['kind']) => {
    if (kind === 'process' || kind === 'profile') {
      editRecipe('Process separation', (one) => withCondition(one, original.id, PRINTING_CONDITIONS[0]));
      return;
    }
    const picked = kind === 'spot' ? await pickInks(original, PICKED) : [];
    editRecipe(ROUTE_NAMES[kind].name, (one) =>
      withRoute(one, original.id, newRoute(kind, one, original.id, picked)),
    );
  };
  return (
    <>
      <Row label="Goes to">
        <Select
          label="How it comes to the inks"
          value={route.kind}
          options={kinds.map((kind) => ({ value: kind, name: ROUTE_NAMES[kind].name }))}
          onChange={(kind) => void choose(kind)}
        />
      </Row>
      {route.kind === 'ink' && recipe.inks.length > 1 && (
        <Row label="Ink">
          <Select
            label="Ink of this original"
            value={route.ink}
            options={recipe.inks.map(({ id, name }) => ({ value: id, name }))}
            onChange={(ink) =>
              editRecipe('Ink', (one) => ({
                ...one,
                originals: one.originals.map((other) =>
                  other.id === original.id ? { ...other, route: { kind: 'ink', ink } } : other,
                ),
              }))
            }
          />
        </Row>
      )}
      {route.kind === 'tones' && <TonesControls original={original} route={route} />}
      {(route.kind === 'process' || route.kind === 'profile') && (
        <ProcessControls original={original} route={route} />
      )}
      {route.kind === 'spot' && <SpotControls original={original} route={route} />}
      {route.kind === 'bands' && <BandsRouteControls original={original} route={route} />}
      <p className="mt-1 text-soft">{ROUTE_NAMES[route.kind].says}.</p>
    </>
  );
}
