import { filmFrame, greyLevels, MM_PER_INCH, spotOf, supercellFor, type Screen } from '@brachytone/core';
import { edit } from '../../store/job-slice.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useDocument } from '../../store/use-job.ts';
import { lengthWords, screenWords } from '../words.ts';
import { Fact, Group } from './group.tsx';
import { ScreenControls } from './screen-controls.tsx';

export function ScreensSummary() {
  const { plates } = useDocument().recipe;
  return <span className="truncate">{plates.map(({ screen }) => screenWords(screen)).join(', ')}</span>;
}

export function ScreensStage() {
  const dispatch = useAppDispatch();
  const { recipe } = useDocument();
  const alone = useAppSelector((state) => state.view.plate);
  const index = Math.max(
    0,
    recipe.plates.findIndex(({ id }) => id === alone),
  );
  const { screen } = recipe.plates[index];
  const set = (label: string, change: Partial<Screen>, gesture: string | null = null) =>
    dispatch(edit(label, (draft) => void Object.assign(draft.recipe.plates[index].screen, change), gesture));
  return (
    <>
      <Group name="Dot">
        <ScreenControls screen={screen} set={set} />
      </Group>
      <AsMade screen={screen} />
    </>
  );
}

/** What a screen comes to on this film: the cell, its greys, the smallest dot, and what can truly be made. */
function AsMade({ screen }: { screen: Screen }) {
  const { recipe } = useDocument();
  const { resolution } = filmFrame(recipe);
  const made = supercellFor(screen, resolution);
  const cell = resolution / screen.ruling;
  const greys = greyLevels(resolution, screen.ruling);
  const smallest = spotOf(screen.spot).size(screen.smallest / 100) * (MM_PER_INCH / screen.ruling);
  const line = screen.spot === 'line';
  return (
    <Group name="On this film">
      <Fact label="Cell">
        {cell.toFixed(1)} px · {lengthWords(MM_PER_INCH / screen.ruling)}
      </Fact>
      <Fact label="Greys">
        <span className={greys < 64 ? 'text-warn' : ''}>{greys.toLocaleString('en')}</span> a cell
      </Fact>
      <Fact label={line ? 'Thinnest line' : 'Least dot'}>
        {screen.smallest > 0 ? lengthWords(smallest) : 'one film pixel'}
      </Fact>
      <Fact label="Made at">
        {made.ruling.toFixed(2)} lpi · {made.angle.toFixed(2)}°
      </Fact>
      {cell < 2 && (
        <p className="mt-1 text-warn">
          Too fine for this film: a cell has fewer than 2 pixels across. Take a coarser ruling or more film
          resolution.
        </p>
      )}
    </Group>
  );
}
