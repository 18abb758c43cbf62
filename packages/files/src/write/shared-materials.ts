import type { Drawing, Pyramid, SeparationTable } from '@brachytone/core';

/** What originals are made from, by SHA-256; the samples of pictures may lie in memory that threads share. */
export interface SharedMaterials {
  readonly pictures: Record<string, Pyramid>;
  readonly drawings: Record<string, Drawing>;
  /** Font files, in a kind that can be read at once. */
  readonly fonts: Record<string, Uint8Array>;
  /** Separations by profiles, by the names `profileTableName` gives them; and by the ink model, by those of `modelTables`, where they are made already. */
  readonly tables: Record<string, SeparationTable>;
}
