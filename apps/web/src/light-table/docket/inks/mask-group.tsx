import type { MaskPart, PlateMask } from '@brachytone/core';
import { LIMITS } from '@brachytone/job';
import { Lasso, Pentagon, Pipette, Square, X } from 'lucide-react';
import type { ReactNode } from 'react';
import { Segmented } from '../../../controls/segmented.tsx';
import { SliderRow } from '../../../controls/slider-row.tsx';
import { SwitchRow } from '../../../controls/switch-row.tsx';
import { useAppDispatch, useAppSelector } from '../../../store/store.ts';
import { useOriginal } from '../../../store/use-original.ts';
import { maskModeSet, pickMaskPart, takeTool, type MaskTool } from '../../../store/view-slice.ts';
import { useLengthUnits } from '../../../store/use-length-unit.ts';
import { PERCENT, PLAIN, type Unit } from '../../../words/quantity.ts';
import { ResetButton, Row } from '../group.tsx';

export const NO_MASK: PlateMask = { inverted: false, wholeDots: false, parts: [] };

const TOOLS: readonly { tool: MaskTool; name: string; title: string; icon: ReactNode }[] = [
  { tool: 'lasso', name: 'Lasso', title: 'Draw round an area', icon: <Lasso size={14} /> },
  {
    tool: 'polygon',
    name: 'Polygon',
    title: 'Click from corner to corner; a click on the first closes it',
    icon: <Pentagon size={14} />,
  },
  { tool: 'box', name: 'Box', title: 'Drag a box', icon: <Square size={14} /> },
  {
    tool: 'sample',
    name: 'Colour',
    title: 'Click a colour of the picture; further clicks add to it',
    icon: <Pipette size={14} />,
  },
];

const partWords = (part: MaskPart): string => {
  switch (part.by) {
    case 'area':
      return part.feather > 0 ? `area, soft over ${part.feather} mm` : 'area';
    case 'colour':
      return part.colours.length === 1 ? 'a colour' : `${part.colours.length} colours`;
    case 'tone':
      return `tones ${part.from} – ${part.to} %`;
  }
};

export interface MaskWords {
  readonly label: string;
  readonly add: string;
  readonly subtract: string;
  /** True where it can be inverted, and keep dots whole. */
  readonly hasEdge: boolean;
}

const MASK_WORDS: MaskWords = { label: 'Mask', add: 'Keeps', subtract: 'Takes away', hasEdge: true };

/** What of a plate is kept: areas, colours and tones, added and taken away. */
export function MaskGroup({
  mask = NO_MASK,
  words = MASK_WORDS,
  set,
}: {
  mask: PlateMask | undefined;
  /** What its parts do. */
  words?: MaskWords;
  set: (label: string, mask: PlateMask | undefined, gesture?: string | null) => void;
}) {
  const dispatch = useAppDispatch();
  const { tool, maskMode, maskPart } = useAppSelector((state) => state.view);
  const original = useOriginal();
  const { parts } = mask;
  const change = (label: string, part: Partial<PlateMask>, gesture: string | null = null) =>
    set(label, { ...mask, ...part }, gesture);
  const changePart = (at: number, part: object, gesture: string) =>
    change(
      'Mask',
      { parts: parts.map((one, i) => (i === at ? { ...one, ...part } : one)) },
      `mask-${at}-${gesture}`,
    );
  return (
    <div className="mt-1.5 border-t border-edge/70 pt-1.5">
      <Row label={words.label}>
        {TOOLS.map((one) => (
          <button
            key={one.tool}
            type="button"
            aria-label={one.name}
            aria-pressed={tool === one.tool}
            title={`${one.name}. ${one.title}`}
            className="flex h-6 w-8 items-center justify-center rounded-sm border border-edge bg-white hover:border-soft aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-raised"
            onClick={() => dispatch(takeTool(tool === one.tool ? 'none' : one.tool))}
          >
            {one.icon}
          </button>
        ))}
        <button
          type="button"
          title="Where the picture’s tones lie between two"
          className="h-6 rounded-sm border border-edge bg-white px-2 hover:border-soft disabled:opacity-40"
          disabled={!original}
          onClick={() => {
            if (!original) return;
            const part: MaskPart = {
              by: 'tone',
              mode: maskMode,
              original: original.id,
              from: 50,
              to: 100,
              softness: 10,
            };
            change('Mask by tone', { parts: [...parts, part] });
            dispatch(pickMaskPart(parts.length));
          }}
        >
          Tone
        </button>
      </Row>
      {(tool === 'lasso' ||
        tool === 'polygon' ||
        tool === 'box' ||
        tool === 'sample' ||
        parts.length > 0) && (
        <Segmented
          label="What is drawn next"
          wide
          value={maskMode}
          options={[
            { value: 'add', label: words.add },
            { value: 'subtract', label: words.subtract },
          ]}
          onChange={(mode) => dispatch(maskModeSet(mode))}
        />
      )}
      {parts.length > 0 && (
        <>
          <ul className="mt-1 border-t border-edge/70 pt-1">
            {parts.map((part, i) => (
              <li key={i}>
                <div className="flex h-6 items-center">
                  <button
                    type="button"
                    aria-pressed={i === maskPart}
                    className="flex h-full grow items-center gap-2 px-1 text-left hover:bg-white aria-pressed:bg-white aria-pressed:font-semibold"
                    onClick={() => dispatch(pickMaskPart(i === maskPart ? null : i))}
                  >
                    <span>{words[part.mode]}</span>
                    <span className="figures ml-auto text-soft">{partWords(part)}</span>
                  </button>
                  <button
                    type="button"
                    aria-label={`Remove part ${i + 1} of the mask`}
                    className="flex h-full w-6 items-center justify-center text-soft hover:text-ruby"
                    onClick={() => {
                      dispatch(pickMaskPart(null));
                      const rest = parts.toSpliced(i, 1);
                      set(
                        'Remove a part of the mask',
                        rest.length > 0 ? { ...mask, parts: rest } : undefined,
                      );
                    }}
                  >
                    <X size={13} />
                  </button>
                </div>
                {i === maskPart && (
                  <div className="bg-white px-1.5 pb-1">
                    <PartControls part={part} set={(next, gesture) => changePart(i, next, gesture)} />
                  </div>
                )}
              </li>
            ))}
          </ul>
          {words.hasEdge && (
            <>
              <SwitchRow
                label="Inverted"
                title="Keeps what it took away"
                on={mask.inverted}
                onChange={(inverted) => change('Mask inverted', { inverted })}
              />
              <SwitchRow
                label="Whole dots at its edge"
                title="Dots whose middle is kept are there whole, others not at all: no slivers"
                on={mask.wholeDots}
                onChange={(wholeDots) => change('Whole dots at the mask', { wholeDots })}
              />
              <div className="text-right">
                <ResetButton label="Remove the mask" onClick={() => set('Remove the mask', undefined)} />
              </div>
            </>
          )}
        </>
      )}
    </div>
  );
}

/** What one part is set by. */
function PartControls({
  part,
  set,
}: {
  part: MaskPart;
  set: (change: Record<string, unknown>, gesture: string) => void;
}) {
  const { largeMm } = useLengthUnits();
  const slider = (
    label: string,
    name: string,
    value: number,
    unit: Unit,
    limits: { least: number; most: number },
    usual?: [number, number],
  ) => (
    <SliderRow
      key={name}
      label={label}
      value={value}
      unit={unit}
      {...limits}
      {...(usual ? { usual } : {})}
      onChange={(next, gesture) => set({ [name]: next }, gesture)}
    />
  );
  const whole = { least: 0, most: 100 };
  switch (part.by) {
    case 'area':
      return slider('Feather', 'feather', part.feather, largeMm, LIMITS.soft, [0, 20]);
    case 'colour':
      return (
        <>
          <Row label="Colours">
            {part.colours.map((colour, i) => (
              <button
                key={i}
                type="button"
                aria-label={`Remove ${colour}`}
                title={`${colour}: click to remove`}
                disabled={part.colours.length === 1}
                className="size-5 rounded-sm border border-edge"
                style={{ background: colour }}
                onClick={() => set({ colours: part.colours.toSpliced(i, 1) }, `colour-${Date.now()}`)}
              />
            ))}
          </Row>
          {slider(
            'Tolerance',
            'tolerance',
            part.tolerance,
            { ...PLAIN, decimals: 1, step: 0.5 },
            LIMITS.tolerance,
            [0, 60],
          )}
          {slider(
            'Softness',
            'softness',
            part.softness,
            { ...PLAIN, decimals: 1, step: 0.5 },
            LIMITS.tolerance,
            [0, 40],
          )}
        </>
      );
    case 'tone':
      return (
        <>
          {slider('From', 'from', part.from, PERCENT, whole)}
          {slider('Up to', 'to', part.to, PERCENT, whole)}
          {slider('Softness', 'softness', part.softness, PERCENT, whole)}
        </>
      );
  }
}
