import type { Crop } from '@brachytone/core';
import {
  memberDocument,
  type JobView,
  type Series,
  type SeriesMember,
  type SeriesView,
} from '@brachytone/job';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { Button } from '../controls/button.tsx';
import { SliderRow } from '../controls/slider-row.tsx';
import { PERCENT, PLAIN } from '../words/quantity.ts';
import { memberProof } from './member-card.tsx';

const PLAIN_LEVELS = { bare: 0, solid: 100, mid: 1 };
/** How often larger a part of a picture may be shown. */
const MOST_ZOOM = 8;

/** One of a series, large: its part of the picture, its levels, its words. */
export function TrimMember({
  job,
  view,
  member,
  no,
  state,
  canChange,
  onChange,
  close,
}: {
  job: JobView;
  view: SeriesView;
  member: SeriesMember;
  no: string;
  state: string;
  canChange: boolean;
  onChange: (change: Partial<SeriesMember>) => void;
  close: () => void;
}) {
  const whole = cropOf(job, view, { ...member, crop: null });
  const crop = member.crop ?? whole;
  const levels = member.levels ?? PLAIN_LEVELS;
  const zoom = whole && crop ? whole.width / crop.width : 1;
  const place = (next: { zoom?: number; x?: number; y?: number }) => {
    if (!whole || !crop) return;
    const by = next.zoom ?? zoom;
    const [width, height] = [whole.width / by, whole.height / by];
    const middle = { x: next.x ?? crop.x + crop.width / 2, y: next.y ?? crop.y + crop.height / 2 };
    const held = (at: number, side: number) => Math.min(1 - side, Math.max(0, at - side / 2));
    onChange({
      crop: { ...crop, width, height, x: held(middle.x, width), y: held(middle.y, height) },
    });
  };
  const level = (change: Partial<typeof PLAIN_LEVELS>) => onChange({ levels: { ...levels, ...change } });
  const source = memberProof(job.id, member, 620, state);
  return (
    <Dialog.Root open onOpenChange={(open) => !open && close()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ink/20" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-30 flex max-h-[calc(100vh-32px)] w-[min(1060px,calc(100vw-32px))] -translate-1/2 overflow-hidden rounded-sm border border-ink bg-raised"
        >
          <div className="flex h-[640px] grow items-center justify-center bg-[#a9a8a4] p-4">
            <Large source={source} />
          </div>
          <div className="w-[320px] shrink-0 overflow-y-auto border-l border-edge p-4">
            <Dialog.Title className="mb-3 truncate text-[15px]">
              {no} · {member.picture?.name ?? 'the job’s picture'}
            </Dialog.Title>
            {canChange && member.picture && whole && crop && (
              <section aria-label="Part of the picture" className="mb-4">
                <h3 className="mb-1 text-[13px]">Part of the picture</h3>
                <SliderRow
                  label="Enlarged"
                  unit={PLAIN}
                  least={1}
                  most={MOST_ZOOM}
                  ratio
                  value={Number(zoom.toFixed(2))}
                  onChange={(to) => place({ zoom: to })}
                />
                <SliderRow
                  label="Across"
                  unit={PERCENT}
                  least={0}
                  most={100}
                  value={Math.round(100 * (crop.x + crop.width / 2))}
                  onChange={(to) => place({ x: to / 100 })}
                />
                <SliderRow
                  label="Down"
                  unit={PERCENT}
                  least={0}
                  most={100}
                  value={Math.round(100 * (crop.y + crop.height / 2))}
                  onChange={(to) => place({ y: to / 100 })}
                />
              </section>
            )}
            {canChange && (
              <section aria-label="Levels" className="mb-4">
                <h3 className="mb-1 text-[13px]">Levels</h3>
                <SliderRow
                  label="Bare at"
                  unit={PERCENT}
                  least={0}
                  most={99}
                  value={levels.bare}
                  onChange={(bare) => level({ bare, solid: Math.max(levels.solid, bare + 1) })}
                />
                <SliderRow
                  label="Solid at"
                  unit={PERCENT}
                  least={1}
                  most={100}
                  value={levels.solid}
                  onChange={(solid) => level({ solid, bare: Math.min(levels.bare, solid - 1) })}
                />
                <SliderRow
                  label="Middle"
                  unit={PLAIN}
                  least={0.4}
                  most={2.5}
                  ratio
                  value={levels.mid}
                  onChange={(mid) => level({ mid })}
                />
              </section>
            )}
            {Object.entries(member.fields).map(([name, value]) => (
              <label key={name} className="mb-2 block">
                <span className="block text-soft">{name}</span>
                <input
                  className="h-7 w-full rounded-sm border border-edge bg-white px-2 hover:border-soft"
                  maxLength={400}
                  defaultValue={value}
                  disabled={!canChange}
                  onBlur={(event) =>
                    event.target.value !== value &&
                    onChange({ fields: { ...member.fields, [name]: event.target.value } })
                  }
                />
              </label>
            ))}
            <div className="mt-4 flex gap-2">
              {canChange && (member.crop ?? member.levels) !== null && (
                <Button onClick={() => onChange({ crop: null, levels: null })}>As all others</Button>
              )}
              <Dialog.Close asChild>
                <Button kind="main" className="ml-auto">
                  Done
                </Button>
              </Dialog.Close>
            </div>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** The part of its picture that a member shows; undefined where that is not known yet. */
function cropOf(job: JobView, view: SeriesView, member: SeriesMember): Crop | undefined {
  const pictures = new Map(
    [...job.files, ...view.files].map(({ sha256, width, height }) => [sha256, { width, height }]),
  );
  const series: Series = { ...view.series, members: [member] };
  const { recipe } = memberDocument(job.document, series, 0, { pictures, typefaces: new Map() });
  for (const { content } of recipe.originals)
    if (content.kind === 'picture' && content.picture === member.picture?.sha256) return content.crop;
  return undefined;
}

/** A proof that stays until the next one is there. */
function Large({ source }: { source: string }) {
  const [shown, setShown] = useState(source);
  return (
    <>
      <img src={shown} alt="Proof" className="max-h-full max-w-full" />
      {shown !== source && <img src={source} alt="" className="hidden" onLoad={() => setShown(source)} />}
    </>
  );
}
