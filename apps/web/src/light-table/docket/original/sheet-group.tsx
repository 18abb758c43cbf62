import { refit, LIMITS } from '@brachytone/job';
import { SheetName, SheetSides } from '../../../controls/sheet-fields.tsx';
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
  return (
    <Group name="Sheet">
      <Row label="Size">
        <SheetName sheet={sheet} onChange={resize} />
      </Row>
      <Row label="Width, height">
        <SheetSides sheet={sheet} onChange={resize} />
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
