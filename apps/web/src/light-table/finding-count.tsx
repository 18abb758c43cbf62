import { useNavigate, useParams } from 'react-router';
import { useAppSelector } from '../store/store.ts';

/** How many findings the press check has, and the way to them. */
export function FindingCount() {
  const { id } = useParams();
  const navigate = useNavigate();
  const { findings, stale } = useAppSelector((state) => state.check);
  if (!findings) return null;
  const { length } = findings;
  const fails = findings.some(({ severity }) => severity === 'fail');
  return (
    <button
      type="button"
      title={fails ? 'Some of them will fail on this press' : 'What the press check found'}
      className={`h-[26px] rounded-sm border bg-raised px-2.5 font-semibold hover:bg-white ${fails ? 'border-ruby text-ruby' : length > 0 ? 'border-ink' : 'border-edge text-soft'} ${stale ? 'opacity-60' : ''}`}
      onClick={() => void navigate(`/jobs/${id}/press`, { replace: true })}
    >
      {length === 0 ? 'no findings' : length === 1 ? '1 finding' : `${length} findings`}
    </button>
  );
}
