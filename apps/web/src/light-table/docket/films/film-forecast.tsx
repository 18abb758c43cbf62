import { filmFormat, filmLayout } from '@brachytone/core';
import { filmsOf } from '@brachytone/job';
import { useDocument } from '../../../store/use-job.ts';
import { areaWords, bytesWords } from '../../../words/words.ts';
import { Fact } from '../group.tsx';
import { useTold } from './use-told.ts';

/** What will be made: sheets of film, their files and the ink on them. */
export function FilmForecastFacts() {
  const document = useDocument();
  const { films, recipe } = document;
  const { id } = filmFormat(films.format);
  const packing = id === 'png' || id === 'tiff-deflate' ? 'deflate' : 'group4';
  const told = useTold(packing, (worker, of, plates) => worker.filmForecast(of, plates, packing));
  const { mm } = filmLayout(recipe);
  const sheets = filmsOf(document).flatMap(({ plates }) => plates).length;
  if (sheets === 0) return null;
  const side = (length: number) => Number(length.toFixed(1));
  return (
    <>
      <Fact label="Film">
        {sheets === 1 ? '' : `${sheets} × `}
        {side(mm.width)} × {side(mm.height)} mm, {areaWords(sheets * mm.width * mm.height)}
      </Fact>
      <Fact label="Files">{told ? `about ${bytesWords(told.bytes)}` : 'weighing…'}</Fact>
      <Fact label="Ink">{told ? areaWords(told.ink) : 'counting…'}</Fact>
    </>
  );
}
