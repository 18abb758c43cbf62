import { stepKind, type ToneStep, present } from '@brachytone/core';
import type { ReactNode } from 'react';
import { useDocument } from '../../../store/use-job.ts';
import { useOriginal } from '../../../store/use-original.ts';
import { FieldRow } from '../field-row.tsx';
import { BandsControls } from './bands-controls.tsx';
import { BrushControls } from './brush-controls.tsx';
import { CurveControls } from './curve-controls.tsx';
import { stepPath } from './step-path.ts';
import { LevelsControls } from './levels-controls.tsx';

export type Settings = ToneStep['settings'];

export interface ControlsProps {
  step: ToneStep;
  /** How many steps come before this one. */
  before: number;
  /** Pixels of the original per inch of the sheet. */
  ppi: number;
  set: (change: Settings, gesture: string) => void;
}

/** Kinds of step with controls of their own; all others are set by their fields. */
const OWN: Record<string, (props: ControlsProps) => ReactNode> = {
  levels: LevelsControls,
  curve: CurveControls,
  bands: BandsControls,
  brush: BrushControls,
};

/** What a tone step is set by. */
export function StepControls(props: ControlsProps) {
  const { originals } = useDocument().recipe;
  const original = useOriginal();
  const Own = OWN[props.step.kind];
  if (Own) return <Own {...props} />;
  const { fields, says } = stepKind(props.step.kind);
  return (
    <>
      {Object.entries(fields).map(([name, field]) => (
        <FieldRow
          key={name}
          name={name}
          field={field}
          settings={props.step.settings}
          ppi={props.ppi}
          path={stepPath(originals.indexOf(present(original, 'original of these tones')), props.before)}
          set={(_, change, gesture) => props.set(change, gesture)}
        />
      ))}
      <p className="mt-1 text-soft">{says}</p>
    </>
  );
}
