import { filmFrame } from '@brachytone/core';
import type { JobDocument } from '@brachytone/job';
import { useDocument } from '../../store/use-job.ts';
import { useAppSelector } from '../../store/store.ts';
import { layOut, visiblePart } from '../table/geometry.ts';
import type { BoxSize } from '../table/use-size.ts';
import { whatToDraw } from '../table/what.ts';
import { PrintPicture } from './print-picture.tsx';
import { Picture, useWiped } from './wipe.tsx';

/** What the list of pulls takes of the table, CSS pixels. */
const PANEL = 232;

/** A pull at the left and the present state at the right, each as the table would show it. */
export function Beside({ size }: { size: BoxSize }) {
  const present = useDocument();
  const found = useWiped();
  const pulls = useAppSelector((state) => state.view.pulls);
  if (!found) return null;
  // The pulls themselves stay in sight.
  const room = size.width - (pulls ? PANEL * size.ratio : 0);
  const half = { ...size, width: Math.floor(room / 2) };
  return (
    <div
      role="group"
      aria-label="Side by side"
      className="pointer-events-none absolute inset-0 z-[1] flex bg-[#b9b8b4]"
    >
      <Pane {...found} size={half} />
      <div className="w-px bg-guide" />
      <Pane document={present} original={false} name="Now" size={half} />
    </div>
  );
}

function Pane({
  document,
  original,
  name,
  print,
  size,
}: {
  document: JobDocument;
  original: boolean;
  name: string;
  /** SHA-256 of the picture of a simulated print. */
  print?: string | undefined;
  size: BoxSize;
}) {
  const view = useAppSelector((state) => state.view);
  const { recipe } = document;
  const frame = filmFrame(recipe);
  const lie = layOut(view, recipe.sheet, frame, size, size.ratio);
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
              what={whatToDraw(
                document,
                original ? 'original' : view.table === 'film' ? 'film' : 'proof',
                null,
                {
                  look: view.look,
                },
              )}
              ratio={size.ratio}
            />
          )}
        </div>
      )}
      <span className="absolute top-14 left-3.5 rounded-sm bg-ink px-1.5 py-0.5 text-raised">{name}</span>
    </div>
  );
}
