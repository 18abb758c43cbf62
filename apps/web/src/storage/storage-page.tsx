import type { StoredView } from '@brachytone/job';
import { useState } from 'react';
import { toast } from 'sonner';
import { Ask } from '../controls/ask.tsx';
import { Button } from '../controls/button.tsx';
import { isShared } from '../shell/is-shared.ts';
import { TopBar } from '../shell/top-bar.tsx';
import { sentenceOf, useCleanAwayMutation, useStorageQuery } from '../store/api.ts';
import { bytesWords } from '../words/words.ts';
import { RuleRow } from './rule-row.tsx';
import { STORED_WORDS } from './stored-words.ts';

/** Tints of the bar, in the order of the rows. */
const TINTS = [
  '#26231f',
  '#6d675c',
  '#9a9385',
  '#3f6f8f',
  '#8fb3c9',
  '#b4552d',
  '#e0a27e',
  '#cfc6b4',
  '#7d8f6a',
  '#b7c4a6',
];

/** Clients and people leave something where there are any. */
const isThere = ({ id }: StoredView): boolean => isShared() || (id !== 'links' && id !== 'deeds');

/** What takes up how much, how long it is kept, and how it goes. */
export function StoragePage() {
  const { data, error } = useStorageQuery(undefined, { refetchOnMountOrArgChange: true });
  const total = data?.stored.reduce((sum, { bytes }) => sum + bytes, 0) ?? 0;
  return (
    <div className="flex h-full flex-col">
      <TopBar />
      <main className="grow overflow-y-auto px-10 py-7">
        <h1 className="mb-1 text-[16px]">Storage</h1>
        {error && <p className="text-ruby">{sentenceOf(error)}</p>}
        {data && (
          <div className="max-w-[1120px]">
            <p className="mb-4 text-soft">
              Brachytone keeps <span className="figures">{bytesWords(total)}</span>;{' '}
              <span className="figures">{bytesWords(data.free)}</span> are free on the disk. What is cleaned
              away makes room for new work.
            </p>
            <div className="mb-5 flex h-3 overflow-hidden rounded-sm bg-edge/60" aria-hidden>
              {data.stored.map(({ id, bytes }, i) => (
                <div key={id} style={{ width: `${(100 * bytes) / total}%`, background: TINTS[i] }} />
              ))}
            </div>
            <table className="w-full">
              <thead className="text-left text-soft">
                <tr className="border-b border-edge [&>th]:pb-1.5 [&>th]:font-normal">
                  <th>What</th>
                  <th className="pr-8 text-right">Count</th>
                  <th className="pr-8 text-right">Takes up</th>
                  <th>Kept</th>
                  <th>
                    <span className="sr-only">Clean</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {data.stored.filter(isThere).map((stored, i) => (
                  <Row key={stored.id} stored={stored} tint={TINTS[i]} />
                ))}
              </tbody>
            </table>
          </div>
        )}
      </main>
    </div>
  );
}

function Row({ stored, tint }: { stored: StoredView; tint: string }) {
  const { id, count, bytes, rule } = stored;
  const { name, says, clean } = STORED_WORDS[id];
  const [asking, setAsking] = useState(false);
  return (
    <tr aria-label={name} className="border-b border-edge/70 align-top [&>td]:py-2.5">
      <td className="w-[330px] pr-4">
        <div className="flex items-baseline gap-2.5">
          <span className="size-2.5 shrink-0 rounded-[2px]" style={{ background: tint }} />
          <div>
            <div>{name}</div>
            <div className="text-[12px] text-soft">{says}</div>
          </div>
        </div>
      </td>
      <td className="figures w-[90px] pr-8 text-right">{count}</td>
      <td className="figures w-[110px] pr-8 text-right">{count === 0 ? '–' : bytesWords(bytes)}</td>
      <td>
        {rule ? <RuleRow stored={stored} /> : <span className="text-soft">as long as they are used</span>}
      </td>
      <td className="text-right">
        {clean && (
          <Button className="!h-7" disabled={count === 0} onClick={() => setAsking(true)}>
            Clean…
          </Button>
        )}
        {asking && <AskClean stored={stored} close={() => setAsking(false)} />}
      </td>
    </tr>
  );
}

function AskClean({ stored: { id, count, bytes }, close }: { stored: StoredView; close: () => void }) {
  const [cleanAway, { isLoading }] = useCleanAwayMutation();
  const { name, clean, count: words } = STORED_WORDS[id];
  if (!clean) return null;
  const go = async () => {
    const { data, error } = await cleanAway({ kind: id, rule: clean.rule });
    if (error) toast.error(sentenceOf(error));
    else if (data) toast(`Cleaned away ${words(data.count)}: ${bytesWords(data.bytes)} are free again.`);
    close();
  };
  return (
    <Ask
      title={`Clean away: ${name.toLowerCase()}`}
      yes="Clean away"
      busy={isLoading}
      onYes={() => void go()}
      onNo={close}
    >
      <p>
        {words(count)}, {bytesWords(bytes)}. {clean.warns}
      </p>
    </Ask>
  );
}
