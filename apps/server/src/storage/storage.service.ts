import { statfs } from 'node:fs/promises';
import type { Amount, KeepRule, StorageView, StoredId, StoredView } from '@brachytone/job';
import {
  Inject,
  Injectable,
  Logger,
  type OnApplicationBootstrap,
  type OnModuleDestroy,
} from '@nestjs/common';
import { eq } from 'drizzle-orm';
import { DATABASE, type Database } from '../database/database.ts';
import { preferences } from '../database/schema.ts';
import { FilesService } from '../files/files.service.ts';
import { logWords } from '../http/log-words.ts';
import { notFound, Problem } from '../http/problem.ts';
import { AfterRunService } from '../runs/after-run.service.ts';
import { RunsService } from '../runs/runs.service.ts';
import { SETTINGS, type Settings } from '../settings.ts';
import { STORED_KINDS } from './kinds/index.ts';
import { clearLeftovers } from './leftovers.ts';
import { RemovalService } from './removal.service.ts';
import type { StorageContext, StoredKind } from './stored-kind.ts';
import { unusedFiles, type UnusedFile } from './unused-files.ts';

/** How often rules are kept to, and how often the database’s log is cut, ms. */
const HOUR = 3600 * 1000;
const CUT_LOG = 5 * 60 * 1000;

type Cleaned = StoredKind & Required<Pick<StoredKind, 'cleaning'>>;

/** What takes up how much, and the rules by which old things are cleaned away. */
@Injectable()
export class StorageService implements OnApplicationBootstrap, OnModuleDestroy {
  private readonly log = new Logger('Storage');
  private readonly parts: Omit<StorageContext, 'unused'>;
  private timers: NodeJS.Timeout[] = [];

  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(SETTINGS) { dataFolder }: Settings,
    @Inject(FilesService) files: FilesService,
    @Inject(RunsService) runs: RunsService,
    @Inject(RemovalService) removal: RemovalService,
    @Inject(AfterRunService) private readonly afterRun: AfterRunService,
  ) {
    this.parts = { database, dataFolder, files, runs, removal };
  }

  async onApplicationBootstrap(): Promise<void> {
    await clearLeftovers(this.parts.dataFolder);
    const often = (work: () => Promise<void>, pause: number) => {
      const timer = setInterval(() => {
        work().catch((error: unknown) => this.log.error(logWords(error)));
      }, pause);
      timer.unref();
      this.timers.push(timer);
    };
    often(() => this.keepToRules(), HOUR);
    often(() => this.database.cutLog(), CUT_LOG);
    // A rule that counts runs is kept to at once.
    this.afterRun.set(() => this.keepTo('films'));
  }

  onModuleDestroy(): void {
    for (const timer of this.timers) clearInterval(timer);
  }

  /** What one question is answered with. */
  private context(): StorageContext {
    let unused: Promise<readonly UnusedFile[]> | undefined;
    return { ...this.parts, unused: () => (unused ??= unusedFiles(this.database.queries)) };
  }

  async view(): Promise<StorageView> {
    const context = this.context();
    const stored: StoredView[] = [];
    for (const kind of STORED_KINDS) {
      stored.push({
        id: kind.id,
        ...(await kind.takes(context)),
        rule: kind.cleaning ? await this.rule(kind.id) : null,
        rules: kind.cleaning?.rules ?? [],
      });
    }
    const { bavail, bsize } = await statfs(context.dataFolder);
    return { stored, free: bavail * bsize };
  }

  /** What a rule would clean away now. */
  async wouldClean(id: StoredId, rule: KeepRule): Promise<Amount> {
    const { count, bytes } = await this.cleaned(id, rule).cleaning.beyond(this.context(), rule);
    return { count, bytes };
  }

  /** Keeps by another rule from now on, and cleans away what it does not keep. */
  async keepBy(id: StoredId, rule: KeepRule): Promise<Amount> {
    this.cleaned(id, rule);
    const value = rule;
    await this.database.queries
      .insert(preferences)
      .values({ name: nameOf(id), value })
      .onConflictDoUpdate({ target: preferences.name, set: { value } });
    return this.clean(id, rule);
  }

  /** Cleans away, once, what a rule does not keep. */
  async clean(id: StoredId, rule: KeepRule): Promise<Amount> {
    const { cleaning } = this.cleaned(id, rule);
    const context = this.context();
    const { count, bytes, items } = await cleaning.beyond(context, rule);
    if (items.length === 0) return { count, bytes };
    await cleaning.remove(context, items);
    await this.database.giveBack();
    return { count, bytes };
  }

  /** The rule by which things of a kind are kept. */
  private async rule(id: StoredId): Promise<KeepRule | null> {
    const [row] = await this.database.queries
      .select()
      .from(preferences)
      .where(eq(preferences.name, nameOf(id)));
    return (row?.value as KeepRule | undefined) ?? kindOf(id).cleaning?.usual ?? null;
  }

  private async keepToRules(): Promise<void> {
    for (const { id, cleaning } of STORED_KINDS) if (cleaning) await this.keepTo(id);
    await this.database.giveBack();
  }

  private async keepTo(id: StoredId): Promise<void> {
    const rule = await this.rule(id);
    if (rule && rule.by !== 'all') await this.clean(id, rule);
  }

  private cleaned(id: StoredId, { by }: KeepRule): Cleaned {
    const kind = kindOf(id);
    if (!kind.cleaning?.rules.includes(by))
      throw new Problem(422, 'No such rule', 'These cannot be kept by this rule. Nothing was changed.');
    return kind as Cleaned;
  }
}

const nameOf = (id: StoredId): string => `keep ${id}`;

function kindOf(id: StoredId): StoredKind {
  const kind = STORED_KINDS.find((one) => one.id === id);
  if (!kind) throw notFound('kind of stored things');
  return kind;
}
