import type { Amount, KeepRule, StoredId } from '@brachytone/job';
import type { Database } from '../database/database.ts';
import type { FilesService } from '../files/files.service.ts';
import type { RunsService } from '../runs/runs.service.ts';
import type { RemovalService } from './removal.service.ts';
import type { UnusedFile } from './unused-files.ts';

/** What kinds of stored things work with. */
export interface StorageContext {
  readonly database: Database;
  readonly dataFolder: string;
  readonly files: FilesService;
  readonly runs: RunsService;
  readonly removal: RemovalService;
  /** Files that nothing uses: all documents are read for it, once for one question. */
  readonly unused: () => Promise<readonly UnusedFile[]>;
}

/** Things of one kind, each with what it takes up. */
export interface Beyond<Item = unknown> extends Amount {
  readonly items: readonly Item[];
}

/** Something that takes up room. */
export interface StoredKind<Item = unknown> {
  readonly id: StoredId;
  /** How much there is. */
  takes(context: StorageContext): Promise<Amount>;
  /** What can be cleaned away by a rule; missing for what never is. */
  readonly cleaning?: {
    readonly rules: readonly KeepRule['by'][];
    /** The rule that it is kept by unless somebody says otherwise. */
    readonly usual: KeepRule;
    /** What a rule does not keep. */
    beyond(context: StorageContext, rule: KeepRule): Promise<Beyond<Item>>;
    remove(context: StorageContext, items: readonly Item[]): Promise<void>;
  };
}

const DAY = 24 * 3600 * 1000;

/** A moment so many days ago. */
export const daysAgo = (days: number): Date => new Date(Date.now() - days * DAY);

export const amountOf = (bytes: readonly number[]): Amount => ({
  count: bytes.length,
  bytes: bytes.reduce((sum, one) => sum + one, 0),
});
