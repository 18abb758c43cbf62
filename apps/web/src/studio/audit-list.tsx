import { useAuditQuery } from '../store/studio-api.ts';
import { momentWords } from '../words/day.ts';

/** A subject in words: the name of a job where it has one, else its address. */
const subjectWords = (subject: string): string => /^“.*”/.exec(subject)?.[0] ?? '';

/** Who did what lately. */
export function AuditList() {
  const { data } = useAuditQuery(undefined, { refetchOnMountOrArgChange: true });
  return (
    <section aria-label="Who did what" className="mt-8">
      <div className="mb-2 flex items-baseline justify-between">
        <h2 className="text-[16px]">Who did what</h2>
        <a href="/api/audit.csv" download className="underline hover:no-underline">
          All of it, as CSV
        </a>
      </div>
      <ol className="border-t border-edge">
        {data?.map(({ id, at, name, did, subject }) => (
          <li key={id} className="flex gap-3 border-b border-edge/70 py-1.5">
            <span className="figures w-[110px] shrink-0 text-soft">{momentWords(at)}</span>
            <span className="min-w-0">
              <span className="font-semibold">{name}</span> {did} {subjectWords(subject)}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
