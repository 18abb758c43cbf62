import { labToHex } from '@brachytone/core';
import type { TreatmentView } from '@brachytone/job';
import { ProofPicture } from '../controls/proof-picture.tsx';
import { seenIn, type SeenOn } from './seen-in.ts';

/** A real proof of something in a treatment, within a box; the box is grey as a bench until it is there. */
export function TreatmentPicture({
  treatment,
  on,
  longer,
  eager = false,
}: {
  treatment: TreatmentView;
  on: SeenOn;
  /** CSS pixels of the box's sides. */
  longer: { readonly width: number; readonly height: number };
  /** True where it is asked for at once, in or out of sight. */
  eager?: boolean;
}) {
  const source = seenIn(treatment.id, on, Math.max(longer.width, longer.height));
  return (
    <span
      className="relative flex items-center justify-center overflow-hidden bg-[#a9a8a4]"
      style={{ height: longer.height }}
    >
      <ProofPicture
        source={source}
        alt=""
        eager={eager}
        className="max-h-full max-w-full transition-opacity duration-150"
      />
    </span>
  );
}

/** The inks of a treatment as dabs on its stock. */
export function InkDabs({ treatment: { inks, stock } }: { treatment: TreatmentView }) {
  const names = inks.map(({ name }) => name).join(', ');
  return (
    <span
      className="flex h-[14px] shrink-0 items-center gap-[3px] rounded-full border border-edge px-1"
      style={{ background: labToHex(stock.lab) }}
      title={`${names} on ${stock.name.toLowerCase()}`}
      aria-label={`${names} on ${stock.name.toLowerCase()}`}
      role="img"
    >
      {inks.map(({ name, colour }, i) => (
        <span key={`${name} ${i}`} className="size-2 rounded-full" style={{ background: labToHex(colour) }} />
      ))}
    </span>
  );
}
