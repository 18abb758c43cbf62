import { filmFrame, present } from '@brachytone/core';
import type { JobDocument } from '@brachytone/job';
import { usePullsQuery } from '../../store/api.ts';
import { useDocument } from '../../store/use-job.ts';
import { useAppSelector } from '../../store/store.ts';
import { layOut, visiblePart } from '../table/geometry.ts';
import type { BoxSize } from '../table/use-size.ts';
import { whatToDraw } from '../table/what.ts';
import { PrintPicture } from './print-picture.tsx';
import { Picture } from './wipe.tsx';

/** Room at the sides of each, which has no rulers, CSS pixels. */
const SIDE = 10;

/** Pulls and, at the right, the present state, each as the table would show it. */
export function Beside({ size }: { size: BoxSize }) {
  const now = useDocument();
  const job = useAppSelector((state) => present(state.job, 'open job').id);
  const beside = useAppSelector((state) => state.view.beside);
  const { data: pulls = [] } = usePullsQuery(job);
  const found = beside.flatMap((id) => pulls.find((pull) => pull.id === id) ?? []);
  if (found.length === 0) return null;
  const part = { ...size, width: Math.floor(size.width / (found.length + 1)) };
  return (
    <div
      role="group"
      aria-label="Side by side"
      className="pointer-events-none absolute inset-0 z-[1] flex divide-x divide-guide bg-[#b9b8b4]"
    >
      {found.map(({ id, document, name, print }) => (
        <Pane key={id} document={document} name={name} print={print?.picture} size={part} />
      ))}
      <Pane document={now} name="Now" size={part} />
    </div>
  );
}

function Pane({
  document,
  name,
  print,
  size,
}: {
  document: JobDocument;
  name: string;
  /** SHA-256 of the picture of a simulated print. */
  print?: string | undefined;
  size: BoxSize;
}) {
  const view = useAppSelector((state) => state.view);
  const { recipe } = document;
  const frame = filmFrame(recipe);
  const lie = layOut(view, recipe.sheet, frame, size, size.ratio, SIDE);
  const visible = size.width > 0 ? visiblePart(lie, frame, size) : undefined;
  return (
    <div className="relative h-full" style={{ width: size.width / size.ratio }}>
      {visible && (
        <div className="absolute" style={{ left: visible.left / size.ratio, top: visible.top / size.ratio }}>
          {print !== undefined && view.table !== 'film' ? (
            <PrintPicture
              picture={print}
              name={name}
              document={document}
              view={visible.view}
              ratio={size.ratio}
            />
          ) : (
            <Picture
              key={name}
              document={document}
              view={visible.view}
              what={whatToDraw(document, view.table === 'film' ? 'film' : 'proof', null, {
                look: view.look,
              })}
              ratio={size.ratio}
            />
          )}
        </div>
      )}
      <span className="absolute top-14 left-3.5 rounded-sm bg-ink px-1.5 py-0.5 text-raised">{name}</span>
    </div>
  );
}
