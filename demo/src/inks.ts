import { hexToLab, type Ink, type Stock, type Texture } from '@brachytone/core';

/** An ink of a demo job, its colour as sRGB. */
export const ink = (id: string, name: string, colour: string, opacity: number): Ink => ({
  id,
  name,
  lab: hexToLab(colour),
  opacity,
  fountain: null,
});

/** A stock of a demo job, its colour as sRGB. */
export const stock = (name: string, colour: string, texture: Texture = 'paper'): Stock => ({
  name,
  lab: hexToLab(colour),
  texture,
  soak: 0,
  yuleNielsen: 1,
});
