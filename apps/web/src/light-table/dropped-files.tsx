import { useEffect, useEffectEvent, useState, type DragEvent as ReactDragEvent } from 'react';
import { useNavigate, useParams } from 'react-router';
import { isArchiveOrTable } from '../shell/file-kinds.ts';
import { handFiles } from '../shell/handed-files.ts';
import { useRole } from '../shell/use-role.ts';
import { countWords } from '../words/words.ts';
import { useBringToSheet } from './docket/original/use-bring-to-sheet.ts';

/** Files over the window: how many, and if one is an archive or a table, as far as the browser tells before they are let go. */
interface Over {
  readonly count: number;
  readonly forSeries: boolean;
}

const hasFiles = (event: DragEvent): boolean => event.dataTransfer?.types.includes('Files') ?? false;

function overOf({ dataTransfer }: DragEvent): Over {
  const items = [...(dataTransfer?.items ?? [])].filter(({ kind }) => kind === 'file');
  return { count: items.length, forSeries: items.some(({ type }) => /zip|csv|tab-separated/.test(type)) };
}

/** Places to let files go while they are dragged over the open job: on its sheet, or to make it with each of them. */
export function DroppedFiles() {
  const { id = '' } = useParams();
  const navigate = useNavigate();
  const canChange = useRole() !== 'viewer';
  const [over, setOver] = useState<Over>();
  const { bring, busy } = useBringToSheet();
  const toSeries = (files: readonly File[]) => {
    handFiles(id, files);
    void navigate(`/jobs/${id}/series`);
  };
  const drop = (files: readonly File[], series: boolean) => {
    setOver(undefined);
    if (files.length === 0 || !canChange) return;
    if (series || files.some(({ name }) => isArchiveOrTable(name))) toSeries(files);
    else void bring(files);
  };
  const dropped = useEffectEvent((event: DragEvent) => {
    event.preventDefault();
    const files = [...(event.dataTransfer?.files ?? [])];
    drop(files, files.length > 1);
  });
  const dragged = useEffectEvent((event: DragEvent) => {
    event.preventDefault();
    if (canChange) setOver(overOf(event));
  });
  useEffect(() => {
    const ifFiles = (then: (event: DragEvent) => void) => (event: DragEvent) =>
      void (hasFiles(event) && then(event));
    const on = {
      dragover: ifFiles(dragged),
      drop: ifFiles(dropped),
      // Without a neighbour they have left the window.
      dragleave: (event: DragEvent) => void (event.relatedTarget === null && setOver(undefined)),
    };
    const all = Object.entries(on) as [keyof typeof on, (event: DragEvent) => void][];
    all.forEach(([name, hear]) => window.addEventListener(name, hear));
    return () => all.forEach(([name, hear]) => window.removeEventListener(name, hear));
  }, []);
  if (busy)
    return (
      <p
        role="status"
        className="fixed bottom-[140px] left-1/2 z-30 -translate-x-1/2 border border-edge bg-raised px-4 py-2"
      >
        Bringing in {busy}
      </p>
    );
  if (!over) return null;
  const take = (series: boolean) => (event: ReactDragEvent) => {
    event.preventDefault();
    event.stopPropagation();
    drop([...event.dataTransfer.files], series);
  };
  return (
    <div className="fixed inset-0 z-30 flex items-stretch gap-6 bg-rack/60 p-16">
      {!over.forSeries && (
        <Place
          title={over.count < 2 ? 'Let go to lay it on the sheet' : 'Lay all on this sheet'}
          says={over.count < 2 ? 'A picture, line art or a typeface' : 'Beside one another, to be moved'}
          onDrop={take(false)}
        />
      )}
      {(over.forSeries || over.count > 1) && (
        <Place
          title={over.forSeries ? 'Let go to make a series' : `Make this job ${over.count} times`}
          says={
            over.forSeries
              ? 'This job for every picture of the archive, or row of the table'
              : `A series: films of each of the ${countWords(over.count, 'picture')} in its place`
          }
          onDrop={take(true)}
        />
      )}
    </div>
  );
}

function Place({
  title,
  says,
  onDrop,
}: {
  title: string;
  says: string;
  onDrop: (event: ReactDragEvent) => void;
}) {
  const [inside, setInside] = useState(false);
  return (
    <section
      aria-label={title}
      className={`flex grow basis-0 flex-col items-center justify-center border-2 border-dashed bg-card/95 ${inside ? 'border-guide bg-white' : 'border-soft/70'}`}
      onDragEnter={() => setInside(true)}
      onDragLeave={(event) =>
        !event.currentTarget.contains(event.relatedTarget as Node | null) && setInside(false)
      }
      onDrop={onDrop}
    >
      <h2 className="text-[21px]">{title}</h2>
      <p className="mt-1.5 text-soft">{says}</p>
    </section>
  );
}
