/** The part of opentype.js that is used here. */
declare module 'opentype.js/dist/opentype.mjs' {
  export type Command =
    | { type: 'M'; x: number; y: number }
    | { type: 'L'; x: number; y: number }
    | { type: 'Q'; x1: number; y1: number; x: number; y: number }
    | { type: 'C'; x1: number; y1: number; x2: number; y2: number; x: number; y: number }
    | { type: 'Z' };
  interface Options {
    kerning?: boolean;
    letterSpacing?: number;
  }
  export interface Font {
    readonly unitsPerEm: number;
    readonly ascender: number;
    readonly descender: number;
    readonly names: Record<
      string,
      Record<string, Record<string, string> | undefined> | Record<string, string> | undefined
    >;
    readonly glyphs: { readonly length: number };
    charToGlyphIndex(character: string): number;
    getPath(text: string, x: number, y: number, size: number, options?: Options): { commands: Command[] };
    getAdvanceWidth(text: string, size: number, options?: Options): number;
  }
  export function parse(buffer: ArrayBuffer): Font;
}
