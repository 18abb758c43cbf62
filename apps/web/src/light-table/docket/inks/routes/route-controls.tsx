import type { OriginalRecipe, Route } from '@brachytone/core';
import type { ComponentType } from 'react';
import { BandsRouteControls } from './bands-route.tsx';
import { HuesControls } from './hues-controls.tsx';
import { InkRouteControls } from './ink-route.tsx';
import { ProcessControls } from './process-controls.tsx';
import { SpotControls } from './spot-controls.tsx';
import { StockControls } from './stock-controls.tsx';
import { TonesControls } from './tones-controls.tsx';

type ControlsOf<Kind extends Route['kind']> = ComponentType<{
  readonly original: OriginalRecipe;
  readonly route: Extract<Route, { kind: Kind }>;
}>;

/** What each kind of route is set by; null where there is nothing to set. */
const CONTROLS: { readonly [Kind in Route['kind']]: ControlsOf<Kind> | null } = {
  ink: InkRouteControls,
  tones: TonesControls,
  process: ProcessControls,
  profile: ProcessControls,
  separated: null,
  channels: null,
  spot: SpotControls,
  bands: BandsRouteControls,
  hues: HuesControls,
  stock: StockControls,
};

/** The controls of an original's route. */
export function RouteControls({ original }: { original: OriginalRecipe }) {
  const { route } = original;
  const Controls = CONTROLS[route.kind] as ControlsOf<Route['kind']> | null;
  return Controls && <Controls original={original} route={route} />;
}
