import { MOTIFS, readMotif, type Drawing } from '@brachytone/core';
import { useRef } from 'react';
import { toast } from 'sonner';
import { sentenceOf, useAddOriginalMutation } from '../../store/api.ts';

/** Path data of all of a drawing's shapes, as they lie. */
const pathOf = ({ shapes }: Drawing): string =>
  shapes
    .filter(({ ink }) => ink)
    .flatMap(({ contours }) => contours)
    .map(({ start, parts }) => {
      const round = (numbers: readonly number[]) => numbers.map((n) => Number(n.toFixed(2))).join(' ');
      const rest = parts.map((part) => `${part.length === 2 ? 'L' : 'C'}${round(part)}`).join(' ');
      return `M${round(start)} ${rest} Z`;
    })
    .join(' ');

/** Motifs that ship, and one of the user's own from an SVG file. */
export function MotifRow({
  name,
  value,
  set,
}: {
  name: string;
  value: string;
  set: (label: string, change: Record<string, string>) => void;
}) {
  const file = useRef<HTMLInputElement>(null);
  const [add] = useAddOriginalMutation();
  const bring = async (chosen: File) => {
    try {
      const { sha256, kind } = await add(chosen).unwrap();
      if (kind !== 'drawing') throw new Error('A motif comes from an SVG file. Nothing was changed.');
      const response = await fetch(`/api/files/${sha256}/drawing`);
      const path = pathOf((await response.json()) as Drawing);
      if (readMotif(path).length === 0)
        throw new Error(
          'Nothing in this drawing is filled in dark, so there is no motif in it. Nothing was changed.',
        );
      if (path.length > 40_000)
        throw new Error(
          'This drawing has too many corners for a motif. Simplify it first. Nothing was changed.',
        );
      set('Motif', { [name]: path });
    } catch (error) {
      toast.error(error instanceof Error ? error.message : sentenceOf(error));
    }
  };
  const own = !MOTIFS.some(({ path }) => path === value);
  const card = (path: string, called: string, picked: boolean, onPick: () => void) => (
    <button
      key={called}
      type="button"
      role="radio"
      aria-checked={picked}
      aria-label={called}
      title={called}
      onClick={onPick}
      className={`rounded-sm border bg-white p-1 ${picked ? 'border-ink outline-1 outline-ink' : 'border-edge hover:border-soft'}`}
    >
      <svg viewBox="-0.55 -0.55 1.1 1.1" width={20} height={20} className="block">
        <path
          fillRule="evenodd"
          d={readMotif(path)
            .map(({ points }) => `M${[...points].map((n) => n.toFixed(3)).join(' ')}Z`)
            .join('')}
        />
      </svg>
    </button>
  );
  return (
    <div role="radiogroup" aria-label="Motif" className="mb-2 flex flex-wrap items-center gap-1.5">
      {MOTIFS.map(({ name: called, path }) =>
        card(path, called, path === value, () => set('Motif', { [name]: path })),
      )}
      {own && card(value, 'Your own', true, () => undefined)}
      <button
        type="button"
        className="h-[30px] rounded-sm border border-edge bg-raised px-2 hover:bg-white"
        onClick={() => file.current?.click()}
      >
        SVG…
      </button>
      <input
        ref={file}
        type="file"
        accept=".svg,image/svg+xml"
        aria-label="SVG file of a motif"
        className="hidden"
        onChange={(event) => {
          const chosen = event.target.files?.[0];
          if (chosen) void bring(chosen);
          event.target.value = '';
        }}
      />
    </div>
  );
}
