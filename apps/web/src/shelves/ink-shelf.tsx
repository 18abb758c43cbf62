import { WHITE_STOCK } from '@brachytone/core';
import type { Lab } from '@brachytone/core';
import { SHIPPED_INKS, type ShelfInk } from '@brachytone/job';
import { useState } from 'react';
import { toast } from 'sonner';
import { Button } from '../controls/button.tsx';
import { LabField } from '../controls/lab-field.tsx';
import { labWords } from '../controls/lab.ts';
import { inkBackground } from '../light-table/ink-colour.ts';
import { sentenceOf, useDropInkMutation, useInksQuery, useKeepInkMutation } from '../store/api.ts';
import { orSay } from '../store/or-say.ts';
import { ShelfCard, ShelfPart, Shelves } from './shelves.tsx';

/** Inks to print with: solid on white, and half as much of it beside. */
export function InkShelf() {
  const { data: kept = [], error } = useInksQuery();
  const [drop] = useDropInkMutation();
  const card = (ink: ShelfInk, id?: string) => (
    <ShelfCard
      key={id ?? ink.name}
      name={ink.name}
      words={`${labWords(ink.lab)} · covers ${Math.round(ink.opacity * 100)} %`}
      picture={
        <span
          aria-hidden="true"
          className="block h-16"
          style={{ background: inkBackground({ id: '', ...ink }, WHITE_STOCK) }}
        />
      }
      {...(id
        ? {
            onDrop: () => orSay(drop(id).unwrap()),
          }
        : {})}
    />
  );
  return (
    <Shelves aside={<NewInk />}>
      {error && <p className="text-ruby">{sentenceOf(error)}</p>}
      <ShelfPart name="Your own" empty="No ink of your own yet. Mix one here, or keep one from a job.">
        {kept.map(({ id, ...ink }) => card(ink, id))}
      </ShelfPart>
      <ShelfPart name="Ready-made">{SHIPPED_INKS.map((ink) => card(ink))}</ShelfPart>
    </Shelves>
  );
}

/** A new ink by its name and its solid on white. */
function NewInk() {
  const [keep, { isLoading }] = useKeepInkMutation();
  const [name, setName] = useState('');
  const [lab, setLab] = useState<Lab>([46, -24, -30]);
  const save = () =>
    keep({ name: name.trim(), lab, opacity: 0, fountain: null })
      .unwrap()
      .then(
        () => setName(''),
        (problem: unknown) => toast.error(sentenceOf(problem)),
      );
  return (
    <form
      className="flex items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() && !isLoading) void save();
      }}
    >
      <LabField label="Solid of the new ink" value={lab} onChange={setLab} />
      <input
        aria-label="Name of the new ink"
        placeholder="Name"
        maxLength={60}
        className="h-7 w-40 rounded-sm border border-edge bg-white px-2"
        value={name}
        onChange={(event) => setName(event.target.value)}
      />
      <Button type="submit" className="!h-7" disabled={!name.trim() || isLoading}>
        Keep
      </Button>
    </form>
  );
}
