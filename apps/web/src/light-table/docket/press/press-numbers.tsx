import { GAIN_LIMITS, middleGain, type Gain, type Press } from '@brachytone/core';
import { LIMITS } from '@brachytone/job';
import type { Draft } from '@reduxjs/toolkit';
import { NumberField } from '../../../controls/number-field.tsx';
import { SliderRow } from '../../../controls/slider-row.tsx';
import {
  DEGREES,
  DPI,
  FINE_MM,
  MICRONS,
  MM,
  PERCENT,
  PLAIN,
  SMALL_MM,
  type Unit,
} from '../../../words/quantity.ts';
import { Fact, Group, ResetButton, Row } from '../group.tsx';

/** Threads in a centimetre. */
const PER_CM: Unit = { symbol: '/cm', others: { '/in': 1 / 2.54 }, decimals: 0, step: 1 };

type Change = (label: string, change: (press: Draft<Press>) => void, gesture?: string | null) => void;

interface Limit {
  readonly label: string;
  readonly title: string;
  readonly unit: Unit;
  readonly range: { readonly least: number; readonly most: number };
  readonly of:
    | 'leastDot'
    | 'leastGap'
    | 'leastLine'
    | 'leastLineGap'
    | 'edgeGain'
    | 'register'
    | 'inkLimit'
    | 'resolution';
}

const PRINTS: readonly Limit[] = [
  {
    label: 'Least dot',
    title: 'Dots less across are lost',
    unit: MICRONS,
    range: LIMITS.leastDot,
    of: 'leastDot',
  },
  {
    label: 'Least gap',
    title: 'Gaps between dots less across fill in',
    unit: MICRONS,
    range: LIMITS.leastDot,
    of: 'leastGap',
  },
  {
    label: 'Least line',
    title: 'Line work that is thinner is lost',
    unit: FINE_MM,
    range: LIMITS.leastLine,
    of: 'leastLine',
  },
  {
    label: 'Line gap',
    title: 'Gaps in line work that are thinner fill in',
    unit: FINE_MM,
    range: LIMITS.leastLine,
    of: 'leastLineGap',
  },
  {
    label: 'Edge gain',
    title: 'How far a solid edge grows',
    unit: SMALL_MM,
    range: LIMITS.edgeGain,
    of: 'edgeGain',
  },
  {
    label: 'Register',
    title: 'How far plates may miss one another',
    unit: FINE_MM,
    range: LIMITS.register,
    of: 'register',
  },
  { label: 'Ink limit', title: 'All inks together', unit: PERCENT, range: LIMITS.inkLimit, of: 'inkLimit' },
  {
    label: 'Films at',
    title: 'Resolution its films or plates are made at',
    unit: DPI,
    range: LIMITS.resolution,
    of: 'resolution',
  },
];

/** What a press adds, holds and loses; every number can be set. */
export function PressNumbers({ press, onChange }: { press: Press; onChange: Change }) {
  return (
    <>
      <Group
        name="Gain"
        aside={press.inkGains.length > 0 && <span className="text-soft">inks without one of their own</span>}
      >
        <GainControls
          gain={press.gain}
          onChange={(gain, gesture) =>
            onChange('Gain', (draft) => void (draft.gain = gain as Draft<Gain>), gesture)
          }
        />
      </Group>
      <Group name="What it holds">
        <div className="grid grid-cols-2 gap-x-3">
          {PRINTS.map(({ label, title, unit, range, of }) => (
            <label key={of} className="flex h-7 items-center justify-between gap-1" title={title}>
              <span className="text-soft">{label}</span>
              <NumberField
                label={label}
                className="w-[68px]"
                unit={unit}
                {...range}
                value={press[of]}
                onChange={(value) => onChange(label, (draft) => void (draft[of] = value))}
              />
            </label>
          ))}
        </div>
        <Row label="Largest sheet">
          <NumberField
            label="Largest sheet, width"
            unit={MM}
            {...LIMITS.side}
            value={press.sheet.width}
            onChange={(width) => onChange('Largest sheet', (draft) => void (draft.sheet.width = width))}
          />
          ×
          <NumberField
            label="Largest sheet, height"
            unit={MM}
            {...LIMITS.side}
            value={press.sheet.height}
            onChange={(height) => onChange('Largest sheet', (draft) => void (draft.sheet.height = height))}
          />
        </Row>
      </Group>
      {press.kind === 'screen' && <MeshControls press={press} onChange={onChange} />}
    </>
  );
}

/** A gain by its number, or what is known of its points. */
function GainControls({
  gain,
  onChange,
}: {
  gain: Gain;
  onChange: (gain: Gain, gesture: string | null) => void;
}) {
  if (gain.by === 'points') {
    return (
      <>
        <Fact label="Curve">
          {gain.points.length} points · {middleGain(gain).toFixed(1)} % at 50 %
        </Fact>
        <ResetButton
          label="One number instead"
          onClick={() =>
            onChange({ by: 'number', middle: Number(middleGain(gain).toFixed(1)), shape: 1 }, null)
          }
        />
      </>
    );
  }
  return (
    <>
      <SliderRow
        label="At 50 %"
        unit={PERCENT}
        value={gain.middle}
        {...GAIN_LIMITS.middle}
        usual={[-10, 35]}
        onChange={(middle, gesture) => onChange({ ...gain, middle }, gesture)}
      />
      <SliderRow
        label="Light · dark"
        unit={PLAIN}
        value={gain.shape}
        {...GAIN_LIMITS.shape}
        onChange={(shape, gesture) => onChange({ ...gain, shape }, gesture)}
      />
    </>
  );
}

function MeshControls({ press, onChange }: { press: Press; onChange: Change }) {
  const { mesh } = press;
  if (!mesh) {
    return (
      <Group name="Mesh">
        <ResetButton
          label="Set a mesh"
          onClick={() => onChange('Mesh', (draft) => void (draft.mesh = { count: 77, angle: 0, thread: 48 }))}
        />
      </Group>
    );
  }
  const set = (label: string, key: 'count' | 'angle' | 'thread') => (value: number) =>
    onChange(label, (draft) => {
      if (draft.mesh) draft.mesh[key] = value;
    });
  return (
    <Group
      name="Mesh"
      aside={
        <ResetButton label="None" onClick={() => onChange('No mesh', (draft) => void (draft.mesh = null))} />
      }
    >
      <div className="grid grid-cols-3 gap-x-2">
        {(
          [
            ['Threads', 'count', PER_CM, LIMITS.meshCount],
            ['Turned', 'angle', DEGREES, LIMITS.angle],
            ['Thick', 'thread', MICRONS, LIMITS.thread],
          ] as const
        ).map(([label, key, unit, range]) => (
          <label key={key} className="flex flex-col gap-0.5">
            <span className="text-soft">{label}</span>
            <NumberField
              label={`Mesh, ${label.toLowerCase()}`}
              className="w-full"
              unit={unit}
              {...range}
              value={mesh[key]}
              onChange={set(`Mesh, ${label.toLowerCase()}`, key)}
            />
          </label>
        ))}
      </div>
    </Group>
  );
}
