import { Select } from '../../../controls/select.tsx';
import { effectiveResolution, latticeOf, type Crop, type PictureContent } from '@brachytone/core';
import { cropToSheet, LIMITS, placeOnSheet, recrop } from '@brachytone/job';
import { Button } from '../../../controls/button.tsx';
import { DEGREES } from '../../../words/quantity.ts';
import { SliderRow } from '../../../controls/slider-row.tsx';
import { useAppDispatch, useAppSelector } from '../../../store/store.ts';
import { useFiles } from '../../../store/use-files.ts';
import { useDocument } from '../../../store/use-job.ts';
import { useEditOriginal, useTheOriginal } from '../../../store/use-original.ts';
import { showTable } from '../../../store/view-slice.ts';
import { bytesWords } from '../../../words/words.ts';
import { Fact, Group, ResetButton, Row } from '../group.tsx';
import { cropToRatio, RATIOS } from './crop-ratios.ts';
import { TakenAs } from './taken-as.tsx';
import { LineGroup } from './line-group.tsx';

const SHEETS_OWN = 'The sheet’s';

/** A picture's file, crop and effective resolution. */
export function PictureGroup() {
  const dispatch = useAppDispatch();
  const { recipe } = useDocument();
  const original = useTheOriginal();
  const change = useEditOriginal();
  const content = original.content as PictureContent;
  const file = useFiles().get(content.picture);
  const cropping = useAppSelector((state) => state.view.table === 'original');
  const ruling = Math.max(...recipe.plates.map(({ screen }) => latticeOf(screen)?.ruling ?? 0));
  const { crop } = content;
  if (!file) return null;
  const setCrop = (next: Crop, gesture: string | null = null) =>
    change('Crop', (draft) => void Object.assign(draft, recrop(original, recipe.sheet, file, next)), gesture);
  const ppi = effectiveResolution(crop, original.placement.width, file);
  return (
    <>
      <LineGroup ppi={ppi} />
      <Group
        name="Crop"
        aside={
          <ResetButton
            label="Fill the sheet"
            onClick={() =>
              change('Fill the sheet', (draft) => {
                const next = cropToSheet(recipe.sheet, file);
                (draft.content as { crop: Crop }).crop = next;
                draft.placement = placeOnSheet(recipe.sheet, file, next);
              })
            }
          />
        }
      >
        <Row label="Shape">
          <Select
            label="Shape of the crop"
            value=""
            options={[
              {
                value: '',
                name: `${Math.round(crop.width * file.width)} × ${Math.round(crop.height * file.height)} px`,
                disabled: true,
              },
              { value: SHEETS_OWN, name: SHEETS_OWN },
              ...RATIOS.map(({ name }) => ({ value: name, name })),
            ]}
            onChange={(chosen) => {
              const ratio = RATIOS.find(({ name }) => name === chosen);
              const shape = ratio?.ratio ?? recipe.sheet.width / recipe.sheet.height;
              setCrop(
                ratio?.ratio === 0
                  ? { x: 0, y: 0, width: 1, height: 1, turn: crop.turn }
                  : cropToRatio(crop, file, shape),
              );
            }}
          />
          <Button
            className="!h-6 !px-2"
            aria-pressed={cropping}
            onClick={() => dispatch(showTable(cropping ? 'proof' : 'original'))}
          >
            {cropping ? 'Done' : 'On the table'}
          </Button>
        </Row>
        <SliderRow
          label="Straighten"
          value={crop.turn}
          unit={DEGREES}
          {...LIMITS.angle}
          usual={[-15, 15]}
          onChange={(turn, gesture) => setCrop({ ...crop, turn }, gesture)}
        />
        <Fact label="Prints at">{ppi.toFixed(0)} ppi</Fact>
        <p className={ppi < ruling * 1.5 ? 'text-warn' : 'text-soft'}>
          {ruling === 0
            ? 'Screened without a ruling: finer than its spots, the picture gains nothing.'
            : ppi < ruling * 1.5
              ? `Fewer than 1.5 pixels for each line at ${ruling} lpi: detail will look soft.`
              : `${(ppi / ruling).toFixed(1)} pixels for each line at ${ruling} lpi: enough.`}
        </p>
      </Group>
      <Group name="File">
        <Fact label="Pixels">
          {file.width} × {file.height}
        </Fact>
        <Fact label="Kind">
          {file.facts.format}, {file.facts.colour}, {file.facts.bitsPerSample} bit
          {file.facts.alpha ? ', alpha' : ''}
        </Fact>
        <Fact label="Profile">
          {file.facts.profile ?? (file.facts.inks ? 'none, taken as usual inks' : 'none, taken as sRGB')}
        </Fact>
        {file.facts.colour === 'CMYK' && file.facts.profile !== null && <TakenAs file={file} />}
        <Fact label="Size">{bytesWords(file.byteLength)}</Fact>
      </Group>
    </>
  );
}
