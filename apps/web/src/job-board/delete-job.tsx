import type { JobSummary } from '@brachytone/job';
import { toast } from 'sonner';
import { Ask } from '../controls/ask.tsx';
import { sentenceOf, useJobRemovalQuery, useRemoveJobMutation } from '../store/api.ts';
import { bytesWords, countWords } from '../words/words.ts';

/** Asks before a job is deleted, and says what goes with it. */
export function DeleteJob({ job, close }: { job: JobSummary; close: () => void }) {
  const { data, error } = useJobRemovalQuery(job.id);
  const [remove, { isLoading }] = useRemoveJobMutation();
  const go = async () => {
    const { error: failed } = await remove(job.id);
    if (failed) toast.error(sentenceOf(failed));
    close();
  };
  const parts = data && [
    data.pulls > 0 && countWords(data.pulls, 'pull'),
    data.runs > 0 && `${countWords(data.runs, 'run')} with all films`,
    data.files > 0 && `${countWords(data.files, 'file')} that nothing else uses`,
  ];
  const goes = ['Its undo history', ...(parts ?? [])].filter((one) => typeof one === 'string');
  const list = new Intl.ListFormat('en-GB').format(goes);
  return (
    <Ask
      title={`Delete “${job.name}”?`}
      yes="Delete for good"
      busy={isLoading || (data === undefined && error === undefined)}
      onYes={() => void go()}
      onNo={close}
    >
      {error ? (
        <p className="text-ruby">{sentenceOf(error)}</p>
      ) : (
        <p>
          {data
            ? `${list} ${goes.length === 1 ? 'goes' : 'go'} with it. That frees ${bytesWords(data.bytes)}, and cannot be undone.`
            : 'Seeing what goes with it…'}
        </p>
      )}
    </Ask>
  );
}
