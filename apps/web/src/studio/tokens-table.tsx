import { LONGEST_PERSON_NAME, mayAll, ROLES, type Role } from '@brachytone/job';
import { useState } from 'react';
import { Button } from '../controls/button.tsx';
import { ShownOnce } from './shown-once.tsx';
import { Select } from '../controls/select.tsx';
import { useEndTokenMutation, useMakeTokenMutation, useTokensQuery } from '../store/studio-api.ts';
import { orSay } from '../store/or-say.ts';
import { dayWords } from '../words/day.ts';
import { ROLE_WORDS } from '../shell/role-words.ts';
import { useRole } from '../shell/use-role.ts';

/** Tokens for programs that ask in one’s place. */
export function TokensTable() {
  const mine = useRole();
  const { data } = useTokensQuery();
  const [make, { data: made, isLoading, reset }] = useMakeTokenMutation();
  const [end] = useEndTokenMutation();
  const [name, setName] = useState('');
  const [role, setRole] = useState<Role>('viewer');
  const go = async () => {
    await make({ name, role }).unwrap();
    setName('');
  };
  return (
    <section aria-label="Tokens" className="mt-8">
      <h2 className="mb-1 text-[16px]">Tokens</h2>
      <p className="mb-2 text-soft">For programs that ask in your place. They do no more than you may.</p>
      <ul className="border-t border-edge">
        {data?.map((token) => (
          <li key={token.id} className="flex min-h-11 items-center gap-2 border-b border-edge/70 py-1">
            <span className="min-w-0 grow">
              <span className="block truncate">{token.name}</span>
              <span className="block text-[12px] text-soft">
                as {token.role}, {token.lastUsed ? `used ${dayWords(token.lastUsed)}` : 'not used yet'}
              </span>
            </span>
            <Button className="!h-6 !px-2" onClick={() => orSay(end(token.id).unwrap())}>
              End
            </Button>
          </li>
        ))}
      </ul>
      {made && (
        <ShownOnce
          label="The token"
          value={made.token}
          says="Keep it now; it is not shown again."
          copied="The token is in the clipboard."
          onClose={reset}
        />
      )}
      <form
        className="mt-2 flex items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          orSay(go());
        }}
      >
        <input
          aria-label="What the token is for"
          placeholder="What it is for"
          maxLength={LONGEST_PERSON_NAME}
          className="h-[30px] min-w-0 grow rounded-sm border border-edge bg-white px-2 hover:border-soft"
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <div className="flex w-24">
          <Select
            label="Role of the token"
            value={role}
            options={ROLES.filter((one) => mayAll(mine, one)).map((value) => ({
              value,
              name: ROLE_WORDS[value].name,
            }))}
            onChange={setRole}
          />
        </div>
        <Button type="submit" disabled={isLoading || name.trim() === ''}>
          Make
        </Button>
      </form>
    </section>
  );
}
