import {
  stepKind,
  type ChoiceField,
  type Field,
  type NumberField as NumberFieldOf,
  type SeedField,
  type ToneStep,
} from '@brachytone/core';
import { Dices } from 'lucide-react';
import type { ReactNode } from 'react';
import { PERCENT, PLAIN, PPI, pixelsOf, type Unit } from '../../../controls/quantity.ts';
import { Segmented } from '../../../controls/segmented.tsx';
import { SliderRow } from '../../../controls/slider-row.tsx';
import { Row } from '../group.tsx';
import { BandsControls } from './bands-controls.tsx';
import { BrushControls } from './brush-controls.tsx';
import { CurveControls } from './curve-controls.tsx';
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
  const Own = OWN[props.step.kind];
  if (Own) return <Own {...props} />;
  const { fields, says } = stepKind(props.step.kind);
  return (
    <>
      {Object.entries(fields).map(([name, field]) => (
        <FieldRow key={name} name={name} field={field} {...props} />
      ))}
      <p className="mt-1 text-soft">{says}</p>
    </>
  );
}

const UNITS: Record<NumberFieldOf['unit'], (ppi: number) => Unit> = {
  percent: () => PERCENT,
  plain: () => PLAIN,
  ppi: () => PPI,
  px: pixelsOf,
};

/** A field's control. */
export function FieldRow({ name, field, ...props }: ControlsProps & { name: string; field: Field }) {
  switch (field.type) {
    case 'number':
      return <NumberRow name={name} field={field} {...props} />;
    case 'choice':
      return <ChoiceRow name={name} field={field} {...props} />;
    case 'seed':
      return <SeedRow name={name} field={field} {...props} />;
    default:
      return null;
  }
}

function NumberRow({ name, field, step, ppi, set }: ControlsProps & { name: string; field: NumberFieldOf }) {
  const { label, unit, least, most, usual, ratio } = field;
  return (
    <SliderRow
      label={label}
      value={step.settings[name] as number}
      unit={UNITS[unit](ppi)}
      least={least}
      most={most}
      {...(usual ? { usual } : {})}
      {...(ratio && least > 0 ? { ratio } : {})}
      onChange={(value, gesture) => set({ [name]: value }, gesture)}
    />
  );
}

function ChoiceRow({ name, field, step, set }: ControlsProps & { name: string; field: ChoiceField }) {
  return (
    <Row label={field.label}>
      <Segmented
        label={field.label}
        value={step.settings[name] as string}
        options={field.options}
        onChange={(value) => set({ [name]: value }, `${name}-${Date.now()}`)}
      />
    </Row>
  );
}

function SeedRow({ name, field, step, set }: ControlsProps & { name: string; field: SeedField }) {
  const value = step.settings[name] as number;
  return (
    <Row label={field.label}>
      <span className="figures text-soft">no. {value}</span>
      <button
        type="button"
        className="flex h-6 items-center gap-1.5 rounded-sm border border-edge bg-white px-2 hover:border-soft"
        onClick={() => set({ [name]: value + 1 }, `${name}-${value}`)}
      >
        <Dices size={13} /> Another
      </button>
    </Row>
  );
}
