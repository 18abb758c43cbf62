import Joi from 'joi';

export const MANIFEST = 'backup.json';

/** What a backup holds; the last of its entries. */
export interface BackupManifest {
  readonly format: 'brachytone-backup';
  readonly version: 1;
  /** ISO 8601. */
  readonly made: string;
  /** SHA-256 of every other entry, by its place. */
  readonly entries: Readonly<Record<string, string>>;
  /** Rows of every table. */
  readonly rows: Readonly<Record<string, number>>;
  /** Originals that were deleted while it was made: nothing that stays is made from them. */
  readonly gone: readonly string[];
}

const sum = Joi.string().pattern(/^[0-9a-f]{64}$/);

export const backupSchema = Joi.object<BackupManifest>({
  format: Joi.valid('brachytone-backup').required(),
  version: Joi.valid(1).required(),
  made: Joi.string().isoDate().required(),
  entries: Joi.object().pattern(Joi.string().max(400), sum).required(),
  rows: Joi.object().pattern(Joi.string().max(60), Joi.number().integer().min(0)).required(),
  gone: Joi.array().items(sum).required(),
}).messages({ 'any.only': 'it is of a kind or version that this Brachytone does not know' });
