import { placedHeight } from '@brachytone/core';
import { LIMITS } from '@brachytone/job';
import { FlipHorizontal2 } from 'lucide-react';
import { Button } from '../../../controls/button.tsx';
import { NumberField } from '../../../controls/number-field.tsx';
import { DEGREES, MM } from '../../../words/quantity.ts';
import { SliderRow } from '../../../controls/slider-row.tsx';
import { edit } from '../../../store/job-slice.ts';
import { useAppDispatch } from '../../../store/store.ts';
import { useFiles } from '../../../store/use-files.ts';
import { useEditOriginal, useTheOriginal } from '../../../store/use-original.ts';
import { Group, ResetButton, Row } from '../group.tsx';

/** Where an original lies on the sheet. */
export function PlaceGroup() {
  const dispatch = useAppDispatch();
  const original = useTheOriginal();
  const change = useEditOriginal();
  const { content, placement, id } = original;
  const file = useFiles().get(content.kind === 'picture' ? content.picture : '');
  if (content.kind === 'picture' && !file) return null;
  const height = placedHeight(original, file);
  const set = (part: Partial<typeof placement>, gesture: string | null = null) =>
    change('Place', (draft) => void Object.assign(draft.placement, part), gesture);
  const number = (
    label: string,
    value: number,
    limits: { least: number; most: number },
    onChange: (v: number) => void,
  ) => (
    <NumberField label={label} className="w-[86px]" value={value} unit={MM} {...limits} onChange={onChange} />
  );
  return (
    <Group
      name="Place"
      aside={
        <ResetButton
          label="Remove from the sheet"
          onClick={() =>
            dispatch(
              edit(`Remove ${original.name}`, (draft) => {
                draft.recipe.originals = draft.recipe.originals.filter((one) => one.id !== id);
              }),
            )
          }
        />
      }
    >
      <Row label="Left, top">
        {number('Left edge', placement.x, LIMITS.position, (x) => set({ x }))}
        {number('Top edge', placement.y, LIMITS.position, (y) => set({ y }))}
      </Row>
      <Row label="Width, height">
        {number('Width', placement.width, LIMITS.placed, (width) => set({ width }))}
        {number('Height', height, LIMITS.placed, (next) =>
          content.kind === 'gradient'
            ? change('Height', (draft) => {
                (draft.content as { ratio: number }).ratio = Math.min(
                  LIMITS.ratio.most,
                  Math.max(LIMITS.ratio.least, next / placement.width),
                );
              })
            : set({ width: (placement.width * next) / height }),
        )}
      </Row>
      <SliderRow
        label="Turn"
        value={placement.turn}
        unit={DEGREES}
        {...LIMITS.angle}
        onChange={(turn, gesture) => set({ turn }, gesture)}
      />
      <Row label="Mirror">
        <Button
          className="!h-6 !px-2"
          aria-pressed={placement.mirrored}
          onClick={() => set({ mirrored: !placement.mirrored })}
        >
          <FlipHorizontal2 size={13} /> {placement.mirrored ? 'Mirrored' : 'As it is'}
        </Button>
      </Row>
    </Group>
  );
}
