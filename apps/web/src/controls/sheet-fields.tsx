import { LIMITS, SHEETS, sheetName } from '@brachytone/job';
import { MM } from '../words/quantity.ts';
import { Button } from './button.tsx';
import { NumberField } from './number-field.tsx';
import { Select } from './select.tsx';

interface Props {
  readonly sheet: { readonly width: number; readonly height: number };
  readonly onChange: (width: number, height: number) => void;
}

/** A sheet's size by its name, and the way to turn it. */
export function SheetName({ sheet: { width, height }, onChange }: Props) {
  const isUpright = height >= width;
  return (
    <>
      <Select
        label="Sheet size"
        value={sheetName(width, height) ?? ''}
        options={[
          { value: '', name: 'free', disabled: true },
          ...SHEETS.map(({ name }) => ({ value: name, name })),
        ]}
        onChange={(name) => {
          const found = SHEETS.find((one) => one.name === name);
          if (!found) return;
          if (isUpright) onChange(found.width, found.height);
          else onChange(found.height, found.width);
        }}
      />
      <Button className="!h-6 !px-2" onClick={() => onChange(height, width)}>
        Turn
      </Button>
    </>
  );
}

/** Its width and height, in any unit of length. */
export function SheetSides({ sheet: { width, height }, onChange }: Props) {
  const field = (label: string, value: number, set: (next: number) => void) => (
    <NumberField label={label} className="w-[86px]" value={value} unit={MM} {...LIMITS.side} onChange={set} />
  );
  return (
    <>
      {field('Sheet width', width, (next) => onChange(next, height))}
      {field('Sheet height', height, (next) => onChange(width, next))}
    </>
  );
}
