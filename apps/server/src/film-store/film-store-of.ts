import { join } from 'node:path';
import type { Settings } from '../settings.ts';
import type { FilmStore } from './film-store.ts';
import { FolderStore } from './folder-store.ts';

/** The store that the settings say. */
export async function filmStoreOf({
  films,
  dataFolder,
}: Pick<Settings, 'films' | 'dataFolder'>): Promise<FilmStore> {
  if (typeof films === 'string') return new FolderStore(films);
  // Read only where there is one: its client is large.
  const { ObjectStore } = await import('./object-store.ts');
  return new ObjectStore(films, join(dataFolder, 'making'));
}
