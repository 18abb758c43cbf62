import { UnknownKind } from '../../base/errors.ts';
import { bands } from './bands.ts';
import { blur } from './blur.ts';
import { brush } from './brush.ts';
import { coarsen } from './coarsen.ts';
import { curve } from './curve.ts';
import { densify } from './densify.ts';
import { invert } from './invert.ts';
import { levels } from './levels.ts';
import { noise } from './noise.ts';
import { recover } from './recover.ts';
import { refine } from './refine.ts';
import { sharpen } from './sharpen.ts';
import { specks } from './specks.ts';
import { startOfFields, type Field } from '../../base/field.ts';
import type { StepKind } from './step.ts';

/** Every kind of tone step, in the order they are offered. */
export const STEP_KINDS: readonly StepKind[] = [
  levels,
  curve,
  recover,
  sharpen,
  blur,
  noise,
  specks,
  coarsen,
  refine,
  densify,
  invert,
  bands,
  brush,
];

/** @throws UnknownKind when there is no such kind of step */
export function stepKind(kind: string): StepKind {
  const found = STEP_KINDS.find((one) => one.kind === kind);
  if (!found) throw new UnknownKind('tone step', kind);
  return found;
}

/** The settings a new step of a kind begins with. */
export const startOf = (kind: StepKind): Record<string, Field['start']> => startOfFields(kind.fields);
