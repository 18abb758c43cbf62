import { PROOF_LIMITS, type ProofComment, type SheetPlace } from '@brachytone/job';
import { MapPin } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../controls/button.tsx';
import { momentWords } from '../words/day.ts';
import { sayComment } from './ask.ts';

/** What was said, and a field to say more. */
export function Comments({
  comments,
  name,
  place,
  isPinning,
  setPinning,
  onSaid,
}: {
  comments: readonly ProofComment[];
  name: string;
  /** Where the next one is pinned. */
  place: SheetPlace | null;
  isPinning: boolean;
  setPinning: (pinning: boolean) => void;
  onSaid: () => void;
}) {
  const [text, setText] = useState('');
  const [failed, setFailed] = useState('');
  const go = async () => {
    try {
      await sayComment({ name: name.trim(), text, place });
      setText('');
      setFailed('');
      onSaid();
    } catch (error) {
      setFailed((error as Error).message);
    }
  };
  const nameless = name.trim() === '';
  return (
    <section aria-label="Comments" className="flex min-h-0 grow flex-col">
      <ol className="min-h-0 grow overflow-y-auto px-5 py-4">
        {comments.length === 0 && <li className="text-soft">Nothing was said yet.</li>}
        {comments.map((comment, i) => (
          <li key={comment.id} className="mb-4 flex gap-2.5">
            {comment.place ? <Pin number={i + 1} done={comment.done} /> : <span className="w-6 shrink-0" />}
            <div className="min-w-0">
              <p className="text-soft">
                <span className={comment.fromStudio ? 'font-semibold text-ink' : ''}>{comment.name}</span>,{' '}
                {momentWords(comment.at)}
                {comment.done && ', seen to'}
              </p>
              <p
                className={`whitespace-pre-wrap [overflow-wrap:anywhere] ${comment.done ? 'text-soft' : ''}`}
              >
                {comment.text}
              </p>
            </div>
          </li>
        ))}
      </ol>
      <form
        className="border-t border-edge p-5"
        onSubmit={(event) => {
          event.preventDefault();
          void go();
        }}
      >
        <textarea
          aria-label="Comment"
          placeholder={place ? 'What about this place?' : 'Say something'}
          className="h-[72px] w-full resize-none rounded-sm border border-edge bg-white px-2.5 py-1.5 hover:border-soft"
          maxLength={PROOF_LIMITS.comment}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        <div className="mt-2 flex items-center gap-2">
          <Button
            aria-pressed={isPinning}
            className={isPinning ? '!border-ink' : ''}
            onClick={() => setPinning(!isPinning)}
          >
            <MapPin size={14} />
            {place ? 'Pinned' : isPinning ? 'Press a place' : 'Pin to a place'}
          </Button>
          <Button type="submit" className="ml-auto" disabled={text.trim() === '' || nameless}>
            Send
          </Button>
        </div>
        {nameless && <p className="mt-2 text-soft">Fill in your name above first.</p>}
        {failed && (
          <p role="alert" className="mt-2 text-ruby">
            {failed}
          </p>
        )}
      </form>
    </section>
  );
}

/** A numbered pin. */
export function Pin({ number, done = false }: { number: number; done?: boolean }) {
  return (
    <span
      className={`figures flex size-6 shrink-0 items-center justify-center rounded-full border text-[11px] ${done ? 'border-edge bg-card text-soft' : 'border-raised bg-ink text-raised'}`}
    >
      {number}
    </span>
  );
}
