import { useOthers } from './use-live.ts';
import { usePerson } from '../shell/use-role.ts';

/** First letters of a name. */
const initials = (name: string): string =>
  name
    .split(' ')
    .filter(Boolean)
    .map((word) => [...word][0])
    .slice(0, 2)
    .join('')
    .toUpperCase();

/** Others who have a job open. */
export function Others({ job, named = false }: { job: string; named?: boolean }) {
  const others = useOthers(job, usePerson()?.id);
  if (others.length === 0) return null;
  return (
    <span className="flex items-center gap-1" role="status" aria-label="Also here">
      {others.map(({ person, name }) => (
        <span
          key={person}
          title={`${name} has this job open`}
          className="rounded-sm border border-guide-deep bg-raised px-1.5 text-[12px] text-guide-deep"
        >
          {named ? name : initials(name)}
        </span>
      ))}
    </span>
  );
}
