import { present, type CutOut, type PictureContent } from '@brachytone/core';
import { LIMITS } from '@brachytone/job';
import { Brush, Pipette } from 'lucide-react';
import { Button } from '../../../../controls/button.tsx';
import { PERCENT, PLAIN, PIXELS } from '../../../../words/quantity.ts';
import { Segmented } from '../../../../controls/segmented.tsx';
import { SliderRow } from '../../../../controls/slider-row.tsx';
import { useAppDispatch, useAppSelector } from '../../../../store/store.ts';
import { useLengthUnits } from '../../../../store/use-length-unit.ts';
import { usePpi } from '../../../../store/use-ppi.ts';
import { useEditOriginal, useTheOriginal } from '../../../../store/use-original.ts';
import { takeTool } from '../../../../store/view-slice.ts';
import { Row } from '../../group.tsx';
import { HandTool } from './hand-tool.tsx';

const WAYS: readonly { value: CutOut['by']; label: string; title: string }[] = [
  { value: 'edges', label: 'Edges', title: 'From the picture’s edges inward, up to a contour' },
  { value: 'colour', label: 'Colour', title: 'Everything near a colour you pick' },
  { value: 'brightness', label: 'Light', title: 'Everything between two brightnesses' },
  { value: 'hand', label: 'Hand', title: 'Only what is painted' },
];

const WORDS = { edges: 'from the edges', colour: 'by colour', brightness: 'by brightness', hand: 'by hand' };

export const cutWords = ({ by, strokes }: CutOut): string =>
  by !== 'hand' && strokes.length > 0 ? `${WORDS[by]}, by hand` : WORDS[by];

/** What is cut away of a picture; the table shows it in ruby. */
export function CutControls() {
  const dispatch = useAppDispatch();
  const tool = useAppSelector((state) => state.view.tool);
  const change = useEditOriginal();
  const original = useTheOriginal();
  const { pixels } = useLengthUnits(usePpi(original));
  const cut = present((original.content as PictureContent).cut, 'cut-out');
  const set = (part: Partial<CutOut>, gesture: string | null = null) =>
    change(
      'Cut-out',
      (draft) => void Object.assign(present((draft.content as PictureContent).cut, 'cut-out'), part),
      gesture && `cut-${gesture}`,
    );
  return (
    <>
      <Segmented
        label="Cut away by"
        value={cut.by}
        wide
        options={WAYS}
        onChange={(by) => {
          set({ by });
          dispatch(takeTool(by === 'colour' ? 'pick' : by === 'hand' ? 'brush' : 'none'));
        }}
      />
      <div className="h-1.5" />
      {cut.by === 'colour' && (
        <Row label="Colour">
          <span
            className="size-6 shrink-0 rounded-sm border border-edge"
            style={{ background: cut.colour }}
            title={cut.colour}
          />
          <Button
            className="!h-6 !px-2"
            aria-pressed={tool === 'pick'}
            onClick={() => dispatch(takeTool(tool === 'pick' ? 'none' : 'pick'))}
          >
            <Pipette size={13} /> {tool === 'pick' ? 'Click the table' : 'Pick'}
          </Button>
        </Row>
      )}
      {(cut.by === 'colour' || cut.by === 'edges') && (
        <SliderRow
          label="Tolerance"
          value={cut.tolerance}
          unit={{ ...PLAIN, decimals: 1, step: 0.5 }}
          {...LIMITS.tolerance}
          usual={[0, 50]}
          onChange={(tolerance, gesture) => set({ tolerance }, gesture)}
        />
      )}
      {cut.by === 'colour' && (
        <Row label="Where">
          <Segmented
            label="Where the colour is cut away"
            value={cut.connected ? 'connected' : 'everywhere'}
            options={[
              {
                value: 'connected',
                label: 'Connected',
                title: 'Only what is joined to the place you picked',
              },
              { value: 'everywhere', label: 'Everywhere' },
            ]}
            onChange={(where) => set({ connected: where === 'connected' })}
          />
        </Row>
      )}
      {cut.by === 'brightness' && (
        <>
          <SliderRow
            label="Darker than"
            value={cut.to}
            unit={PERCENT}
            least={cut.from}
            most={100}
            onChange={(to, gesture) => set({ to }, gesture)}
          />
          <SliderRow
            label="Lighter than"
            value={cut.from}
            unit={PERCENT}
            least={0}
            most={cut.to}
            onChange={(from, gesture) => set({ from }, gesture)}
          />
        </>
      )}
      {cut.by !== 'hand' && (
        <SliderRow
          label="Specks under"
          value={cut.specks}
          unit={{ ...PIXELS, symbol: 'px²' }}
          {...LIMITS.specks}
          usual={[0, 5000]}
          onChange={(specks, gesture) => set({ specks: Math.round(specks) }, gesture)}
        />
      )}
      <SliderRow
        label="Choke"
        value={cut.choke}
        unit={pixels}
        {...LIMITS.choke}
        usual={[-6, 6]}
        onChange={(choke, gesture) => set({ choke }, gesture)}
      />
      <SliderRow
        label="Soft edge"
        value={cut.softness}
        unit={pixels}
        {...LIMITS.softness}
        usual={[0, 20]}
        onChange={(softness, gesture) => set({ softness }, gesture)}
      />
      <HandTool
        icon={<Brush size={13} />}
        label="By hand"
        ways={[
          { value: 'out', label: 'Cut away' },
          { value: 'in', label: 'Keep' },
        ]}
        words={({ strength }) => (strength < 0 ? 'cuts away' : 'keeps')}
        strokes={cut.strokes}
        onRemove={(at) => set({ strokes: cut.strokes.filter((_, i) => i !== at) })}
      />
    </>
  );
}
