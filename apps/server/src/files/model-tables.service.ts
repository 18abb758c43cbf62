import { Inject, Injectable } from '@nestjs/common';
import { inkSetOf, modelTables, type Recipe, type SeparationTable } from '@brachytone/core';
import { LRUCache } from 'lru-cache';
import { WorkService } from '../work/work.service.ts';

/** Tables kept, a tenth of a megabyte each at most. */
const MOST_TABLES = 64;

/** Separations by the ink model, made once, while pictures are unpacked: each thread would make its own. */
@Injectable()
export class ModelTablesService {
  private readonly tables = new LRUCache<string, Promise<SeparationTable>>({ max: MOST_TABLES });

  constructor(@Inject(WorkService) private readonly work: WorkService) {}

  /** Those of a recipe, by the names that `modelTables` gives them. */
  async of(recipe: Recipe): Promise<Record<string, SeparationTable>> {
    const routes = recipe.originals.map(({ route }) => route);
    const wanted = modelTables(routes, inkSetOf(recipe));
    const all = wanted.map(async ({ name }) => {
      let table = this.tables.get(name);
      if (!table) {
        // What waits for it may be what a person chooses by; it takes a second at most.
        table = this.work.run('modelTable', { recipe, name }, { isUrgent: true });
        this.tables.set(name, table);
        table.catch(() => this.tables.delete(name));
      }
      return [name, await table] as const;
    });
    return Object.fromEntries(await Promise.all(all));
  }
}
