import { MissingMaterial } from '../../base/errors.ts';
import { PROCESS_INK_FIELDS, processIds, processProblem, type ProcessInks } from '../process-inks.ts';
import { defineRoute, INTENTS, profileTableName, type ProfileUse } from '../route-kind.ts';
import { separatedRows } from '../separated-rows.ts';

/** Its colours in cyan, magenta, yellow and black, as a profile has them. */
export interface ProfileRoute extends ProcessInks, ProfileUse {
  readonly kind: 'profile';
}

export const profileRoute = defineRoute<ProfileRoute>({
  kind: 'profile',
  name: 'Process by a profile',
  says: 'The same as an ICC profile has it',
  fields: {
    ...PROCESS_INK_FIELDS,
    profile: { type: 'file', label: 'Profile' },
    intent: { type: 'word', label: 'Intent', words: INTENTS },
    compensate: { type: 'switch', label: 'Black point compensation' },
  },
  problem: processProblem,
  suits: 'colours',
  isColour: true,
  inks: processIds,
  lineInks: ({ black }) => [black],
  rows(route, ink, { name, source, tone, tables }) {
    const table = tables?.get(profileTableName(route));
    if (!table) throw new MissingMaterial('profile', name, route.profile);
    return separatedRows(source, tone, table, processIds(route).indexOf(ink));
  },
  profile: (route) => route,
});
