import { present } from '@brachytone/core';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useProofLinksQuery } from '../../store/studio-api.ts';
import { proofLinksShown } from '../../store/view-slice.ts';

/** Opens the links to proofs; tells how much was said that nobody has seen to. */
export function ProofLinksButton() {
  const dispatch = useAppDispatch();
  const job = useAppSelector((state) => present(state.job, 'open job').id);
  const shown = useAppSelector((state) => state.view.proofLinks);
  const { data = [] } = useProofLinksQuery(job);
  const open = data
    .flatMap(({ comments }) => comments)
    .filter(({ fromStudio, done }) => !fromStudio && !done).length;
  return (
    <button
      type="button"
      aria-pressed={shown}
      title="Proofs sent to clients, and what they say"
      onClick={() => dispatch(proofLinksShown(!shown))}
      className="h-[30px] rounded-sm border border-edge bg-raised px-3 font-medium hover:border-ink aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-raised"
    >
      Client
      {open > 0 && <span className="figures ml-1.5 rounded-full bg-ruby px-1.5 text-raised">{open}</span>}
    </button>
  );
}
