import { SHEETS, sheetFor } from '@brachytone/job';
import { useEffect, useState } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { toast } from 'sonner';
import { Button } from '../controls/button.tsx';
import { Select } from '../controls/select.tsx';
import { handedCount, handFiles, takeHandedFiles } from '../shell/handed-files.ts';
import { NotHere } from '../shell/not-here.tsx';
import { TopBar } from '../shell/top-bar.tsx';
import { sentenceOf, useOriginalQuery, useStartJobMutation } from '../store/api.ts';
import { useFirstLookQuery } from '../store/treatments-api.ts';
import { countWords, sheetWords } from '../words/words.ts';
import { TreatmentCard } from './treatment-card.tsx';

const CARD = { width: 292, height: 156 };

/** Longest sides that a sheet of the picture's own shape may have, mm: ISO 216's, and a poster's metre. */
const LONGEST = [148, 210, 297, 420, 594, 841, 1000, 2000];

interface Size {
  readonly width: number;
  readonly height: number;
}

/** A picture that was brought in, as it would print in twelve treatments: a click begins the job. */
export function FirstLookPage() {
  const { original = '' } = useParams();
  const [params] = useSearchParams();
  const name = params.get('name') ?? 'picture';
  const navigate = useNavigate();
  const { data: file, error: missing } = useOriginalQuery(original);
  const { data: look, error } = useFirstLookQuery(original);
  const [startJob, { isLoading }] = useStartJobMutation();
  const [size, setSize] = useState('usual');
  /** Pictures that came with it, of which a series is made. */
  const [more] = useState(() => handedCount(original));
  useEffect(() => {
    document.title = `First look · ${name} · Brachytone`;
    return () => {
      document.title = 'Brachytone';
    };
  }, [name]);
  const failed = missing ?? error;
  if (failed)
    return 'status' in failed && failed.status === 404 ? (
      <NotHere what="picture" />
    ) : (
      <p className="m-10 text-ruby">{sentenceOf(failed)}</p>
    );
  const sheet = file && look ? sheetOf(size, file, look.sheet) : undefined;
  const begin = async (treatment?: string) => {
    try {
      const job = await startJob({
        picture: { sha256: original, name },
        ...(treatment === undefined ? {} : { treatment }),
        ...(sheet && (treatment !== undefined || file?.kind === 'picture') ? { sheet } : {}),
      }).unwrap();
      handFiles(job.id, takeHandedFiles(original));
      void navigate(`/jobs/${job.id}/${more > 0 ? 'series' : 'screens'}`);
    } catch (refused) {
      toast.error(sentenceOf(refused));
    }
  };
  return (
    <div className="flex h-full flex-col">
      <TopBar
        where={
          <div className="flex min-w-0 items-center gap-3">
            <h1 className="truncate text-[14px]">{name}</h1>
            {more > 0 && (
              <span className="whitespace-nowrap">
                the first of {countWords(more, 'picture')} for a series
              </span>
            )}
            {sheet && <span className="figures whitespace-nowrap text-soft">{sheetWords(sheet)}</span>}
          </div>
        }
      >
        <label htmlFor="look-size" className="text-soft">
          Printed on
        </label>
        <div className="flex w-[190px]">
          <Select
            label="Printed on"
            value={size}
            options={[
              { value: 'usual', name: look ? `${sheetWords(look.sheet)}` : 'its own shape' },
              ...LONGEST.map((side) => ({ value: `longest ${side}`, name: `own shape, ${side} mm long` })),
              ...SHEETS.map((one) => ({ value: `sheet ${one.name}`, name: `${one.name}, filled` })),
            ]}
            onChange={setSize}
          />
        </div>
        <Button kind="main" disabled={isLoading} onClick={() => void begin()}>
          Start plain
        </Button>
      </TopBar>
      <main className="grow overflow-y-auto px-8 py-4">
        {!look && <p className="text-soft">Looking at the picture…</p>}
        {look && sheet && (
          <ul
            aria-label="Treatments"
            className="mx-auto grid max-w-[1500px] grid-cols-[repeat(auto-fill,minmax(270px,1fr))] gap-x-3.5 gap-y-3"
          >
            {look.treatments.map((one) => (
              <TreatmentCard
                key={one.id}
                treatment={one}
                on={{ original, ...(size === 'usual' ? {} : { sheet }) }}
                size={CARD}
                eager
                pick="Begin with"
                disabled={isLoading}
                onPick={() => void begin(one.id)}
              />
            ))}
          </ul>
        )}
      </main>
    </div>
  );
}

/** The sheet that was chosen; a named one lies as the picture does. */
function sheetOf(size: string, picture: Size, usual: Size): Size {
  const [kind, ...rest] = size.split(' ');
  if (kind === 'longest') return sheetFor(picture, 0, Number(rest[0]));
  const named = SHEETS.find((one) => one.name === rest.join(' '));
  if (kind !== 'sheet' || !named) return usual;
  const { width, height } = named;
  return picture.width > picture.height ? { width: height, height: width } : { width, height };
}
