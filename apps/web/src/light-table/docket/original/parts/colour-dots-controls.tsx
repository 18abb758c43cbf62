import { screenKind, SPOTS, type ColourDots, present } from '@brachytone/core';
import { LIMITS } from '@brachytone/job';
import { Download } from 'lucide-react';
import { Button } from '../../../../controls/button.tsx';
import { PERCENT, WHOLE } from '../../../../words/quantity.ts';
import { Segmented } from '../../../../controls/segmented.tsx';
import { SliderRow } from '../../../../controls/slider-row.tsx';
import { useEditOriginal, useOriginalPath, useTheOriginal } from '../../../../store/use-original.ts';
import { FieldRow } from '../../field-row.tsx';
import { Row } from '../../group.tsx';
import { MotifRow } from '../../motif-row.tsx';
import { SHAPE_CHOICES, SwatchChoice } from '../../swatch-choice.tsx';
import { useTakeFile } from './use-take-file.ts';

export const colourDotsWords = ({ spot, ruling, by }: ColourDots): string =>
  `${present(
    SPOTS.find(({ id }) => id === spot),
    'dot shape',
  ).name.toLowerCase()}, ${ruling} lpi${by === 'tone' ? ', by tone' : ''}`;

const { ruling, angle, aspect } = screenKind('dots').fields;

/** Flat dots in an original's own colours. */
export function ColourDotsControls() {
  const change = useEditOriginal();
  const { id, name, colourDots } = useTheOriginal();
  const path = useOriginalPath('colourDots');
  const { busy, take } = useTakeFile();
  if (!colourDots) return null;
  const set = (label: string, part: Partial<ColourDots>, gesture: string | null = null) =>
    change(
      label,
      (draft) => void Object.assign(present(draft.colourDots, 'dots of colour'), part),
      gesture && `dots-${gesture}`,
    );
  const settings = { ...colourDots };
  return (
    <>
      <SwatchChoice
        label="Shape of the colour dots"
        value={colourDots.spot}
        choices={SHAPE_CHOICES}
        tones={[24, 64]}
        mark={33}
        onPick={(spot) => set('Dot shape', { spot })}
      />
      {colourDots.spot === 'motif' && (
        <MotifRow name="motif" value={colourDots.motif} set={(label, part) => set(label, part)} />
      )}
      {Object.entries({ ruling, angle, aspect }).map(([field, described]) => (
        <FieldRow key={field} name={field} field={described} settings={settings} path={path} set={set} />
      ))}
      <Row label="Size">
        <Segmented
          label="Size of the colour dots"
          value={colourDots.by}
          options={[
            { value: 'even', label: 'All alike' },
            { value: 'tone', label: 'By tone', title: 'Larger where the picture is darker' },
          ]}
          onChange={(by) => set('Size of the dots', { by })}
        />
      </Row>
      <SliderRow
        label={colourDots.by === 'tone' ? 'Largest' : 'Coverage'}
        value={colourDots.size}
        unit={PERCENT}
        least={1}
        most={100}
        path={[...path, 'size']}
        onChange={(size, gesture) => set('Size of the dots', { size }, gesture)}
      />
      <SliderRow
        label="One colour for"
        value={colourDots.coarse}
        unit={WHOLE}
        {...LIMITS.shared}
        usual={[1, 8]}
        path={[...path, 'coarse']}
        onChange={(coarse, gesture) => set('Dots of one colour', { coarse: Math.round(coarse) }, gesture)}
      />
      <p className="text-soft">
        {colourDots.coarse === 1
          ? 'Every dot has a colour of its own.'
          : `${colourDots.coarse} × ${colourDots.coarse} dots share a colour.`}{' '}
        Shown as the original, and made as a file; plates print its tones as before.
      </p>
      <Row label="As geometry">
        <Button
          className="!h-6 !px-2"
          disabled={busy}
          onClick={() => take(`originals/${id}/colour-dots.svg`, name, 'svg')}
        >
          <Download size={13} /> {busy ? 'Making it…' : 'SVG'}
        </Button>
      </Row>
    </>
  );
}
