import { effectiveResolution } from '@brachytone/core';
import { cropToSheet, LIMITS, placeOnSheet, sheetName, SHEETS } from '@brachytone/job';
import { useEffect } from 'react';
import { Button } from '../../controls/button.tsx';
import { NumberField } from '../../controls/number-field.tsx';
import { DPI, MM } from '../../controls/quantity.ts';
import { SliderRow } from '../../controls/slider-row.tsx';
import { useOriginalQuery } from '../../store/api.ts';
import { edit } from '../../store/job-slice.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useDocument } from '../../store/use-job.ts';
import { showTable } from '../../store/view-slice.ts';
import { bytesWords, shortSheet } from '../words.ts';
import { Fact, Group, ResetButton, Row } from './group.tsx';

function useOriginal() {
  const { recipe } = useDocument();
  const original = recipe.originals[0];
  const { data } = useOriginalQuery(original.picture);
  return { recipe, original, data };
}

export function OriginalSummary() {
  const { recipe, original, data } = useOriginal();
  return (
    <span className="truncate">
      {shortSheet(recipe.sheet)}
      {data ? ` · ${Math.round(effectiveResolution(original, data))} ppi` : ''}
    </span>
  );
}

export function OriginalStage() {
  const dispatch = useAppDispatch();
  const { recipe, original, data } = useOriginal();
  const table = useAppSelector((state) => state.view.table);
  // Left for another stage, the crop is done.
  useEffect(
    () => () => {
      dispatch(showTable('proof'));
    },
    [dispatch],
  );
  const { sheet } = recipe;
  const resize = (width: number, height: number) =>
    dispatch(
      edit('Sheet size', (draft) => {
        draft.recipe.sheet.width = width;
        draft.recipe.sheet.height = height;
        if (!data) return;
        const crop = cropToSheet({ width, height }, data);
        draft.recipe.originals[0].crop = crop;
        draft.recipe.originals[0].placement = placeOnSheet({ width, height }, data, crop);
      }),
    );
  const takeName = (name: string) => {
    const found = SHEETS.find((one) => one.name === name);
    if (!found) return;
    const upright = sheet.height >= sheet.width;
    resize(upright ? found.width : found.height, upright ? found.height : found.width);
  };
  const ppi = data ? effectiveResolution(original, data) : undefined;
  const ruling = Math.max(...recipe.plates.map(({ screen }) => screen.ruling));
  return (
    <>
      <Group name="File">
        <p className="truncate" title={original.name}>
          {original.name}
        </p>
        {data && (
          <>
            <Fact label="Pixels">
              {data.width} × {data.height}
            </Fact>
            <Fact label="Kind">
              {data.facts.format}, {data.facts.colour}, {data.facts.bitsPerSample} bit
              {data.facts.alpha ? ', alpha' : ''}
            </Fact>
            <Fact label="Profile">{data.facts.profile ?? 'none, taken as sRGB'}</Fact>
            <Fact label="Size">{bytesWords(data.byteLength)}</Fact>
          </>
        )}
      </Group>
      <Group name="Sheet">
        <Row label="Size">
          <select
            aria-label="Sheet size"
            className="h-6 grow rounded-sm border border-edge bg-white px-1 hover:border-soft"
            value={sheetName(sheet.width, sheet.height) ?? ''}
            onChange={(event) => takeName(event.target.value)}
          >
            <option value="" disabled>
              free
            </option>
            {SHEETS.map(({ name }) => (
              <option key={name}>{name}</option>
            ))}
          </select>
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
      <Group
        name="Crop"
        aside={
          data && (
            <ResetButton
              label="Fill the sheet"
              onClick={() => {
                const crop = cropToSheet(sheet, data);
                dispatch(
                  edit('Crop', (draft) => {
                    draft.recipe.originals[0].crop = crop;
                    draft.recipe.originals[0].placement = placeOnSheet(sheet, data, crop);
                  }),
                );
              }}
            />
          )
        }
      >
        {data && (
          <Fact label="Keeps">
            {Math.round(original.crop.width * data.width)} × {Math.round(original.crop.height * data.height)}{' '}
            px
          </Fact>
        )}
        {ppi !== undefined && (
          <>
            <Fact label="Prints at">{ppi.toFixed(0)} ppi</Fact>
            <p className={ppi < ruling * 1.5 ? 'mt-1 text-warn' : 'mt-1 text-soft'}>
              {ppi < ruling * 1.5
                ? `Fewer than 1.5 pixels for each line at ${ruling} lpi: detail will look soft.`
                : `${(ppi / ruling).toFixed(1)} pixels for each line at ${ruling} lpi: enough.`}
            </p>
          </>
        )}
        <Button
          className="mt-2 w-full justify-center"
          aria-pressed={table === 'original'}
          onClick={() => dispatch(showTable(table === 'original' ? 'proof' : 'original'))}
        >
          {table === 'original' ? 'Done cropping' : 'Crop on the table'}
        </Button>
      </Group>
    </>
  );
}
