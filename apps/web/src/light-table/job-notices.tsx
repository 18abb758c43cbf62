import { NOTICES } from '@brachytone/job';
import { Button } from '../controls/button.tsx';
import { edit } from '../store/job-slice.ts';
import { useAppDispatch } from '../store/store.ts';
import { useDocument } from '../store/use-job.ts';

/** Says once what a newer program changed in the look of this job. */
export function JobNotices() {
  const dispatch = useAppDispatch();
  const { notices } = useDocument();
  return NOTICES.filter(({ id }) => notices.includes(id)).map(({ id, says }) => (
    <section key={id} role="note" className="perforated px-3.5 pt-3 pb-3.5">
      <p className="text-soft">{says}</p>
      <Button
        className="mt-2"
        onClick={() =>
          dispatch(
            edit('Notice read', (draft) => void (draft.notices = draft.notices.filter((one) => one !== id))),
          )
        }
      >
        Understood
      </Button>
    </section>
  ));
}
