import type { Treatment, TreatmentView } from '@brachytone/job';
import { useRef } from 'react';
import { toast } from 'sonner';
import { Button } from '../controls/button.tsx';
import { Shelves } from './shelves.tsx';
import { sentenceOf } from '../store/api.ts';
import { orSay } from '../store/or-say.ts';
import {
  useDropTreatmentMutation,
  useKeepTreatmentMutation,
  useTreatmentsQuery,
} from '../store/treatments-api.ts';
import { TreatmentCard } from '../treatments/treatment-card.tsx';

const CARD = { width: 276, height: 184 };

/** Treatments to use again, each as a real proof of the picture brought in last. */
export function TreatmentShelf() {
  const { data: all = [], error } = useTreatmentsQuery();
  const [drop] = useDropTreatmentMutation();
  const [keep, { isLoading }] = useKeepTreatmentMutation();
  const chooser = useRef<HTMLInputElement>(null);
  const bringIn = async (file: File | undefined) => {
    if (!file) return;
    try {
      const { name } = await keep(JSON.parse(await file.text()) as Treatment).unwrap();
      toast(`“${name}” is on the shelf.`);
    } catch (refused) {
      toast.error(
        refused instanceof SyntaxError ? `“${file.name}” is no treatment’s file.` : sentenceOf(refused),
      );
    }
  };
  const card = (one: TreatmentView) => (
    <TreatmentCard key={one.id} treatment={one} on={{}} size={CARD}>
      <a
        href={`/api/treatments/${one.id}`}
        download
        aria-label={`File of ${one.name}`}
        className="shrink-0 underline hover:text-ink"
      >
        File
      </a>
      {!one.isShipped && (
        <button
          type="button"
          aria-label={`Take ${one.name} off the shelf`}
          className="shrink-0 underline hover:text-ruby"
          onClick={() => orSay(drop(one.id).unwrap())}
        >
          Take off
        </button>
      )}
    </TreatmentCard>
  );
  const grid = 'grid grid-cols-[repeat(auto-fill,minmax(250px,1fr))] gap-3';
  const kept = all.filter(({ isShipped }) => !isShipped);
  return (
    <Shelves
      aside={
        <>
          <input
            ref={chooser}
            type="file"
            hidden
            accept=".json,application/json"
            aria-label="Choose a treatment’s file"
            onChange={(event) => {
              void bringIn(event.target.files?.[0]);
              event.target.value = '';
            }}
          />
          <Button disabled={isLoading} onClick={() => chooser.current?.click()}>
            Bring one in
          </Button>
        </>
      }
    >
      {error && <p className="text-ruby">{sentenceOf(error)}</p>}
      <section className="mb-7" aria-label="Your own">
        <h2 className="mb-2 text-[13.5px]">Your own</h2>
        {kept.length === 0 && (
          <p className="text-soft">
            No treatment of your own yet. Keep one from a job, under its treatments.
          </p>
        )}
        <ul className={grid}>{kept.map(card)}</ul>
      </section>
      <section aria-label="Ready-made">
        <h2 className="mb-2 text-[13.5px]">Ready-made</h2>
        <ul className={grid}>{all.filter(({ isShipped }) => isShipped).map(card)}</ul>
      </section>
    </Shelves>
  );
}
