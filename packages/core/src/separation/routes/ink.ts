import { toneRows } from '../../tone/tone-rows.ts';
import { ink } from '../route-field.ts';
import { defineRoute } from '../route-kind.ts';

/** Its tones in one ink. */
export interface InkRoute {
  readonly kind: 'ink';
  /** Id of the ink. */
  readonly ink: string;
}

export const inkRoute = defineRoute<InkRoute>({
  kind: 'ink',
  name: 'One ink',
  says: 'Its tones in one ink',
  fields: { ink: ink('Ink') },
  suits: 'all',
  start: ({ own }) => ({ route: { kind: 'ink', ink: own[0] } }),
  isColour: false,
  inks: (route) => [route.ink],
  lineInks: (route) => [route.ink],
  rows: (_route, _ink, { source, tone }) => toneRows(source, tone),
});
