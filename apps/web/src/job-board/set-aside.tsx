import type { SetAsideView } from '@brachytone/job';
import { Link } from 'react-router';
import { useDropSetAsideMutation, useSetAsideQuery } from '../store/api.ts';

const KINDS: Record<SetAsideView['from'], string> = { jobs: 'Job', pulls: 'Pull', runs: 'Run' };

/** What could not be read when the server started: it is kept, and the rest works without it. */
export function SetAside() {
  const { data = [] } = useSetAsideQuery();
  const [drop] = useDropSetAsideMutation();
  if (data.length === 0) return null;
  const action = 'underline decoration-edge underline-offset-2 hover:decoration-ink';
  return (
    <section aria-labelledby="set-aside" className="mb-6 border border-edge bg-raised px-4 py-3">
      <h2 id="set-aside" className="text-[13px]">
        Set aside, as it could not be read
      </h2>
      <ul className="mt-1">
        {data.map(({ id, from, name, reason, canBeSeen }) => (
          <li key={id} className="flex items-baseline gap-3 py-1">
            <span>
              {KINDS[from]} “{name}”
            </span>
            <span className="min-w-0 grow text-soft">{reason}</span>
            {canBeSeen && (
              <Link to={`/set-aside/${id}`} className={action}>
                Look at it
              </Link>
            )}
            <a href={`/api/set-aside/${id}/document`} download className={action}>
              Download
            </a>
            <button type="button" className={action} onClick={() => void drop(id)}>
              Delete
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
