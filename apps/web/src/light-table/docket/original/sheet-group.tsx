import { Select } from '../../../controls/select.tsx';
import { refit, sheetName, SHEETS, LIMITS } from '@brachytone/job';
import { Button } from '../../../controls/button.tsx';
import { NumberField } from '../../../controls/number-field.tsx';
import { DPI, MM } from '../../../words/quantity.ts';
import { SliderRow } from '../../../controls/slider-row.tsx';
import { edit } from '../../../store/job-slice.ts';
import { useAppDispatch } from '../../../store/store.ts';
import { useFiles } from '../../../store/use-files.ts';
import { useDocument } from '../../../store/use-job.ts';
import { Group, Row } from '../group.tsx';

/** The sheet's size and the resolution its films are made at. */
export function SheetGroup() {
  const dispatch = useAppDispatch();
  const files = useFiles();
  const { sheet } = useDocument().recipe;
  const resize = (width: number, height: number, bleed = sheet.bleed) =>
    dispatch(
      edit('Sheet size', (draft) => {
        const { recipe } = draft;
        const after = { width, height, bleed };
        recipe.originals = refit(recipe.originals, recipe.sheet, after, files) as never;
        Object.assign(recipe.sheet, after);
      }),
    );
  const takeName = (name: string) => {
    const found = SHEETS.find((one) => one.name === name);
    if (!found) return;
    const upright = sheet.height >= sheet.width;
    resize(upright ? found.width : found.height, upright ? found.height : found.width);
  };
  return (
    <Group name="Sheet">
      <Row label="Size">
        <Select
          label="Sheet size"
          value={sheetName(sheet.width, sheet.height) ?? ''}
          options={[
            { value: '', name: 'free', disabled: true },
            ...SHEETS.map(({ name }) => ({ value: name, name })),
          ]}
          onChange={takeName}
        />
        <Button className="!h-6 !px-2" onClick={() => resize(sheet.height, sheet.width)}>
          Turn
        </Button>
      </Row>
      <Row label="Width, height">
        <NumberField
          label="Sheet width"
          className="w-[86px]"
          value={sheet.width}
          unit={MM}
          {...LIMITS.side}
          onChange={(width) => resize(width, sheet.height)}
        />
        <NumberField
          label="Sheet height"
          className="w-[86px]"
          value={sheet.height}
          unit={MM}
          {...LIMITS.side}
          onChange={(height) => resize(sheet.width, height)}
        />
      </Row>
      <Row label="Bleed">
        <NumberField
          label="Bleed"
          className="w-[86px]"
          value={sheet.bleed}
          unit={MM}
          {...LIMITS.bleed}
          onChange={(bleed) => resize(sheet.width, sheet.height, bleed)}
        />
      </Row>
      <SliderRow
        label="Film"
        value={sheet.resolution}
        unit={DPI}
        {...LIMITS.resolution}
        usual={[150, 2400]}
        ratio
        onChange={(resolution, gesture) =>
          dispatch(
            edit('Film resolution', (draft) => void (draft.recipe.sheet.resolution = resolution), gesture),
          )
        }
      />
    </Group>
  );
}
