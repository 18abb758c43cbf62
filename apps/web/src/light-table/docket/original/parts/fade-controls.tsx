import { screenKind, type Fade, present } from '@brachytone/core';
import { Brush } from 'lucide-react';
import { Segmented } from '../../../../controls/segmented.tsx';
import { useEditOriginal, useOriginalPath, useTheOriginal } from '../../../../store/use-original.ts';
import { Row } from '../../group.tsx';
import { ScreenControls } from '../../screen-controls.tsx';
import { GradientControls } from '../gradient-controls.tsx';
import { HandTool } from './hand-tool.tsx';

export const fadeWords = ({ by, screen, soft }: Fade): string =>
  `${by === 'tone' ? 'by its tones' : 'gradient'}, ${soft ? 'soft' : screenKind(screen.kind).name.toLowerCase()}`;

/** The dots an original dissolves into. */
export function FadeControls() {
  const change = useEditOriginal();
  const { fade, content } = useTheOriginal();
  const set = (part: Partial<Fade>, gesture: string | null = null) =>
    change(
      'Fade',
      (draft) => void Object.assign(present(draft.fade, 'fade'), part),
      gesture && `fade-${gesture}`,
    );
  const path = useOriginalPath('fade', 'screen');
  if (!fade) return null;
  const hasTones = content.kind === 'picture' || content.kind === 'gradient';
  return (
    <>
      {hasTones && (
        <Row label="Fades by">
          <Segmented
            label="What the fade is made from"
            value={fade.by}
            options={[
              { value: 'gradient', label: 'Gradient', title: 'Kept where a gradient is dark' },
              { value: 'tone', label: 'Its tones', title: 'Kept where it is dark itself' },
            ]}
            onChange={(by) => set({ by })}
          />
        </Row>
      )}
      {fade.by === 'gradient' && (
        <GradientControls
          gradient={fade.gradient}
          limited={false}
          set={(part, gesture = null) =>
            change('Fade', (draft) => void Object.assign(present(draft.fade, 'fade').gradient, part), gesture)
          }
        />
      )}
      <div className="mt-2 mb-1.5 border-t border-edge/70" />
      {hasTones && (
        <Row label="Into">
          <Segmented
            label="What it dissolves into"
            value={fade.soft ? 'soft' : 'dots'}
            options={[
              { value: 'dots', label: 'Dots', title: 'Kept where the fade’s own dots are, with hard edges' },
              {
                value: 'soft',
                label: 'Soft',
                title: 'Its tones grow lighter; its plate’s dots show them',
              },
            ]}
            onChange={(into) => set({ soft: into === 'soft' })}
          />
        </Row>
      )}
      {!(hasTones && fade.soft) && (
        <ScreenControls
          screen={fade.screen}
          part
          path={path}
          set={(label, part, gesture = null) =>
            change(
              `${label} of the fade`,
              (draft) => void Object.assign(present(draft.fade, 'fade').screen, structuredClone(part)),
              gesture && `fade-${gesture}`,
            )
          }
        />
      )}
      <HandTool
        icon={<Brush size={13} />}
        label={hasTones && fade.soft ? 'By hand' : 'Dots'}
        ways={[
          { value: 'out', label: 'Paint out' },
          { value: 'in', label: 'Paint in' },
        ]}
        words={({ strength }) => (strength < 0 ? 'paints out' : 'paints in')}
        strokes={fade.strokes}
        onRemove={(at) => set({ strokes: fade.strokes.filter((_, i) => i !== at) })}
      />
    </>
  );
}
