import type { OriginalRecipe, StockRoute } from '@brachytone/core';
import { Select } from '../../../../controls/select.tsx';
import { SliderRow } from '../../../../controls/slider-row.tsx';
import { blendOptions, COLOUR_BLEND_NAMES } from '../../../../words/blend-names.ts';
import { PERCENT } from '../../../../words/quantity.ts';
import { Row } from '../../group.tsx';
import { useRoute } from './use-route.ts';

const OPTIONS = blendOptions(COLOUR_BLEND_NAMES);

/** How what is on the stock already blends with the stock, and with what else is on it. */
export function StockControls({ original, route }: { original: OriginalRecipe; route: StockRoute }) {
  const { path, set } = useRoute<StockRoute>(original);
  return (
    <>
      <Row label="Blend">
        <Select
          label="Blend with the stock"
          value={route.blend}
          options={OPTIONS}
          onChange={(blend) => set('Blend', { blend })}
        />
      </Row>
      <SliderRow
        label="Opacity"
        value={route.opacity}
        unit={PERCENT}
        least={0}
        most={100}
        path={[...path, 'opacity']}
        onChange={(opacity, gesture) => set('Opacity', { opacity }, gesture)}
      />
    </>
  );
}
