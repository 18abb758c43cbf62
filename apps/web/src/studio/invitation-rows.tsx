import { LONGEST_PERSON_NAME, ROLES, type Role } from '@brachytone/job';
import { useState } from 'react';
import { Button } from '../controls/button.tsx';
import { Select } from '../controls/select.tsx';
import { useInvitationsQuery, useInviteMutation, useWithdrawMutation } from '../store/studio-api.ts';
import { orSay } from '../store/or-say.ts';
import { dayWords } from '../words/day.ts';
import { LinkToSend } from './link-to-send.tsx';
import { ROLE_WORDS } from '../shell/role-words.ts';

/** Inviting somebody, and invitations that nobody has followed yet. */
export function InvitationRows() {
  const { data } = useInvitationsQuery();
  const [invite, { data: made, isLoading, reset }] = useInviteMutation();
  const [withdraw] = useWithdrawMutation();
  const [meant, setMeant] = useState('');
  const [role, setRole] = useState<Role>('maker');
  const go = async () => {
    await invite({ meant, role }).unwrap();
    setMeant('');
  };
  return (
    <section className="mt-4" aria-label="Invitations">
      <form
        className="flex items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          orSay(go());
        }}
      >
        <input
          aria-label="Whom to invite"
          placeholder="Name"
          maxLength={LONGEST_PERSON_NAME}
          className="h-[30px] min-w-0 grow rounded-sm border border-edge bg-white px-2 hover:border-soft"
          value={meant}
          onChange={(event) => setMeant(event.target.value)}
        />
        <div className="flex w-[270px]">
          <Select
            label="Role to invite as"
            value={role}
            options={ROLES.map((value) => ({
              value,
              name: `${ROLE_WORDS[value].name}: ${ROLE_WORDS[value].says}`,
            }))}
            onChange={setRole}
          />
        </div>
        <Button type="submit" kind="main" disabled={isLoading || meant.trim() === ''}>
          Invite
        </Button>
      </form>
      {made && (
        <LinkToSend
          path={made.path}
          says={`An invitation for ${made.meant}, for one person and a week.`}
          onClose={reset}
        />
      )}
      {data && data.length > 0 && (
        <ul className="mt-3">
          {data.map(({ id, meant: whom, kind, role: as, expires }) => (
            <li key={id} className="flex h-8 items-center gap-2 border-b border-edge/70 text-soft">
              <span className="grow">
                {kind === 'passphrase'
                  ? `Another passphrase for ${whom}`
                  : `${whom || 'The first owner'}, invited as ${as}`}
              </span>
              <span>until {dayWords(expires)}</span>
              <Button className="!h-6 !px-2" onClick={() => orSay(withdraw(id).unwrap())}>
                Withdraw
              </Button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
