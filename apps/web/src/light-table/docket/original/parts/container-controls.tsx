import { present, type Container } from '@brachytone/core';
import { LIMITS } from '@brachytone/job';
import { Dices } from 'lucide-react';
import { useRef } from 'react';
import { toast } from 'sonner';
import { Button } from '../../../../controls/button.tsx';
import { useLengthUnits } from '../../../../store/use-length-unit.ts';
import { Segmented } from '../../../../controls/segmented.tsx';
import { SliderRow } from '../../../../controls/slider-row.tsx';
import { sentenceOf, useAddOriginalMutation } from '../../../../store/api.ts';
import { useEditOriginal, useTheOriginal } from '../../../../store/use-original.ts';
import { Row } from '../../group.tsx';

/** A torn edge as it begins. */
const TORN = { depth: 0, grain: 4, seed: 1 };

const NAMES = { rectangle: 'rectangle', ellipse: 'ellipse', path: 'own shape' };

export const containerWords = ({ shape, margin, edge, feather, torn }: Container): string =>
  [
    NAMES[shape],
    ...(margin === 0 ? [] : [`${margin > 0 ? '+' : '−'}${Math.abs(margin)} mm`]),
    ...(torn && torn.depth > 0 ? ['torn'] : []),
    feather > 0 ? 'feathered' : edge === 'whole' ? 'whole dots' : 'cut',
  ].join(', ');

/** The shape an original is seen in, and what becomes of the dots at its edge. */
export function ContainerControls() {
  const { largeMm } = useLengthUnits();
  const change = useEditOriginal();
  const container = present(useTheOriginal().container, 'container');
  const chooser = useRef<HTMLInputElement>(null);
  const [addOriginal] = useAddOriginalMutation();
  const set = (part: Partial<Container>, gesture: string | null = null) =>
    change('Container', (draft) => void Object.assign(present(draft.container, 'container'), part), gesture);
  const bring = async (file: File) => {
    try {
      const { sha256, kind } = await addOriginal(file).unwrap();
      if (kind === 'drawing') set({ shape: 'path', path: sha256 });
      else toast.error(`“${file.name}” is not line art. A shape of your own comes from an SVG file.`);
    } catch (error) {
      toast.error(`“${file.name}”: ${sentenceOf(error)}`);
    }
  };
  return (
    <>
      <input
        ref={chooser}
        type="file"
        hidden
        accept=".svg,image/svg+xml"
        aria-label="Choose a shape"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) void bring(file);
          event.target.value = '';
        }}
      />
      <Segmented
        label="Shape of the container"
        value={container.shape}
        wide
        options={[
          { value: 'rectangle', label: 'Rectangle' },
          { value: 'ellipse', label: 'Ellipse' },
          { value: 'path', label: 'Own shape', title: 'The dark shapes of an SVG file' },
        ]}
        onChange={(shape) =>
          shape === 'path' && container.path === null ? chooser.current?.click() : set({ shape })
        }
      />
      {container.shape === 'path' && (
        <Row label="From">
          <Button className="!h-6 !px-2" onClick={() => chooser.current?.click()}>
            Another SVG file…
          </Button>
        </Row>
      )}
      <div className="h-1" />
      <SliderRow
        label="Margin"
        value={container.margin}
        unit={largeMm}
        {...LIMITS.margin}
        usual={[-20, 20]}
        onChange={(margin, gesture) => set({ margin }, gesture)}
      />
      <SliderRow
        label="Feather"
        value={container.feather}
        unit={largeMm}
        {...LIMITS.soft}
        usual={[0, 40]}
        onChange={(feather, gesture) => set({ feather }, gesture)}
      />
      <SliderRow
        label="Torn edge"
        value={container.torn?.depth ?? 0}
        unit={largeMm}
        {...LIMITS.tornDepth}
        usual={[0, 20]}
        onChange={(depth, gesture) => set({ torn: { ...TORN, ...container.torn, depth } }, gesture)}
      />
      {container.torn && container.torn.depth > 0 && (
        <>
          <SliderRow
            label="Tear size"
            value={container.torn.grain}
            unit={largeMm}
            {...LIMITS.tornGrain}
            usual={[0.5, 30]}
            ratio
            onChange={(grain, gesture) => set({ torn: { ...TORN, ...container.torn, grain } }, gesture)}
          />
          <Row label="Variation">
            <span className="figures text-soft">no. {container.torn.seed}</span>
            <Button
              className="!h-6 !px-2"
              onClick={() =>
                set({ torn: { ...TORN, ...container.torn, seed: (container.torn?.seed ?? 0) + 1 } })
              }
            >
              <Dices size={13} /> Another
            </Button>
          </Row>
        </>
      )}
      {container.feather === 0 && (
        <Row label="Edge dots">
          <Segmented
            label="Dots at the edge"
            value={container.edge}
            options={[
              { value: 'cut', label: 'Cut', title: 'Cut through exactly at the edge' },
              {
                value: 'whole',
                label: 'Whole',
                title: 'Only dots whose middle lies inside, and those whole',
              },
            ]}
            onChange={(edge) => set({ edge })}
          />
        </Row>
      )}
    </>
  );
}
