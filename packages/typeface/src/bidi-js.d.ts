declare module 'bidi-js' {
  interface EmbeddingLevels {
    /** By UTF-16 unit. */
    readonly levels: Uint8Array;
  }
  interface Bidi {
    getEmbeddingLevels(text: string): EmbeddingLevels;
    /** Indices of the text's units in the order in which they are seen, from left to right. */
    getReorderedIndices(text: string, levels: EmbeddingLevels): number[];
  }
  export default function bidiFactory(): Bidi;
}
