import { ROLES, type PersonView } from '@brachytone/job';
import { useState } from 'react';
import { toast } from 'sonner';
import { Ask } from '../controls/ask.tsx';
import { Menu, MenuItem } from '../controls/menu.tsx';
import { Select } from '../controls/select.tsx';
import { sentenceOf } from '../store/api.ts';
import {
  usePassphraseLinkMutation,
  usePeopleQuery,
  useRemovePersonMutation,
  useSetRoleMutation,
} from '../store/studio-api.ts';
import { orSay } from '../store/or-say.ts';
import { dayWords } from '../words/day.ts';
import { LinkToSend } from './link-to-send.tsx';
import { ROLE_WORDS } from '../shell/role-words.ts';

export function PeopleTable({ me }: { me: PersonView }) {
  const { data, error } = usePeopleQuery();
  if (error) return <p className="text-ruby">{sentenceOf(error)}</p>;
  return (
    <table className="w-full" aria-label="People">
      <thead className="text-left text-soft">
        <tr className="border-b border-edge [&>th]:pb-1.5 [&>th]:font-normal">
          <th>Name</th>
          <th className="w-[150px]">Role</th>
          <th className="w-[110px]">Since</th>
          <th className="w-[40px]">
            <span className="sr-only">More</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {data?.map((person) => (
          <Row key={person.id} person={person} me={me} />
        ))}
      </tbody>
    </table>
  );
}

function Row({ person, me }: { person: PersonView; me: PersonView }) {
  const { id, name, role, created } = person;
  const [setRole] = useSetRoleMutation();
  const [makeLink, { data: link, reset }] = usePassphraseLinkMutation();
  const [asking, setAsking] = useState(false);
  return (
    <tr aria-label={name} className="border-b border-edge/70 [&>td]:py-2">
      <td className="pr-4">
        {name}
        {id === me.id && <span className="ml-2 text-soft">you</span>}
        {link && (
          <LinkToSend path={link.path} says={`For ${name}, to choose another passphrase.`} onClose={reset} />
        )}
      </td>
      <td>
        {me.role === 'owner' ? (
          <Select
            label={`Role of ${name}`}
            value={role}
            options={ROLES.map((value) => ({ value, name: ROLE_WORDS[value].name }))}
            onChange={(next) => orSay(setRole({ id, role: next }).unwrap())}
          />
        ) : (
          ROLE_WORDS[role].name
        )}
      </td>
      <td className="text-soft">{dayWords(created)}</td>
      <td className="text-right">
        {me.role === 'owner' && id !== me.id && (
          <Menu small align="end" label={<span aria-label={`More about ${name}`}>⋯</span>}>
            <MenuItem
              name="Link for another passphrase"
              says="Works once, within a day"
              onPick={() => orSay(makeLink(id).unwrap())}
            />
            <MenuItem name="Take out of the studio…" onPick={() => setAsking(true)} />
          </Menu>
        )}
        {asking && <AskRemove person={person} close={() => setAsking(false)} />}
      </td>
    </tr>
  );
}

function AskRemove({ person: { id, name }, close }: { person: PersonView; close: () => void }) {
  const [remove, { isLoading }] = useRemovePersonMutation();
  const go = async () => {
    const { error } = await remove(id);
    if (error) toast.error(sentenceOf(error));
    close();
  };
  return (
    <Ask title={`Take out ${name}`} yes="Take out" busy={isLoading} onYes={() => void go()} onNo={close}>
      <p>{name} is signed out everywhere and cannot come back without an invitation. What they made stays.</p>
    </Ask>
  );
}
