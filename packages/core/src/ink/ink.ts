import type { Lab } from '../colour/lab.ts';

/** A colour of a blended ink, and where across the sheet it stands, 0–100. */
export interface FountainStop {
  readonly at: number;
  readonly lab: Lab;
}

/** Two or three colours that run into one another across the sheet, as in a split fountain. */
export interface Fountain {
  /** Direction they run in, degrees anticlockwise from the sheet's horizontal. */
  readonly angle: number;
  /** In order. */
  readonly stops: readonly FountainStop[];
}

/** An ink as it looks printed solid on a pure white stock. */
export interface Ink {
  readonly id: string;
  readonly name: string;
  /** Lab under D50. */
  readonly lab: Lab;
  /** 0 = wholly transparent (multiplies what lies under it), 1 = covers it. */
  readonly opacity: number;
  /** Colours it runs through instead of its own; null for one colour. */
  readonly fountain: Fountain | null;
}

/** A colour that inks printed solid over one another were measured at, as on a pure white stock. */
export interface Overprint {
  /** Ids of the inks. */
  readonly inks: readonly string[];
  readonly lab: Lab;
}

/** What a stock's surface looks like. */
export const TEXTURES = ['smooth', 'paper', 'card', 'cloth'] as const;
export type Texture = (typeof TEXTURES)[number];

/** A picture of a stock, multiplied over all that is seen of a print on it: repeated from the sheet's corner, every other one mirrored. */
export interface StockPicture {
  /** SHA-256 of its file. */
  readonly picture: string;
  /** How wide the stock in it is, mm. */
  readonly width: number;
  /** Percent; at 0 nothing of it is seen. */
  readonly strength: number;
}

/** What is printed on. */
export interface Stock {
  readonly name: string;
  /** Lab under D50. */
  readonly lab: Lab;
  readonly texture: Texture;
  /** How strongly its surface is seen, percent; missing for 100. */
  readonly textureStrength?: number;
  readonly picture?: StockPicture;
  /** How far ink soaks into it, mm: the edges of dots grow that soft. */
  readonly soak: number;
  /** Yule–Nielsen factor: 1 for a surface that light leaves where it enters, to about 2 for thick paper. */
  readonly yuleNielsen: number;
}
