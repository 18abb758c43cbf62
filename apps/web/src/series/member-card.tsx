import type { SeriesMember } from '@brachytone/job';
import { ProofPicture } from '../controls/proof-picture.tsx';

/** Height of a card's picture, CSS pixels. */
const HEIGHT = 150;

/** A short sum of a text (FNV-1a, 32 bits). */
const shortSum = (text: string): string => {
  let sum = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) sum = Math.imul(sum ^ text.charCodeAt(i), 0x01000193);
  return (sum >>> 0).toString(16);
};

/** Address of a member's proof; it changes where the picture does. */
export function memberProof(job: string, { id }: SeriesMember, longer: number, state: string): string {
  const ratio = Math.min(2, window.devicePixelRatio || 1);
  const params = new URLSearchParams({ longer: String(Math.round(longer * ratio)), state: shortSum(state) });
  return `/api/jobs/${job}/series/${id}/seen.png?${params.toString()}`;
}

/** One of a series on its contact sheet. */
export function MemberCard({
  member,
  no,
  source,
  onOpen,
  onDrop,
}: {
  member: SeriesMember;
  no: string;
  source: string;
  onOpen: () => void;
  /** Takes it out; missing for whoever may only look. */
  onDrop?: () => void;
}) {
  const words = Object.values(member.fields).filter(Boolean).join(' · ');
  const name = member.picture?.name ?? (words || 'the job’s picture');
  return (
    <li className="overflow-hidden rounded-sm border border-edge bg-raised">
      <button
        type="button"
        aria-label={`Trim number ${no}, ${name}`}
        className="flex w-full items-center justify-center bg-[#a9a8a4]"
        style={{ height: HEIGHT }}
        onClick={onOpen}
      >
        <ProofPicture source={source} alt="" className="max-h-full max-w-full" />
      </button>
      <div className="px-2 py-1">
        <p className="flex items-baseline gap-2">
          <span className="figures text-soft">{no}</span>
          <span className="min-w-0 grow truncate" title={name}>
            {name}
          </span>
          {(member.crop ?? member.levels) !== null && (
            <span className="text-[11px] text-soft" title="It has a crop or levels of its own">
              trimmed
            </span>
          )}
        </p>
        <p className="flex items-baseline gap-2 text-[12px] text-soft">
          <span className="min-w-0 grow truncate" title={words}>
            {member.picture ? words : ''}
          </span>
          {onDrop && (
            <button
              type="button"
              aria-label={`Take number ${no} out`}
              className="underline hover:text-ruby"
              onClick={onDrop}
            >
              Take out
            </button>
          )}
        </p>
      </div>
    </li>
  );
}
