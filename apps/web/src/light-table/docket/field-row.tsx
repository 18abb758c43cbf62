import {
  counts,
  type ChoiceField,
  type CurveField,
  type Field,
  type MotifField,
  type NumberField as NumberFieldOf,
  type SeedField,
  type SpotField,
  type StrokesField,
  type TonesField,
} from '@brachytone/core';
import { Dices } from 'lucide-react';
import type { ComponentType } from 'react';
import { DEGREES, LPI, PERCENT, PLAIN, PPI, SMALL_MM, type Unit } from '../../words/quantity.ts';
import { Segmented } from '../../controls/segmented.tsx';
import { SliderRow } from '../../controls/slider-row.tsx';
import type { NumberPath } from '../../store/strip.ts';
import { useLengthUnits } from '../../store/use-length-unit.ts';
import { Row } from './group.tsx';
import { MotifRow } from './motif-row.tsx';
import { StrokeList } from './stroke-list.tsx';
import { SHAPE_CHOICES, SwatchChoice } from './swatch-choice.tsx';
import { BandsChart } from './tone/bands-chart.tsx';
import { CurveChart } from './tone/curve-chart.tsx';

const UNITS: Record<Exclude<NumberFieldOf['unit'], 'px' | 'mm'>, Unit> = {
  percent: PERCENT,
  plain: PLAIN,
  ppi: PPI,
  lpi: LPI,
  degrees: DEGREES,
};

type Settings = Readonly<Record<string, Field['start']>>;

export interface FieldProps<F extends Field = Field> {
  name: string;
  field: F;
  settings: Settings;
  /** Pixels of the original per inch of the sheet, where lengths may be in them. */
  ppi?: number;
  /** True for lengths that are never in pixels, as of marks. */
  plainLengths?: boolean;
  /** Where the settings stand in the job, if its numbers can be tried on a test strip. */
  path?: NumberPath | undefined;
  set: (label: string, change: Settings, gesture: string) => void;
}

type Rows = {
  readonly [Type in Field['type']]: ComponentType<FieldProps<Extract<Field, { type: Type }>>>;
};

/** The control of each type of field. */
const ROWS: Rows = {
  number: NumberRow,
  choice: ChoiceRow,
  seed: SeedRow,
  curve: CurveRow,
  tones: TonesRow,
  strokes: StrokesRow,
  spot: SpotRow,
  motif: MotifFieldRow,
};

/** A field's control; nothing where the field does not count under these settings. */
export function FieldRow(props: FieldProps) {
  if (!counts(props.field, props.settings)) return null;
  const Row = ROWS[props.field.type] as ComponentType<FieldProps>;
  return <Row {...props} />;
}

/** A gesture of its own for what is chosen with one click. */
const once = (name: string): string => `${name}-${Date.now()}`;

function NumberRow({ name, field, settings, ppi, plainLengths, path, set }: FieldProps<NumberFieldOf>) {
  const { label, unit, least, most, usual, ratio, start } = field;
  const { mm, pixels } = useLengthUnits(ppi);
  const lengths = { px: pixels, mm: plainLengths ? SMALL_MM : mm };
  return (
    <SliderRow
      label={label}
      value={(settings[name] as number | undefined) ?? start}
      unit={unit === 'px' || unit === 'mm' ? lengths[unit] : UNITS[unit]}
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
          onChange={(value) => set(field.label, { [name]: value }, once(name))}
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
        onChange={(value) => set(field.label, { [name]: value }, once(name))}
      />
    </Row>
  );
}

function SeedRow({ name, field, settings, set }: FieldProps<SeedField>) {
  const value = (settings[name] as number | undefined) ?? field.start;
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

function CurveRow({ name, field, settings, set }: FieldProps<CurveField>) {
  return (
    <CurveChart
      bins={undefined}
      points={settings[name] as CurveField['start']}
      limits={NO_LIMITS}
      onChange={(points, gesture) => set(field.label, { [name]: points }, gesture)}
    />
  );
}

const NO_LIMITS = { smallest: 0, largest: 100 };

function TonesRow({ name, field, settings, set }: FieldProps<TonesField>) {
  return (
    <BandsChart
      bins={undefined}
      thresholds={settings[name] as TonesField['start']}
      onChange={(thresholds, gesture) => set(field.label, { [name]: thresholds }, gesture)}
    />
  );
}

function StrokesRow({ name, field, settings, set }: FieldProps<StrokesField>) {
  const strokes = settings[name] as StrokesField['start'];
  return (
    <StrokeList
      strokes={strokes}
      words={({ strength }) => `${strength > 0 ? '+' : ''}${strength} %`}
      onRemove={(at) => set(field.label, { [name]: strokes.filter((_, i) => i !== at) }, once(name))}
    />
  );
}

function SpotRow({ name, settings, set }: FieldProps<SpotField>) {
  return (
    <SwatchChoice
      label="Dot shape"
      value={settings[name] as string}
      choices={SHAPE_CHOICES}
      tones={[24, 64]}
      mark={33}
      onPick={(spot) => set('Dot shape', { [name]: spot }, once(name))}
    />
  );
}

function MotifFieldRow({ name, settings, set }: FieldProps<MotifField>) {
  return (
    <MotifRow
      name={name}
      value={settings[name] as string}
      set={(label, change) => set(label, change, once(name))}
    />
  );
}
