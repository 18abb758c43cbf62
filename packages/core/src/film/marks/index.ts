import { startOfFields } from '../../base/field.ts';
import { UnknownKind } from '../../base/errors.ts';
import type { Marks, MarkUse } from '../../recipe/marks.ts';
import { centreMarks } from './centre-marks.ts';
import { cropMarks } from './crop-marks.ts';
import { inkNames } from './ink-names.ts';
import { label } from './label.ts';
import type { MarkKind } from './mark-kind.ts';
import { registerTargets } from './register-targets.ts';
import { ruler } from './ruler.ts';
import { solidPatches } from './solid-patches.ts';
import { stepWedge } from './step-wedge.ts';

/** Every kind of mark, in the order they are offered and laid. */
export const MARK_KINDS: readonly MarkKind[] = [
  cropMarks,
  registerTargets,
  centreMarks,
  label,
  stepWedge,
  solidPatches,
  inkNames,
  ruler,
];

/** @throws UnknownKind when there is no such kind of mark */
export function markKind(kind: string): MarkKind {
  const found = MARK_KINDS.find((one) => one.kind === kind);
  if (!found) throw new UnknownKind('mark', kind);
  return found;
}

/** A mark as it is first put on films. */
export const newMark = ({ kind, fields }: MarkKind): MarkUse => ({ kind, settings: startOfFields(fields) });

/** The marks that most printers ask for. */
export const usualMarks = (font: string): Marks => ({
  font,
  uses: MARK_KINDS.filter(({ isUsual }) => isUsual).map(newMark),
});
