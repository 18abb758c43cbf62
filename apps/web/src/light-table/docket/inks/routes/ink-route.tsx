import type { InkRoute, OriginalRecipe } from '@brachytone/core';
import { Select } from '../../../../controls/select.tsx';
import { useDocument } from '../../../../store/use-job.ts';
import { Row } from '../../group.tsx';
import { useRoute } from './use-route.ts';

/** Which ink an original is printed in. */
export function InkRouteControls({ original, route }: { original: OriginalRecipe; route: InkRoute }) {
  const { inks } = useDocument().recipe;
  const { set } = useRoute(original);
  if (inks.length < 2) return null;
  return (
    <Row label="Ink">
      <Select
        label="Ink of this original"
        value={route.ink}
        options={inks.map(({ id, name }) => ({ value: id, name }))}
        onChange={(ink) => set('Ink', { ink })}
      />
    </Row>
  );
}
