import {
  screenKind,
  stepKind,
  type Field,
  type Fade,
  type Fields,
  type Mix,
  type Screen,
  type ToneStep,
} from '@brachytone/core';

/** How much larger lengths are to be. */
export interface Sizing {
  /** For lengths on the sheet. */
  readonly mm: number;
  /** For lengths in pixels of the picture. */
  readonly px: number;
}

type Settings = Readonly<Record<string, Field['start']>>;

const FACTORS = {
  mm: ({ mm }: Sizing) => mm,
  px: ({ px }: Sizing) => px,
  lpi: ({ mm }: Sizing) => 1 / mm,
  ppi: ({ mm }: Sizing) => 1 / mm,
  percent: () => 1,
  plain: () => 1,
  degrees: () => 1,
} as const;

/** Settings whose lengths are made larger, within what each field takes. */
function sizedSettings(fields: Fields, settings: Settings, sizing: Sizing): Settings {
  return Object.fromEntries(
    Object.entries(settings).map(([name, value]) => {
      const field = fields[name];
      if (field.type !== 'number' || typeof value !== 'number') return [name, value];
      const times = FACTORS[field.unit](sizing);
      if (times === 1) return [name, value];
      const sized = Number((value * times).toPrecision(4));
      return [name, Math.min(field.most, Math.max(field.least, sized))];
    }),
  );
}

/** A screen whose ruling and sizes are made larger. */
export const sizedScreen = (screen: Screen, sizing: Sizing): Screen => ({
  ...screen,
  settings: sizedSettings(screenKind(screen.kind).fields, screen.settings, sizing) as Screen['settings'],
  coarse: screen.coarse === 0 ? 0 : Math.min(1200, Math.max(1, screen.coarse / sizing.mm)),
});

/** A tone step whose lengths are made larger. */
export const sizedStep = (step: ToneStep, sizing: Sizing): ToneStep => ({
  ...step,
  settings: sizedSettings(stepKind(step.kind).fields, step.settings, sizing),
});

/** A mix whose dots are made larger. */
export const sizedMix = (mix: Mix, sizing: Sizing): Mix => ({
  ...mix,
  screen: sizedScreen(mix.screen, sizing),
  ...(mix.softness === undefined ? {} : { softness: Math.min(5, mix.softness * sizing.mm) }),
});

/** A fade whose dots are made larger. */
export const sizedFade = (fade: Fade, sizing: Sizing): Fade => ({
  ...fade,
  screen: sizedScreen(fade.screen, sizing),
});
