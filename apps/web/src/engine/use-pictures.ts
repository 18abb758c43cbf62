import { profileOf, profileTableName, type Recipe } from '@brachytone/core';
import { filesOf } from '@brachytone/job';
import { useEffect, useSyncExternalStore } from 'react';
import { api } from '../store/api.ts';
import { useAppDispatch } from '../store/store.ts';
import { pictures } from './pictures.ts';

/** What has arrived of a recipe's pictures: nothing yet, something of each, or all of them whole. */
export type Arrival = 'none' | 'some' | 'whole' | 'failed';

/** Brings a recipe's pictures to the workers. */
export function usePictures(recipe: Recipe): { arrival: Arrival; version: number } {
  const dispatch = useAppDispatch();
  const version = useSyncExternalStore(pictures.subscribe, pictures.version);
  const names = filesOf(recipe)
    .map(({ sha256 }) => sha256)
    .join(' ');
  useEffect(() => {
    for (const name of names.split(' ').filter(Boolean)) {
      const query = dispatch(api.endpoints.original.initiate(name));
      void query.unwrap().then(pictures.want, () => undefined);
    }
  }, [dispatch, names]);
  const separations = recipe.originals.flatMap(({ route }) => profileOf(route) ?? []);
  const tables = separations.map(profileTableName);
  const tablesKey = tables.join(' ');
  useEffect(() => {
    separations.forEach(({ profile, intent, compensate }, i) =>
      pictures.wantTable(tables[i], profile, intent, compensate),
    );
    // The names stand for the separations.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [tablesKey]);
  const states = [...names.split(' ').filter(Boolean), ...tables].map(pictures.stateOf);
  const arrival: Arrival = states.includes('failed')
    ? 'failed'
    : states.every((state) => state === 'whole')
      ? 'whole'
      : states.every((state) => state === 'whole' || state === 'small')
        ? 'some'
        : 'none';
  return { arrival, version };
}
