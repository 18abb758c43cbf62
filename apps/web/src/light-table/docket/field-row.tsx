import type { ChoiceField, Field, NumberField as NumberFieldOf, SeedField } from '@brachytone/core';
import { Dices } from 'lucide-react';
import { DEGREES, LPI, PERCENT, PLAIN, PPI, pixelsOf, SMALL_MM, type Unit } from '../../words/quantity.ts';
import { Segmented } from '../../controls/segmented.tsx';
import { SliderRow } from '../../controls/slider-row.tsx';
import type { NumberPath } from '../../store/strip.ts';
import { Row } from './group.tsx';

const UNITS: Record<NumberFieldOf['unit'], (ppi: number) => Unit> = {
  percent: () => PERCENT,
  plain: () => PLAIN,
  ppi: () => PPI,
  px: pixelsOf,
  lpi: () => LPI,
  degrees: () => DEGREES,
  mm: () => SMALL_MM,
};

export interface FieldProps<F extends Field = Field> {
  name: string;
  field: F;
  settings: Readonly<Record<string, Field['start']>>;
  /** Pixels of the original per inch of the sheet, where lengths may be in them. */
  ppi?: number;
  /** Where the settings stand in the job, if its numbers can be tried on a test strip. */
  path?: NumberPath | undefined;
  set: (label: string, change: Record<string, number | string>, gesture: string) => void;
}

/** A field's control. */
export function FieldRow({ name, field, ...props }: FieldProps) {
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

function NumberRow({ name, field, settings, ppi = 300, path, set }: FieldProps<NumberFieldOf>) {
  const { label, unit, least, most, usual, ratio } = field;
  return (
    <SliderRow
      label={label}
      value={settings[name] as number}
      unit={UNITS[unit](ppi)}
      least={least}
      most={most}
      {...(usual ? { usual } : {})}
      {...(ratio && least > 0 ? { ratio } : {})}
      path={path && [...path, name]}
      onChange={(value, gesture) => set(label, { [name]: value }, gesture)}
    />
  );
}

function ChoiceRow({ name, field, settings, set }: FieldProps<ChoiceField>) {
  // Many words take the whole width.
  const wide = field.options.length > 4;
  if (wide) {
    return (
      <div className="mb-2">
        <Segmented
          label={field.label}
          wide
          value={settings[name] as string}
          options={field.options}
          onChange={(value) => set(field.label, { [name]: value }, `${name}-${Date.now()}`)}
        />
      </div>
    );
  }
  return (
    <Row label={field.label}>
      <Segmented
        label={field.label}
        value={settings[name] as string}
        options={field.options}
        onChange={(value) => set(field.label, { [name]: value }, `${name}-${Date.now()}`)}
      />
    </Row>
  );
}

function SeedRow({ name, field, settings, set }: FieldProps<SeedField>) {
  const value = settings[name] as number;
  return (
    <Row label={field.label}>
      <span className="figures text-soft">no. {value}</span>
      <button
        type="button"
        className="flex h-6 items-center gap-1.5 rounded-sm border border-edge bg-white px-2 hover:border-soft"
        onClick={() => set(field.label, { [name]: value + 1 }, `${name}-${value}`)}
      >
        <Dices size={13} /> Another
      </button>
    </Row>
  );
}
