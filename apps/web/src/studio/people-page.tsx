import { isShared } from '../shell/is-shared.ts';
import { NotHere } from '../shell/not-here.tsx';
import { TopBar } from '../shell/top-bar.tsx';
import { AuditList } from './audit-list.tsx';
import { InvitationRows } from './invitation-rows.tsx';
import { PassphraseForm } from './passphrase-form.tsx';
import { PeopleTable } from './people-table.tsx';
import { SessionsTable } from './sessions-table.tsx';
import { TokensTable } from './tokens-table.tsx';
import { usePerson } from '../shell/use-role.ts';

/** The people of the studio, and how they come in. */
export function PeoplePage() {
  const person = usePerson();
  // Alone there is nobody else.
  if (!person) return isShared() ? null : <NotHere />;
  const isOwner = person.role === 'owner';
  return (
    <div className="flex h-full flex-col">
      <TopBar />
      <main className="grow overflow-y-auto px-10 py-7">
        <div className="grid max-w-[1180px] grid-cols-[minmax(0,1fr)_400px] gap-x-14">
          <div>
            <h1 className="mb-3 text-[16px]">People</h1>
            <PeopleTable me={person} />
            {isOwner && <InvitationRows />}
            {isOwner && <AuditList />}
          </div>
          <div>
            <h2 className="mb-3 text-[16px]">Signed in</h2>
            <SessionsTable everybody={isOwner} />
            <h2 className="mt-8 mb-1 text-[16px]">Your passphrase</h2>
            <PassphraseForm name={person.name} />
            {person.role !== 'viewer' && <TokensTable />}
          </div>
        </div>
      </main>
    </div>
  );
}
