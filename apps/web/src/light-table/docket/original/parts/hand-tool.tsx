import type { Stroke } from '@brachytone/core';
import type { ReactNode } from 'react';
import { Button } from '../../../../controls/button.tsx';
import { useLengthUnits } from '../../../../store/use-length-unit.ts';
import { PERCENT } from '../../../../words/quantity.ts';
import { Segmented } from '../../../../controls/segmented.tsx';
import { SliderRow } from '../../../../controls/slider-row.tsx';
import { useAppDispatch, useAppSelector } from '../../../../store/store.ts';
import { useBrush } from '../../../../store/use-brush.ts';
import { brushSet, takeTool } from '../../../../store/view-slice.ts';
import { Row } from '../../group.tsx';
import { StrokeList } from '../../stroke-list.tsx';

/** A brush that paints a part of an original in or out, at full strength, and the strokes made with it. */
export function HandTool({
  icon,
  label,
  ways,
  words,
  strokes,
  onRemove,
  onPaint,
}: {
  icon: ReactNode;
  label: string;
  ways: readonly [{ value: 'in' | 'out'; label: string }, { value: 'in' | 'out'; label: string }];
  words: (stroke: Stroke) => string;
  strokes: readonly Stroke[];
  onRemove: (at: number) => void;
  /** Told when painting begins and when it is done. */
  onPaint?: (begins: boolean) => void;
}) {
  const dispatch = useAppDispatch();
  const painting = useAppSelector((state) => state.view.tool) === 'brush';
  const brush = useBrush();
  const { largeMm } = useLengthUnits();
  return (
    <>
      <Row label={label}>
        <Button
          className="!h-6 !px-2"
          aria-pressed={painting}
          onClick={() => {
            dispatch(takeTool(painting ? 'none' : 'brush'));
            onPaint?.(!painting);
          }}
        >
          {icon} {painting ? 'Done' : 'Paint'}
        </Button>
      </Row>
      {painting && (
        <>
          <Segmented
            label={`${label}, what the brush does`}
            value={brush.strength < 0 ? 'out' : 'in'}
            wide
            options={ways}
            onChange={(way) => dispatch(brushSet({ strength: way === 'in' ? 100 : -100 }))}
          />
          <div className="h-1" />
          <SliderRow
            label="Radius"
            value={brush.radius}
            unit={largeMm}
            least={0.2}
            most={500}
            usual={[0.5, 100]}
            ratio
            onChange={(radius) => dispatch(brushSet({ radius }))}
          />
          <SliderRow
            label="Softness"
            value={brush.softness}
            unit={PERCENT}
            least={0}
            most={100}
            onChange={(softness) => dispatch(brushSet({ softness }))}
          />
        </>
      )}
      {(painting || strokes.length > 0) && <StrokeList strokes={strokes} words={words} onRemove={onRemove} />}
    </>
  );
}
