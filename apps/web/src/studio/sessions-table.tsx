import { Button } from '../controls/button.tsx';
import { useEndSessionMutation, useSessionsQuery } from '../store/studio-api.ts';
import { orSay } from '../store/or-say.ts';
import { dayWords } from '../words/day.ts';
import { browserWords } from './browser-words.ts';

/** Where one is signed in; for an owner, where everybody is. */
export function SessionsTable({ everybody }: { everybody: boolean }) {
  const { data } = useSessionsQuery();
  const [end] = useEndSessionMutation();
  return (
    <ul aria-label="Sessions" className="border-t border-edge">
      {data?.map(({ id, person, browser, address, begun, own }) => (
        <li key={id} className="flex min-h-11 items-center gap-2 border-b border-edge/70 py-1">
          <span className="min-w-0 grow">
            <span className="block truncate">
              {everybody ? `${person}, ` : ''}
              {browserWords(browser)}
            </span>
            <span className="block text-[12px] text-soft">
              since {dayWords(begun)}
              {address && <span className="figures"> · {address}</span>}
            </span>
          </span>
          {own ? (
            <span className="text-soft">this one</span>
          ) : (
            <Button className="!h-6 !px-2" onClick={() => orSay(end(id).unwrap())}>
              Sign out
            </Button>
          )}
        </li>
      ))}
    </ul>
  );
}
