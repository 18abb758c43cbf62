import { STRAIGHT, type Ink, type PlateRecipe, type PlateRegion } from '@brachytone/core';
import { Paintbrush, Plus, X } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { Button } from '../../../controls/button.tsx';
import { SliderRow } from '../../../controls/slider-row.tsx';
import { useAppDispatch, useAppSelector } from '../../../store/store.ts';
import { useDocument } from '../../../store/use-job.ts';
import { pickRegion, showPlate, takeTool } from '../../../store/view-slice.ts';
import { PERCENT } from '../../../words/quantity.ts';
import { inkOnStock } from '../../ink-colour.ts';
import { Row } from '../group.tsx';
import { HandTool } from '../original/parts/hand-tool.tsx';
import { CurveChart } from '../tone/curve-chart.tsx';
import { MaskGroup, NO_MASK } from './mask-group.tsx';

/** How much heavier a region is at first, so that it is seen where it is. */
const FIRST = 40;
const WORDS = { label: 'Where', add: 'Here', subtract: 'Not here', hasEdge: false };

const weightWords = ({ weight, curve }: PlateRegion): string => {
  const curved = JSON.stringify(curve) !== JSON.stringify(STRAIGHT);
  const words = weight > 0 ? `heavier, ${weight} %` : weight < 0 ? `lighter, ${-weight} %` : '';
  return [words, curved ? 'curve' : ''].filter(Boolean).join(', ') || 'as it is';
};

/** Parts of a plate that are made heavier or lighter; the open one is painted, drawn or picked on the table. */
export function RegionGroup({
  plate,
  ink,
  set,
}: {
  plate: PlateRecipe;
  ink: Ink;
  set: (label: string, regions: readonly PlateRegion[], gesture?: string | null) => void;
}) {
  const dispatch = useAppDispatch();
  const open = useAppSelector((state) => state.view.region);
  const { regions = [] } = plate;
  const begin = () => {
    set('Heavier region', [...regions, { weight: FIRST, curve: STRAIGHT, parts: [], strokes: [] }]);
    dispatch(pickRegion(regions.length));
    dispatch(takeTool('brush'));
    dispatch(showPlate(plate.id));
  };
  const close = () => {
    dispatch(pickRegion(null));
    dispatch(showPlate(null));
  };
  return (
    <div className="mt-1.5 border-t border-edge/70 pt-1.5">
      <Row label="Regions">
        <Button className="!h-6 !px-2" onClick={begin}>
          <Plus size={13} /> Heavier or lighter
        </Button>
      </Row>
      {regions.length > 0 && (
        <ul className="mt-1 border-t border-edge/70 pt-1">
          {regions.map((region, i) => (
            <li key={i}>
              <div className="flex h-6 items-center">
                <button
                  type="button"
                  aria-expanded={i === open}
                  className="flex h-full grow items-center gap-2 px-1 text-left hover:bg-white aria-expanded:font-semibold"
                  onClick={() => (i === open ? close() : dispatch(pickRegion(i)))}
                >
                  <span>Region {i + 1}</span>
                  <span className="figures ml-auto text-soft">{weightWords(region)}</span>
                </button>
                <button
                  type="button"
                  aria-label={`Remove region ${i + 1}`}
                  className="flex h-full w-6 items-center justify-center text-soft hover:text-ruby"
                  onClick={() => {
                    close();
                    set('Remove a region', regions.toSpliced(i, 1));
                  }}
                >
                  <X size={13} />
                </button>
              </div>
              {i === open && (
                <RegionControls
                  region={region}
                  plate={plate}
                  ink={ink}
                  set={(label, change, gesture = null) =>
                    set(label, regions.with(i, { ...region, ...change }), gesture && `region-${i}-${gesture}`)
                  }
                />
              )}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

function RegionControls({
  region,
  plate,
  ink,
  set,
}: {
  region: PlateRegion;
  plate: PlateRecipe;
  ink: Ink;
  set: (label: string, change: Partial<PlateRegion>, gesture?: string | null) => void;
}) {
  const dispatch = useAppDispatch();
  const { stock } = useDocument().recipe;
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => place.current?.scrollIntoView({ block: 'nearest' }), []);
  return (
    <div ref={place} className="-ml-2 border-l-2 border-ink pb-1.5 pl-1.5">
      <SliderRow
        label="Weight"
        value={region.weight}
        unit={PERCENT}
        least={-100}
        most={100}
        onChange={(weight, gesture) => set('Weight of a region', { weight }, gesture)}
      />
      <CurveChart
        bins={undefined}
        points={region.curve}
        limits={plate.screen}
        colour={inkOnStock(ink, stock)}
        onChange={(curve, gesture) => set('Curve of a region', { curve }, gesture)}
      />
      <HandTool
        onPaint={(begins) => dispatch(showPlate(begins ? plate.id : null))}
        icon={<Paintbrush size={13} />}
        label="By hand"
        ways={[
          { value: 'in', label: 'Here' },
          { value: 'out', label: 'Not here' },
        ]}
        words={({ strength }) => (strength > 0 ? 'here' : 'not here')}
        strokes={region.strokes}
        onRemove={(i) => set('Painted region', { strokes: region.strokes.toSpliced(i, 1) })}
      />
      <MaskGroup
        mask={{ ...NO_MASK, parts: region.parts }}
        words={WORDS}
        set={(_, mask, gesture = null) => set('Where a region is', { parts: mask?.parts ?? [] }, gesture)}
      />
    </div>
  );
}
