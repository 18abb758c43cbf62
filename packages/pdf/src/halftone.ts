import { latticeOf, type Screen } from '@brachytone/core';

/** Predefined spot functions (ISO 32000-1, table 128) by our dots' shapes: those of the same course from bare to solid. */
const SPOT_FUNCTIONS: Readonly<Record<string, string>> = {
  round: 'SimpleDot',
  euclidean: 'Round',
  ellipse: 'EllipseA',
  diamond: 'Diamond',
  square: 'Square',
  line: 'Line',
  cross: 'Cross',
};

/** A screen as a halftone dictionary of type 1 (section 10.5.4); one of dots, where it has no lattice or its dots have no function. */
export function halftoneOf(screen: Screen): Record<string, unknown> {
  const lattice = latticeOf(screen);
  const { spot } = screen.settings;
  return {
    Type: 'Halftone',
    HalftoneType: 1,
    Frequency: lattice?.ruling ?? 133,
    Angle: lattice?.angle ?? 45,
    SpotFunction: SPOT_FUNCTIONS[String(spot)] ?? 'SimpleDot',
    AccurateScreens: true,
  };
}
