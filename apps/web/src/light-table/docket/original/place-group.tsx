import { effectiveResolution, MM_PER_INCH, placedHeight, type OriginalRecipe } from '@brachytone/core';
import { LIMITS, placeWithin, printedArea } from '@brachytone/job';
import { FlipHorizontal2 } from 'lucide-react';
import { Button } from '../../../controls/button.tsx';
import { NumberField } from '../../../controls/number-field.tsx';
import { Select } from '../../../controls/select.tsx';
import { DEGREES, MM, PPI } from '../../../words/quantity.ts';
import { SliderRow } from '../../../controls/slider-row.tsx';
import { edit } from '../../../store/job-slice.ts';
import { useAppDispatch } from '../../../store/store.ts';
import { useDocument } from '../../../store/use-job.ts';
import { useFiles } from '../../../store/use-files.ts';
import { useEditOriginal, useTheOriginal } from '../../../store/use-original.ts';
import { Group, ResetButton, Row } from '../group.tsx';

/** Where an original lies on the sheet. */
export function PlaceGroup() {
  const dispatch = useAppDispatch();
  const original = useTheOriginal();
  const change = useEditOriginal();
  const { content, placement, id } = original;
  const { sheet, originals } = useDocument().recipe;
  const files = useFiles();
  const file = files.get(content.kind === 'picture' ? content.picture : '');
  if (content.kind === 'picture' && !file) return null;
  const height = placedHeight(original, file);
  const set = (part: Partial<typeof placement>, gesture: string | null = null) =>
    change('Place', (draft) => void Object.assign(draft.placement, part), gesture);
  const others = originals.filter((one) => one.id !== id);
  const within = (width: number) => Math.min(LIMITS.placed.most, Math.max(LIMITS.placed.least, width));
  /** Another width around the same middle. */
  const resize = (next: number) => {
    const width = within(next);
    const by = (placement.width - width) / 2;
    set({ width, x: placement.x + by, y: placement.y + (by * height) / placement.width });
  };
  const lay = (how: 'fill' | 'fit') => {
    const area = printedArea(sheet);
    const shape = placement.width / height;
    const wide =
      how === 'fill' ? Math.max(area.width, area.height * shape) : Math.min(area.width, area.height * shape);
    const width = within(wide);
    set({ width, turn: 0, x: (sheet.width - width) / 2, y: (sheet.height - width / shape) / 2 });
  };
  /** Into the middle of another one's box, as large as that allows. */
  const layOver = (other: OriginalRecipe) => {
    const picture = other.content.kind === 'picture' ? files.get(other.content.picture) : undefined;
    const high = placedHeight(other, picture);
    const { turn, ...box } = other.placement;
    const placed = placeWithin({ ...box, height: high }, placement.width / height);
    set({ ...placed, turn, mirrored: placement.mirrored });
  };
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
      <Row label="Lay it">
        <Button
          className="!h-6 !px-2"
          title="As large as the sheet with its bleed needs"
          onClick={() => lay('fill')}
        >
          Fill
        </Button>
        <Button className="!h-6 !px-2" title="As large as the sheet allows, whole" onClick={() => lay('fit')}>
          Fit
        </Button>
        {others.length > 0 && (
          <Select
            label="Same place as"
            value=""
            options={[
              { value: '', name: 'same place as…', disabled: true },
              ...others.map((one) => ({ value: one.id, name: one.name })),
            ]}
            onChange={(other) => {
              const found = others.find((one) => one.id === other);
              if (found) layOver(found);
            }}
          />
        )}
      </Row>
      {file && content.kind === 'picture' && (
        <Row label="Prints at">
          <NumberField
            label="Pixels per inch"
            className="w-[86px]"
            value={effectiveResolution(content.crop, placement.width, file)}
            unit={PPI}
            least={1}
            most={20_000}
            onChange={(ppi) => resize((content.crop.width * file.width * MM_PER_INCH) / ppi)}
          />
        </Row>
      )}
      <Row label="Left, top">
        {number('Left edge', placement.x, LIMITS.position, (x) => set({ x }))}
        {number('Top edge', placement.y, LIMITS.position, (y) => set({ y }))}
      </Row>
      <Row label="Width, height">
        {number('Width', placement.width, LIMITS.placed, (width) => set({ width }))}
        {number('Height', height, LIMITS.placed, (next) =>
          content.kind === 'gradient' || content.kind === 'tint'
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
          <FlipHorizontal2 size={13} /> {placement.mirrored ? 'Mirrored' : 'Not mirrored'}
        </Button>
      </Row>
    </Group>
  );
}
