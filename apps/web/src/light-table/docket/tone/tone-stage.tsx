import { stepKind, type OriginalRecipe } from '@brachytone/core';
import { useEffect } from 'react';
import { usePpi } from '../../../store/use-ppi.ts';
import { Button } from '../../../controls/button.tsx';
import { useAppDispatch, useAppSelector } from '../../../store/store.ts';
import { useDocument } from '../../../store/use-job.ts';
import { useOriginal } from '../../../store/use-original.ts';
import { openStep, showEnds } from '../../../store/view-slice.ts';
import { usePainted } from '../original/use-painted.ts';
import { OriginalPicker } from '../original/original-picker.tsx';
import { AddStep } from './add-step.tsx';
import { GreyCard } from './grey-card.tsx';
import { Histogram } from './histogram.tsx';
import { KeepPreparation, Preparations } from './preparations.tsx';
import { StepList } from './step-list.tsx';
import { useHistogram } from './use-histogram.ts';

export function ToneSummary() {
  const original = useOriginal();
  if (original?.content.kind === 'drawing') return <span className="truncate">line work</span>;
  const names = (original?.tone.steps ?? [])
    .filter(({ on }) => on)
    .map(({ kind }) => stepKind(kind).name.toLowerCase());
  return <span className="truncate">{names.join(' · ') || 'as it is'}</span>;
}

export function ToneStage() {
  const original = useOriginal();
  if (!original) return <p className="text-soft">There is no original on the sheet yet.</p>;
  if (original.content.kind === 'drawing') {
    return (
      <>
        <OriginalPicker />
        <NoTones />
      </>
    );
  }
  return <ToneOf original={original} />;
}

/** Line work, until somebody wants tones of it. */
function NoTones() {
  const { toTones, isBusy } = usePainted();
  return (
    <>
      <p className="mb-2 text-soft">
        This is line work: it prints solid where it is dark, with hard edges. Printed as tone it can be
        blurred, made denser, parted into bands, cut out and screened, with its greys and colours.
      </p>
      <Button disabled={isBusy} onClick={() => void toTones()}>
        {isBusy ? 'Being painted…' : 'Print as tone'}
      </Button>
    </>
  );
}

function ToneOf({ original }: { original: OriginalRecipe }) {
  const dispatch = useAppDispatch();
  const ppi = usePpi(original);
  const ends = useAppSelector((state) => state.view.ends);
  useEffect(
    () => () => {
      dispatch(showEnds(false));
      dispatch(openStep(null));
    },
    [dispatch],
  );
  return (
    <>
      <OriginalPicker />
      <Tones original={original} />
      <button
        type="button"
        aria-pressed={ends}
        className="mt-1.5 mb-3 flex h-7 w-full items-center gap-2 rounded-sm border border-edge bg-raised px-2.5 hover:bg-white aria-pressed:border-ink"
        onClick={() => dispatch(showEnds(!ends))}
      >
        <span className="size-2.5 rounded-full bg-ruby" /> solid
        <span className="size-2.5 rounded-full bg-guide" /> bare
        <span className="ml-auto text-soft">{ends ? 'Back to the proof' : 'Show where'}</span>
      </button>
      {original.content.kind === 'picture' && <GreyCard />}
      <StepList ppi={ppi} />
      <div className="mt-2 flex gap-2">
        <AddStep />
        <Preparations />
      </div>
      <KeepPreparation />
    </>
  );
}

/** Tones before all steps and after, over one another, with the dots that the screen can make. */
function Tones({ original }: { original: OriginalRecipe }) {
  const { smallest, largest } = useDocument().recipe.plates[0].screen;
  const before = useHistogram(original, 0);
  const after = useHistogram(original, original.tone.steps.length);
  const chart = (bins: number[] | undefined, name: string) => (
    <figure>
      <div className="relative h-[62px] w-[136px] border border-edge bg-white">
        {bins && <Histogram bins={bins} width={134} height={60} />}
        {[smallest, largest].map(
          (tone) =>
            tone > 0 &&
            tone < 100 && (
              <span
                key={tone}
                title={tone === smallest ? `Smallest dot ${tone} %` : `Largest dot ${tone} %`}
                className="absolute inset-y-0 w-px bg-guide"
                style={{ left: `${tone}%` }}
              />
            ),
        )}
      </div>
      <figcaption className="text-soft">{name}</figcaption>
    </figure>
  );
  return (
    <div className="flex justify-between">
      {chart(before, 'before')}
      {chart(after, 'after all steps')}
    </div>
  );
}
