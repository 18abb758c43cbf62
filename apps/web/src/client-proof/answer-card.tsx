import { LONGEST_PERSON_NAME, type ClientProof, type ProofAnswer } from '@brachytone/job';
import { useState } from 'react';
import { Button } from '../controls/button.tsx';
import { momentWords } from '../words/day.ts';
import { sendAnswer } from './ask.ts';

/** Where the proof is approved, or changes are asked for. */
export function AnswerCard({
  proof,
  name,
  setName,
  onAnswer,
}: {
  proof: ClientProof;
  name: string;
  setName: (name: string) => void;
  onAnswer: () => void;
}) {
  const [failed, setFailed] = useState('');
  const [busy, setBusy] = useState(false);
  const [again, setAgain] = useState(false);
  const go = async (says: ProofAnswer['says']) => {
    setBusy(true);
    setFailed('');
    try {
      await sendAnswer({ says, name: name.trim(), words: '', recipe: proof.recipe });
      setAgain(false);
      onAnswer();
    } catch (error) {
      setFailed((error as Error).message);
    } finally {
      setBusy(false);
    }
  };
  const { answer } = proof;
  if (answer && !again)
    return (
      <section aria-label="Answer" className="border-b border-edge p-5">
        <p className="text-[15px] font-semibold">
          {answer.says === 'approved' ? 'Approved' : 'Changes are asked for'}
        </p>
        <p className="mt-0.5 text-soft">
          by {answer.name}, {momentWords(answer.at)}
        </p>
        <button type="button" className="mt-2 underline hover:no-underline" onClick={() => setAgain(true)}>
          Answer again
        </button>
      </section>
    );
  const nameless = name.trim() === '';
  return (
    <section aria-label="Answer" className="border-b border-edge p-5">
      <label className="mb-3 block">
        <span className="mb-1 block">Your name</span>
        <input
          className="h-9 w-full rounded-sm border border-edge bg-white px-2.5 text-[14px] hover:border-soft"
          value={name}
          maxLength={LONGEST_PERSON_NAME}
          autoComplete="name"
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <div className="flex gap-2">
        <Button
          kind="main"
          className="!h-9 grow justify-center"
          disabled={busy || nameless}
          onClick={() => void go('approved')}
        >
          Approve
        </Button>
        <Button
          className="!h-9 grow justify-center"
          disabled={busy || nameless}
          onClick={() => void go('changes')}
        >
          Ask for changes
        </Button>
      </div>
      {failed && (
        <p role="alert" className="mt-2 text-ruby">
          {failed}
        </p>
      )}
      <p className="mt-2 text-soft">
        What you approve is printed as you see it here, dot for dot. For changes, say in a comment what to
        change.
      </p>
    </section>
  );
}
