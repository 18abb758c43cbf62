import { Select } from '../../../../controls/select.tsx';
import { present, type Mix } from '@brachytone/core';
import { LIMITS } from '@brachytone/job';
import { PERCENT } from '../../../../words/quantity.ts';
import { blendOptions, MIX_BLEND_NAMES } from '../../../../words/blend-names.ts';
import { useLengthUnits } from '../../../../store/use-length-unit.ts';
import { SliderRow } from '../../../../controls/slider-row.tsx';
import { useEditOriginal, useOriginalPath, useTheOriginal } from '../../../../store/use-original.ts';
import { Row } from '../../group.tsx';
import { ScreenControls } from '../../screen-controls.tsx';

const BLEND_OPTIONS = blendOptions(MIX_BLEND_NAMES);

export const mixWords = ({ blend, strength }: Mix): string =>
  `${MIX_BLEND_NAMES[blend].toLowerCase()}, ${strength} %`;

/** Dots of an original's own, laid over its smooth tones before these are screened. */
export function MixControls() {
  const change = useEditOriginal();
  const mix = present(useTheOriginal().mix, 'mix');
  const path = useOriginalPath('mix');
  const { mm } = useLengthUnits();
  const set = (part: Partial<Mix>, gesture: string | null = null) =>
    change(
      'Mix',
      (draft) => void Object.assign(present(draft.mix, 'mix'), part),
      gesture && `mix-${gesture}`,
    );
  return (
    <>
      <Row label="Blend">
        <Select
          label="Blend"
          value={mix.blend}
          options={BLEND_OPTIONS}
          onChange={(blend) => set({ blend })}
        />
      </Row>
      <SliderRow
        label="Strength"
        value={mix.strength}
        unit={PERCENT}
        least={0}
        most={100}
        path={[...path, 'strength']}
        onChange={(strength, gesture) => set({ strength }, gesture)}
      />
      <SliderRow
        label="Soft edges"
        value={mix.softness ?? 0}
        unit={mm}
        {...LIMITS.mixSoft}
        usual={[0, 2]}
        path={[...path, 'softness']}
        onChange={(softness, gesture) => set({ softness }, gesture)}
      />
      {mix.blend === 'two-levels' && !mix.softness && (
        <p className="text-soft">Give its dots soft edges, and the picture makes them swell and shrink.</p>
      )}
      <div className="mt-1 mb-1.5 border-t border-edge/70" />
      <ScreenControls
        screen={mix.screen}
        part
        path={[...path, 'screen']}
        set={(label, part, gesture = null) =>
          change(
            `${label} of the mix`,
            (draft) => void Object.assign(present(draft.mix, 'mix').screen, structuredClone(part)),
            gesture && `mix-${gesture}`,
          )
        }
      />
    </>
  );
}
