import type { Finding, Severity } from '@brachytone/core';
import { useEditRecipe } from '../../../store/use-edit-recipe.ts';
import { sharing } from '../../../store/sharing.ts';
import { dialOpened, findingShown, mendTried } from '../../../store/check-slice.ts';
import { useAppDispatch, useAppSelector } from '../../../store/store.ts';
import { zoomed } from '../../../store/view-slice.ts';
import { Group } from '../group.tsx';

const EDGES: Record<Severity, string> = {
  fail: 'border-l-ruby',
  risky: 'border-l-[#8a5a12]',
  note: 'border-l-soft',
};
const WORDS: Record<Severity, string> = { fail: 'will fail', risky: 'risky', note: 'note' };

/** What the press check found, the worst first, each with its ways to be mended. */
export function Findings() {
  const { findings, seconds, stale, failed } = useAppSelector((state) => state.check);
  return (
    <Group
      name="Before films"
      aside={
        <span className="figures text-soft" role="status" aria-label="Press check">
          {failed
            ? 'not checked'
            : stale || !findings
              ? 'checking…'
              : `${findings.length === 0 ? 'nothing found' : findings.length} · ${seconds.toFixed(1)} s`}
        </span>
      }
    >
      {failed && (
        <p className="text-ruby">
          The check could not be made, and the log has why. It is made again when the job changes; films can
          be made without it.
        </p>
      )}
      {findings?.length === 0 && !stale && (
        <p className="text-soft">Nothing stands against this press. The films can be made.</p>
      )}
      <ul className="flex flex-col gap-1.5" aria-label="Findings">
        {findings?.map((finding) => (
          <FindingCard key={`${finding.check} ${finding.says}`} finding={finding} stale={stale} />
        ))}
      </ul>
    </Group>
  );
}

function FindingCard({ finding, stale }: { finding: Finding; stale: boolean }) {
  const dispatch = useAppDispatch();
  const edit = useEditRecipe();
  const { shown, tried } = useAppSelector((state) => state.check);
  const { says, why, severity, places, mends, dial } = finding;
  const isShown = shown?.says === says;
  const show = () => {
    const place = isShown && shown ? (shown.place + 1) % places.length : 0;
    const { x, y, width, height, at = { x: x + width / 2, y: y + height / 2 } } = places[place];
    dispatch(findingShown({ says, place }));
    dispatch(zoomed({ zoom: 'dots', centre: at }));
  };
  return (
    <li className={`rounded-sm border border-l-4 border-edge bg-[#fffdf3] px-2 py-1.5 ${EDGES[severity]}`}>
      <p title={why}>
        <span className="sr-only">{WORDS[severity]}: </span>
        {says}
      </p>
      {isShown && <p className="mt-0.5 text-soft">{why}</p>}
      <div className="mt-1 flex flex-wrap items-center gap-x-2.5 gap-y-1">
        {mends.map((mend) => {
          const isTried = tried?.says === says && tried.label === mend.label;
          return isTried ? (
            <span key={mend.label} className="flex gap-1">
              <button
                type="button"
                disabled={stale}
                className="h-[22px] rounded-sm bg-ink px-2 text-[12px] text-raised"
                onClick={() => {
                  edit(mend.label, (recipe) => sharing(recipe, mend.recipe));
                  dispatch(mendTried(null));
                }}
              >
                Take: {mend.label}
              </button>
              <button
                type="button"
                className="text-[12px] text-soft underline hover:text-ink"
                onClick={() => dispatch(mendTried(null))}
              >
                Leave
              </button>
            </span>
          ) : (
            <button
              key={mend.label}
              type="button"
              disabled={stale}
              title="Shows it on the table beside the present state; nothing is changed yet"
              className="h-[22px] rounded-sm border border-ink px-2 text-[12px] hover:bg-white disabled:opacity-50"
              onClick={() => {
                if (places.length > 0 && !isShown) show();
                dispatch(mendTried({ says, label: mend.label }));
              }}
            >
              Try: {mend.label}
            </button>
          );
        })}
        {dial && (
          <button
            type="button"
            className="text-[12px] underline hover:text-ruby"
            onClick={() => dispatch(dialOpened(dial))}
          >
            Dial
          </button>
        )}
        {places.length > 0 && (
          <button type="button" className="text-[12px] underline hover:text-ruby" onClick={show}>
            {isShown && places.length > 1
              ? `Next place (${(shown?.place ?? 0) + 1} of ${places.length})`
              : 'Show'}
          </button>
        )}
      </div>
    </li>
  );
}
