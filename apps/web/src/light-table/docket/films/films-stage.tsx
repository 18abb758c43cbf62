import { FILM_FORMATS, filmFormat, filmLayout, frameOf, latticeOf, vectorManner } from '@brachytone/core';
import { filmsOf, isTogether, LIMITS } from '@brachytone/job';
import { useEffect, useRef } from 'react';
import { Button } from '../../../controls/button.tsx';
import { PIXELS, PPI } from '../../../words/quantity.ts';
import { Segmented } from '../../../controls/segmented.tsx';
import { Select } from '../../../controls/select.tsx';
import { SwitchRow } from '../../../controls/switch-row.tsx';
import { SliderRow } from '../../../controls/slider-row.tsx';
import { RunCard } from '../../../runs/run-card.tsx';
import { skipToken } from '@reduxjs/toolkit/query';
import { useRunsQuery } from '../../../store/api.ts';
import { edit } from '../../../store/job-slice.ts';
import { useAppDispatch, useAppSelector } from '../../../store/store.ts';
import { useDocument } from '../../../store/use-job.ts';
import { bytesWords, secondsWords } from '../../../words/words.ts';
import { useMakeFilms } from '../../use-make-films.ts';
import { Fact, Group, ResetButton, Row } from '../group.tsx';
import { AllMissingLetters } from '../missing-letters.tsx';
import { FilmForecastFacts } from './film-forecast.tsx';
import { MarksGroup } from './marks-group.tsx';
import { PanelsGroup } from './panels-group.tsx';
import { PictureGroup } from './picture-group.tsx';
import { SendGroup } from './send-group.tsx';
import { useVectorSize } from './use-vector-size.ts';

const FORMATS = FILM_FORMATS.map(({ id, name }) => ({ value: id, name }));

export function FilmsSummary() {
  const document = useDocument();
  const { films } = document;
  const { length } = filmsOf(document);
  const noun = isTogether(document) ? 'file' : length === 1 ? 'film' : 'films';
  const format = filmFormat(films.format);
  const turned = [films.mirrored ? 'mirrored' : '', films.negative ? 'negative' : ''];
  return (
    <span className="truncate">
      {[
        `${length} ${noun}`,
        format.ending === 'tif' ? 'TIFF' : format.name,
        ...(format.made === 'bits' ? turned : []),
      ]
        .filter(Boolean)
        .join(' · ')}
    </span>
  );
}

export function FilmsStage() {
  const dispatch = useAppDispatch();
  const { films, recipe } = useDocument();
  const jobId = useAppSelector((state) => state.job?.id);
  const { made, says, id } = filmFormat(films.format);
  const [makeFilms, starting] = useMakeFilms();
  const { data: runs = [], refetch } = useRunsQuery(
    jobId === undefined ? skipToken : { most: 20, job: jobId },
  );
  const savedChanges = useAppSelector((state) => state.job?.savedChanges);
  const saved = useRef(savedChanges);
  useEffect(() => {
    // Runs tell whether their job has changed since.
    if (saved.current !== savedChanges && jobId !== undefined) void refetch();
    saved.current = savedChanges;
  }, [savedChanges, refetch, jobId]);
  const mine = runs.filter((run) => !run.isGang).slice(0, 3);
  return (
    <>
      <Group name="File">
        <div className="flex">
          <Select
            label="File kind"
            value={films.format}
            options={FORMATS}
            onChange={(format) => dispatch(edit('File kind', (draft) => void (draft.films.format = format)))}
          />
        </div>
        <p className="mt-1.5 text-soft">{says}.</p>
        {made === 'geometry' && <GeometryFacts />}
        {made === 'bits' && <BitsFacts />}
        {made === 'tones' && <TonesFacts />}
      </Group>
      {made === 'bits' && <Emulsion />}
      {id !== 'tiff-tones' && <MarksGroup />}
      <PanelsGroup />
      <AllMissingLetters originals={recipe.originals} />
      <Button
        kind="main"
        className="mt-4 w-full justify-center"
        disabled={starting}
        onClick={() => makeFilms()}
      >
        Make films
      </Button>
      {mine.map((run) => (
        <div key={run.id} className="mt-3 border-t border-edge/70 pt-3">
          <RunCard run={run} />
        </div>
      ))}
      <PictureGroup />
      <SendGroup />
    </>
  );
}

/** What a file of the films' own bits will hold. */
function BitsFacts() {
  const dispatch = useAppDispatch();
  const { films, recipe } = useDocument();
  const { width, height } = filmLayout(recipe);
  const { id } = filmFormat(films.format);
  return (
    <>
      <Fact label="Bits">
        {width} × {height} px
      </Fact>
      <FilmForecastFacts />
      {id === 'pdf-films' && (
        <Row label="Pages">
          <Segmented
            label="Pages"
            value={films.pages}
            options={[
              { value: 'composite', label: 'One', title: 'All plates over one another, overprinting' },
              { value: 'plates', label: 'One a plate' },
            ]}
            onChange={(pages) => dispatch(edit('Pages', (draft) => void (draft.films.pages = pages)))}
          />
        </Row>
      )}
      <TogetherRow />
    </>
  );
}

/** Whether plates share a file, where there is a choice. */
function TogetherRow() {
  const dispatch = useAppDispatch();
  const { films, recipe } = useDocument();
  const { holds } = filmFormat(films.format);
  if (recipe.plates.length < 2 || holds.length < 2) return null;
  return (
    <SwitchRow
      label="All plates in one file"
      on={films.together}
      onChange={(together) =>
        dispatch(
          edit(together ? 'One file' : 'A file each', (draft) => void (draft.films.together = together)),
        )
      }
    />
  );
}

/** What a file of tones will hold. */
function TonesFacts() {
  const dispatch = useAppDispatch();
  const { films, recipe } = useDocument();
  const { width, height } = frameOf(recipe.sheet, films.ppi);
  return (
    <>
      <SliderRow
        label="Resolution"
        value={films.ppi}
        unit={PPI}
        {...LIMITS.ppi}
        usual={[100, 600]}
        onChange={(ppi, gesture) =>
          dispatch(edit('Resolution of tones', (draft) => void (draft.films.ppi = ppi), gesture))
        }
      />
      {films.format === 'tiff-tones' && (
        <Row label="Depth">
          <Segmented
            label="Depth"
            value={String(films.depth)}
            options={[
              { value: '8', label: '8 bits' },
              { value: '16', label: '16 bits' },
            ]}
            onChange={(depth) =>
              dispatch(edit('Depth', (draft) => void (draft.films.depth = depth === '16' ? 16 : 8)))
            }
          />
        </Row>
      )}
      <Fact label="Picture">
        {width} × {height} px
      </Fact>
      <p className="mt-1 text-soft">
        Tones as the films carry them: against the press’s gain where it is met, within the limits of dots.
      </p>
    </>
  );
}

/** Which way films read, and what is dark on them. */
function Emulsion() {
  const dispatch = useAppDispatch();
  const { films } = useDocument();
  return (
    <Group name="Emulsion">
      <Row label="Reads">
        <Segmented
          label="Reads"
          value={films.mirrored ? 'mirrored' : 'right'}
          options={[
            { value: 'right', label: 'Right way' },
            { value: 'mirrored', label: 'Mirrored' },
          ]}
          onChange={(next) =>
            dispatch(edit('Film reads', (draft) => void (draft.films.mirrored = next === 'mirrored')))
          }
        />
      </Row>
      <Row label="Image">
        <Segmented
          label="Image"
          value={films.negative ? 'negative' : 'positive'}
          options={[
            { value: 'positive', label: 'Positive' },
            { value: 'negative', label: 'Negative' },
          ]}
          onChange={(next) =>
            dispatch(edit('Film image', (draft) => void (draft.films.negative = next === 'negative')))
          }
        />
      </Row>
    </Group>
  );
}

const DOT_OUTLINES = [
  { value: 'pure', label: 'Pure shapes', title: 'Whole circles, squares or motifs, to recolour and scale' },
  { value: 'film', label: 'As on film', title: 'Cut by the picture’s detail inside each dot' },
] as const;

const OUTLINE_WORDS = {
  pure: 'whole, and as large as what the film inks in its place',
  film: 'the contour of tone against screen, as the film has it',
} as const;

/** Bytes a plate from which on drawing programs are slow, and pixels of smoothing that halve them. */
const LARGE = 12e6;
const ENOUGH_SMOOTH = 2;

/** What a file of geometry will hold. */
function GeometryFacts() {
  const dispatch = useAppDispatch();
  const { films, recipe } = useDocument();
  const manners = recipe.plates.map((_, plate) => vectorManner({ recipe }, plate));
  const hasStraightDots = recipe.plates.some(
    ({ screen }, plate) => manners[plate] === 'dots' && latticeOf(screen)?.supercell !== undefined,
  );
  const size = useVectorSize();
  const isLarge = size !== undefined && size.bytes > LARGE * Math.max(1, recipe.plates.length);
  const smoothBy = (smooth: number, gesture: string | null) =>
    dispatch(edit('Smoothing', (draft) => void (draft.films.smooth = smooth), gesture));
  const words = manners.every((manner) => manner === 'dots')
    ? `Every dot is true geometry, ${OUTLINE_WORDS[hasStraightDots ? films.outlines : 'film']}, and cut where its picture ends: compound paths in the ink’s colour. Line work keeps its curves. Nothing is there that is not ink.`
    : manners.every((manner) => manner === 'outlines')
      ? 'Outlines of the film’s own pixels: compound paths in the ink’s colour, and nothing that is not ink.'
      : 'Dots of a lattice, straight or bent, are true geometry; those of other plates are outlines of the film’s own pixels. Compound paths in each ink’s colour.';
  return (
    <>
      <p className="mt-1.5 text-soft">{words}</p>
      {hasStraightDots && (
        <Row label="Dots">
          <Segmented
            label="Dots"
            value={films.outlines}
            options={DOT_OUTLINES}
            onChange={(outlines) =>
              dispatch(edit('Dots of vector files', (draft) => void (draft.films.outlines = outlines)))
            }
          />
        </Row>
      )}
      <TogetherRow />
      {size && films.format === 'svg' && (
        <Fact label="Files">
          about {bytesWords(size.bytes)} · {secondsWords(size.seconds)}
        </Fact>
      )}
      {isLarge && manners.includes('outlines') && films.smooth < ENOUGH_SMOOTH && (
        <p className="mt-1 text-soft">
          Many programs open so much only slowly.{' '}
          <ResetButton
            label={`Smooth by ${ENOUGH_SMOOTH} px`}
            onClick={() => smoothBy(ENOUGH_SMOOTH, null)}
          />
        </p>
      )}
      {manners.includes('outlines') && (
        <SliderRow
          label="Smoothed by"
          value={films.smooth}
          unit={PIXELS}
          {...LIMITS.strays}
          usual={[0, 3]}
          onChange={smoothBy}
        />
      )}
    </>
  );
}
