import { useAppSelector } from '../store/store.ts';
import { ProofLinks } from './proof-links/proof-links.tsx';
import { Pulls } from './pulls/pulls.tsx';
import { StripPanel } from './strip/strip-panel.tsx';
import { AngleDialPanel } from './table/angle-dial.tsx';

/** What is open beside the table: strip, dial, pulls. The table makes room for it. */
export function Side() {
  const { strip, pulls, proofLinks } = useAppSelector((state) => state.view);
  const dial = useAppSelector((state) => state.check.dial);
  if (!strip && !pulls && !proofLinks && dial === null) return null;
  return (
    <aside
      aria-label="Beside the table"
      className="flex w-[270px] shrink-0 flex-col overflow-x-hidden overflow-y-auto border-l border-edge bg-raised"
    >
      <StripPanel />
      <AngleDialPanel />
      {proofLinks && <ProofLinks />}
      {pulls && <Pulls />}
    </aside>
  );
}
