import { present } from '@brachytone/core';
import { LONGEST_PERSON_NAME, PROOF_LIMITS, type ProofLinkView } from '@brachytone/job';
import { X } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../controls/button.tsx';
import { Select } from '../../controls/select.tsx';
import { saveNow } from '../../store/autosave.ts';
import { orSay } from '../../store/or-say.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import {
  useMakeProofLinkMutation,
  useProofLinksQuery,
  useRenewProofLinkMutation,
  useReplyToProofMutation,
  useWithdrawProofLinkMutation,
} from '../../store/studio-api.ts';
import { proofLinksShown } from '../../store/view-slice.ts';
import { LinkToSend } from '../../studio/link-to-send.tsx';
import { useRole } from '../../shell/use-role.ts';
import { dayWords, momentWords } from '../../words/day.ts';
import { CommentRow } from './comment-row.tsx';

/** Days a link works unless another is picked. */
const USUAL_DAYS = 14;

const DAYS = PROOF_LIMITS.days.map((days) => ({
  value: String(days),
  name: days === 1 ? 'a day' : `${days} days`,
}));

/** Links that show the job to clients, what they said, and whether they approved. */
export function ProofLinks() {
  const dispatch = useAppDispatch();
  const job = useAppSelector((state) => present(state.job, 'open job').id);
  const { data = [] } = useProofLinksQuery(job);
  const [make, { data: made, isLoading, reset }] = useMakeProofLinkMutation();
  const [meant, setMeant] = useState('');
  const [days, setDays] = useState(String(USUAL_DAYS));
  const canMake = useRole() !== 'viewer';
  const go = async () => {
    // What is sent is what is on the table.
    await saveNow();
    await make({ job, meant, days: Number(days) }).unwrap();
    setMeant('');
  };
  return (
    <section aria-label="Client" className="flex min-h-0 grow flex-col">
      <div className="flex items-center justify-between border-b border-edge px-2.5 py-1.5">
        <h2 className="text-[13px]">Client</h2>
        <button
          type="button"
          aria-label="Put the client’s links away"
          className="text-soft hover:text-ink"
          onClick={() => dispatch(proofLinksShown(false))}
        >
          <X size={14} />
        </button>
      </div>
      {canMake && (
        <form
          className="border-b border-edge p-2.5"
          onSubmit={(event) => {
            event.preventDefault();
            orSay(go());
          }}
        >
          <p className="mb-2 text-soft">A link shows the job as it is now, and nothing else.</p>
          <input
            aria-label="Whom the proof is for"
            placeholder="For whom"
            maxLength={LONGEST_PERSON_NAME}
            className="mb-2 h-7 w-full rounded-sm border border-edge bg-white px-2 hover:border-soft"
            value={meant}
            onChange={(event) => setMeant(event.target.value)}
          />
          <div className="flex items-center gap-2">
            <span className="text-soft">for</span>
            <Select label="How long the link works" value={days} options={DAYS} onChange={setDays} />
            <Button type="submit" className="!h-7" disabled={isLoading || meant.trim() === ''}>
              Make a link
            </Button>
          </div>
          {made && <LinkToSend path={made.path} says={`The proof for ${made.meant}.`} onClose={reset} />}
        </form>
      )}
      <ul className="min-h-0 grow overflow-y-auto">
        {data.map((link) => (
          <LinkRow key={link.id} link={link} canChange={canMake} />
        ))}
      </ul>
    </section>
  );
}

function LinkRow({ link, canChange }: { link: ProofLinkView; canChange: boolean }) {
  const { id, meant, created, expires, opened, answer, comments, isCurrent } = link;
  const [renew] = useRenewProofLinkMutation();
  const [withdraw] = useWithdrawProofLinkMutation();
  const [reply] = useReplyToProofMutation();
  const [text, setText] = useState('');
  const isOver = Date.parse(expires) < Date.now();
  const again = async () => {
    await saveNow();
    await renew({ id, days: USUAL_DAYS }).unwrap();
  };
  const answers = async () => {
    await reply({ id, text }).unwrap();
    setText('');
  };
  return (
    <li aria-label={meant} className="border-b border-edge p-2.5">
      <p className="font-semibold">{meant}</p>
      <p className="text-[12px] text-soft">
        {isOver ? `ended ${dayWords(expires)}` : `made ${dayWords(created)}, until ${dayWords(expires)}`}
        {opened === null ? ', not opened yet' : ''}
      </p>
      {answer && (
        <p className={`mt-1 ${answer.says === 'approved' ? 'text-guide-deep' : 'text-ruby'}`}>
          {answer.says === 'approved' ? 'Approved' : 'Changes asked for'} by {answer.name},{' '}
          {momentWords(answer.at)}
        </p>
      )}
      {!isCurrent && (
        <p className="mt-1 text-warn">
          The job is another by now
          {answer?.says === 'approved' ? ': its films are not the approved ones' : ''}.
        </p>
      )}
      <ol className="mt-2">
        {comments.map((comment, i) => (
          <CommentRow key={comment.id} link={id} comment={comment} number={i + 1} canChange={canChange} />
        ))}
      </ol>
      {canChange && (
        <>
          <form
            className="mt-1 flex gap-1.5"
            onSubmit={(event) => {
              event.preventDefault();
              orSay(answers());
            }}
          >
            <input
              aria-label={`Reply to ${meant}`}
              placeholder="Reply"
              maxLength={PROOF_LIMITS.comment}
              className="h-7 min-w-0 grow rounded-sm border border-edge bg-white px-2 hover:border-soft"
              value={text}
              onChange={(event) => setText(event.target.value)}
            />
            <Button type="submit" className="!h-7 !px-2" disabled={text.trim() === ''}>
              Send
            </Button>
          </form>
          <div className="mt-2 flex gap-1.5">
            <Button
              className="!h-7 !px-2"
              title="The link shows the job as it is now; what was answered is taken back"
              onClick={() => orSay(again())}
            >
              Show it as it is now
            </Button>
            <Button className="!h-7 !px-2" onClick={() => orSay(withdraw(id).unwrap())}>
              Withdraw
            </Button>
          </div>
        </>
      )}
    </li>
  );
}
