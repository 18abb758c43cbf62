import type { Blend, ColourBlend, MixBlend } from '@brachytone/core';

/** Names of the blends of Compositing and Blending Level 1 (W3C), those of tones and those of colours alone. */
export const BLEND_NAMES: Record<Blend, string> = {
  normal: 'Normal',
  multiply: 'Multiply',
  screen: 'Screen',
  overlay: 'Overlay',
  darken: 'Darken',
  lighten: 'Lighten',
  'color-dodge': 'Colour dodge',
  'color-burn': 'Colour burn',
  'hard-light': 'Hard light',
  'soft-light': 'Soft light',
  difference: 'Difference',
  exclusion: 'Exclusion',
};

/** The same, with the one of mixes alone. */
export const MIX_BLEND_NAMES: Record<MixBlend, string> = { ...BLEND_NAMES, 'two-levels': 'Two levels' };

export const COLOUR_BLEND_NAMES: Record<ColourBlend, string> = {
  ...BLEND_NAMES,
  hue: 'Hue',
  saturation: 'Saturation',
  color: 'Colour',
  luminosity: 'Luminosity',
};

/** Blends to choose from, in the order of their names' record. */
export const blendOptions = <Name extends string>(names: Record<Name, string>) =>
  (Object.keys(names) as Name[]).map((value) => ({ value, name: names[value] }));
