import { User } from 'lucide-react';
import { useNavigate } from 'react-router';
import { Menu, MenuItem } from '../controls/menu.tsx';
import { useSignOutMutation } from '../store/studio-api.ts';
import { leaveNothing } from '../store/autosave.ts';
import { usePerson } from './use-role.ts';
import { ROLE_WORDS } from './role-words.ts';

/** Who is signed in, and the way out. Alone it is not there. */
export function PersonMenu() {
  const person = usePerson();
  const navigate = useNavigate();
  const [signOut] = useSignOutMutation();
  if (!person) return null;
  const leave = async () => {
    await leaveNothing();
    await signOut();
    location.assign('/');
  };
  return (
    <Menu
      align="end"
      label={
        <>
          <User size={14} />
          <span className="max-w-32 truncate">{person.name}</span>
        </>
      }
    >
      <MenuItem
        name="People"
        says={`You are ${ROLE_WORDS[person.role].name.toLowerCase()} here`}
        onPick={() => void navigate('/people')}
      />
      <MenuItem name="Sign out" onPick={() => void leave()} />
    </Menu>
  );
}
