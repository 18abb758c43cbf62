import {
  inkOf,
  filmFrame,
  greyLevels,
  latticeOf,
  MM_PER_INCH,
  screenGridOf,
  screenKind,
  type Screen,
  present,
} from '@brachytone/core';
import { edit } from '../../store/job-slice.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useDocument } from '../../store/use-job.ts';
import { withScreenChange } from '@brachytone/job';
import { SwitchRow } from '../../controls/switch-row.tsx';
import { alikeSet, showPlate } from '../../store/view-slice.ts';
import { lengthWords, screenWords } from '../../words/words.ts';
import { Fact, Group } from './group.tsx';
import { AngleSets } from './angle-sets.tsx';
import { InkChip } from './inks/ink-chip.tsx';
import { KeepScreen, ScreenShelf } from './screen-shelf.tsx';
import { ScreenControls, type SetScreen } from './screen-controls.tsx';

export function ScreensSummary() {
  const { plates } = useDocument().recipe;
  return <span className="truncate">{plates.map(({ screen }) => screenWords(screen)).join(', ')}</span>;
}

/** The plate whose screen is worked on: the one shown alone, or the first. */
export function useScreenPlate(): number {
  const { plates } = useDocument().recipe;
  const alone = useAppSelector((state) => state.view.plate);
  return Math.max(
    0,
    plates.findIndex(({ id }) => id === alone),
  );
}

export function ScreensStage() {
  const dispatch = useAppDispatch();
  const { recipe } = useDocument();
  const index = useScreenPlate();
  const alike = useAppSelector((state) => state.view.alike);
  const { screen } = recipe.plates[index];
  const set: SetScreen = (label, change, gesture = null) =>
    dispatch(
      edit(
        label,
        (draft) => {
          const plates = withScreenChange(recipe.plates, index, alike, structuredClone(change));
          plates.forEach((plate, i) => {
            if (plate !== recipe.plates[i]) draft.recipe.plates[i].screen = plate.screen;
          });
        },
        gesture,
      ),
    );
  return (
    <>
      {recipe.plates.length > 1 && <PlatePicker index={index} />}
      {recipe.plates.length > 1 && <AngleSets />}
      <ScreenShelf take={(name, taken) => set(`Screen “${name}”`, taken)} />
      <ScreenControls screen={screen} path={['recipe', 'plates', index, 'screen']} set={set} />
      <p className="mt-1 text-soft">{screenKind(screen.kind).says}</p>
      <AsMade screen={screen} />
      <KeepScreen screen={screen} />
    </>
  );
}

/** Whose screen it is, where there are several plates. */
function PlatePicker({ index }: { index: number }) {
  const dispatch = useAppDispatch();
  const { plates, inks } = useDocument().recipe;
  const alike = useAppSelector((state) => state.view.alike);
  const others = plates.filter((_, i) => i !== index);
  const ticked = others.filter(({ id }) => alike.includes(id));
  const together = ticked.length > 0;
  return (
    <div className="mb-2.5">
      <div role="radiogroup" aria-label="Plate" className="flex flex-wrap gap-1.5">
        {plates.map(({ id, ink }, i) => {
          const found = inkOf(inks, ink);
          return (
            <button
              key={id}
              type="button"
              role="radio"
              aria-checked={i === index}
              onClick={() => dispatch(showPlate(id))}
              className={`flex h-7 items-center gap-1.5 rounded-sm border bg-raised px-2 ${i === index ? 'border-ink bg-white' : 'border-edge hover:border-soft'}`}
            >
              <InkChip ink={found} /> {found.name}
            </button>
          );
        })}
      </div>
      <SwitchRow
        label="Set all plates alike"
        title="Kind, shape, ruling, limits; angles stay apart"
        on={together}
        onChange={(on) => dispatch(alikeSet(on ? plates.map(({ id }) => id) : []))}
      />
      {together && plates.length > 2 && (
        <div role="group" aria-label="Plates set with this one" className="flex flex-wrap gap-x-3 gap-y-1">
          {others.map(({ id, ink }) => (
            <label key={id} className="flex items-center gap-1.5">
              <input
                type="checkbox"
                className="accent-ink"
                checked={alike.includes(id)}
                onChange={(event) =>
                  dispatch(
                    alikeSet(event.target.checked ? [...alike, id] : alike.filter((one) => one !== id)),
                  )
                }
              />
              {inkOf(inks, ink).name}
            </label>
          ))}
        </div>
      )}
    </div>
  );
}

/** What a screen comes to on this film: the cell, its greys, the smallest mark, and what can truly be made. */
function AsMade({ screen }: { screen: Screen }) {
  const { recipe } = useDocument();
  const { resolution } = filmFrame(recipe);
  const lattice = latticeOf(screen);
  const { times, frame } = screenGridOf(screen, filmFrame(recipe));
  const pixel = MM_PER_INCH / resolution;
  return (
    <Group name="On this film">
      {times > 1 && (
        <Fact label="Each spot">
          {times} × {times} px · {lengthWords(times * pixel)}
        </Fact>
      )}
      {lattice ? (
        <LatticeFacts screen={screen} resolution={frame.resolution} />
      ) : (
        times === 1 && <Fact label="Film pixel">{lengthWords(pixel)}</Fact>
      )}
    </Group>
  );
}

function LatticeFacts({ screen, resolution }: { screen: Screen; resolution: number }) {
  const lattice = present(latticeOf(screen), 'lattice');
  const cell = resolution / lattice.ruling;
  const greys = greyLevels(resolution, lattice.ruling);
  const made = lattice.supercell?.(resolution);
  return (
    <>
      <Fact label="Cell">
        {cell.toFixed(1)} px · {lengthWords(MM_PER_INCH / lattice.ruling)}
      </Fact>
      <Fact label="Greys">
        <span className={greys < 64 ? 'text-warn' : ''}>{greys.toLocaleString('en')}</span> a cell
      </Fact>
      <Fact label={lattice.mark === 'line' ? 'Thinnest line' : 'Least dot'}>
        {screen.smallest > 0 ? lengthWords(lattice.size(screen.smallest / 100)) : 'one film pixel'}
      </Fact>
      <Fact label="At 50 %">{lengthWords(lattice.size(0.5))}</Fact>
      {made && (
        <Fact label="Made at">
          {made.ruling.toFixed(2)} lpi · {made.angle.toFixed(2)}°
        </Fact>
      )}
      {cell < 2 && (
        <p className="mt-1 text-warn">
          Too fine for this film: a cell has fewer than 2 pixels across. Take a coarser ruling or more film
          resolution.
        </p>
      )}
    </>
  );
}
