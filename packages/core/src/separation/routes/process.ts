import { processGrid, type BlackRule } from '../process.ts';
import { PROCESS_INK_FIELDS, processIds, processProblem, type ProcessInks } from '../process-inks.ts';
import { madeTable, modelOf, modelTable } from '../route-model.ts';
import { percent } from '../route-field.ts';
import { defineRoute, type Modelled } from '../route-kind.ts';
import { separatedRows } from '../separated-rows.ts';

/** Its colours in cyan, magenta, yellow and black, as the ink model has them. */
export interface ProcessRoute extends ProcessInks, BlackRule {
  readonly kind: 'process';
}

/** As an original first gets it (common practice, no source). */
export const newProcess = (inks: ProcessInks, limit: number): ProcessRoute => ({
  kind: 'process',
  ...inks,
  generation: 55,
  replacement: 35,
  from: 25,
  limit,
});

const modelled: Modelled<ProcessRoute> = {
  model: (route, inkSet) => modelOf(processIds(route), inkSet),
  table(route, inkSet, draft) {
    const { generation, replacement, from, limit } = route;
    const model = modelled.model(route, inkSet);
    return modelTable(
      model,
      ['process', generation, replacement, from, limit],
      (size, key) => processGrid(model, key, route, size),
      draft,
    );
  },
  limit: ({ limit }) => limit,
};

export const processRoute = defineRoute<ProcessRoute>({
  kind: 'process',
  name: 'Process',
  says: 'Its colours in cyan, magenta, yellow and black',
  fields: {
    ...PROCESS_INK_FIELDS,
    generation: percent('Black generation'),
    replacement: percent('Grey component replacement'),
    from: percent('Black from'),
    limit: { type: 'ink limit', label: 'Ink limit' },
  },
  problem: processProblem,
  suits: 'colours',
  start({ condition: { cyan, magenta, yellow, black, stock, overprints, limit } }) {
    // In printing order.
    const inks = [black, cyan, magenta, yellow];
    const ids = { cyan: cyan.id, magenta: magenta.id, yellow: yellow.id, black: black.id };
    return { route: newProcess(ids, limit), inks, overprints, stock, replaces: true };
  },
  isColour: true,
  inks: processIds,
  lineInks: ({ black }) => [black],
  rows: (route, ink, { source, tone, inkSet, tables, draft }) =>
    separatedRows(
      source,
      tone,
      madeTable(modelled.table(route, inkSet, draft), tables),
      processIds(route).indexOf(ink),
    ),
  modelled,
});
