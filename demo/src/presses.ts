import { pressOf, SHIPPED_PRESSES, type JobDocument } from '@brachytone/job';

/** The press that each demo job is for, by the job's name. */
const PRESSES: Readonly<Record<string, string>> = {
  'Open Night poster': 'hand-table-paper',
  'Season leaflet': 'offset-uncoated',
  'Dusk tote': 'hand-table-cloth',
  'First light card': 'offset-uncoated',
  'Open night banner': 'hand-table-paper',
  'Programme cover': 'offset-uncoated',
  'Members’ ticket': 'offset-uncoated',
  'Night walk badge': 'hand-table-paper',
  'Low tide card': 'stencil-duplicator',
  'Moon over the reeds': 'poster-table',
};

/** A demo job with its press. */
export function withPress(document: JobDocument): JobDocument {
  const found = SHIPPED_PRESSES.find(({ id }) => id === PRESSES[document.name]);
  if (!found) throw new RangeError(`There is no press for “${document.name}”.`);
  return {
    ...document,
    recipe: { ...document.recipe, press: { id: found.id, press: pressOf(found), compensates: true } },
  };
}
