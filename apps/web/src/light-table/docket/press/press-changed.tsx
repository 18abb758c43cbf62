import type { JobPress, Press } from '@brachytone/core';
import { middleGain } from '@brachytone/core';
import { toast } from 'sonner';
import { useKeepPressMutation } from '../../../store/api.ts';
import { edit } from '../../../store/job-slice.ts';
import { orSay } from '../../../store/or-say.ts';
import { isEqual } from '../../../store/sharing.ts';
import { useAppDispatch } from '../../../store/store.ts';
import { ResetButton } from '../group.tsx';

type NumberKey = { [Key in keyof Press]: Press[Key] extends number ? Key : never }[keyof Press];

const NUMBERS: readonly (readonly [NumberKey, string, string])[] = [
  ['leastDot', 'least dot', 'µm'],
  ['leastGap', 'least gap', 'µm'],
  ['leastLine', 'least line', 'mm'],
  ['leastLineGap', 'line gap', 'mm'],
  ['edgeGain', 'edge gain', 'mm'],
  ['register', 'register', 'mm'],
  ['inkLimit', 'ink limit', '%'],
  ['resolution', 'films at', 'dpi'],
];

/** What is different in another state of a press, in words. */
export function pressChanges(from: Press, to: Press): string[] {
  const changes: string[] = [];
  if (!isEqual(from.gain, to.gain))
    changes.push(`gain at 50 % ${middleGain(from.gain).toFixed(1)} → ${middleGain(to.gain).toFixed(1)} %`);
  const inks = new Set([...from.inkGains, ...to.inkGains].map(({ ink }) => ink));
  for (const ink of inks) {
    const [before, after] = [from, to].map(({ inkGains }) => inkGains.find((one) => one.ink === ink)?.gain);
    if (!isEqual(before, after)) changes.push(`gain of ${ink}`);
  }
  for (const [key, words, unit] of NUMBERS)
    if (from[key] !== to[key]) changes.push(`${words} ${from[key]} → ${to[key]} ${unit}`);
  if (!isEqual(from.mesh, to.mesh)) changes.push('mesh');
  if (!isEqual(from.sheet, to.sheet)) changes.push('largest sheet');
  return changes;
}

/** Tells where the job's press and the one in the press room have grown apart, and offers a way from one to the other. */
export function PressChanged({
  chosen,
  room,
}: {
  chosen: JobPress;
  room: readonly { readonly id: string; readonly press: Press }[];
}) {
  const dispatch = useAppDispatch();
  const [keep] = useKeepPressMutation();
  const now = room.find(({ id }) => id === chosen.id)?.press;
  const changes = now ? pressChanges(chosen.press, now) : [];
  if (now && changes.length === 0) return null;
  return (
    <div className="mt-1 border-l-2 border-guide-deep pl-2 text-soft">
      {now && <p>The press room’s version differs: {changes.join(' · ')}.</p>}
      <p className="flex gap-3">
        {now && (
          <ResetButton
            label="Take the press room’s"
            onClick={() =>
              dispatch(
                edit('Press as in the room', (draft) => {
                  if (draft.recipe.press)
                    draft.recipe.press.press = structuredClone(now) as typeof draft.recipe.press.press;
                }),
              )
            }
          />
        )}
        <ResetButton
          label="Keep this one as a press"
          onClick={() =>
            void orSay(
              keep({ ...chosen.press, name: `${chosen.press.name.slice(0, 50)}, own` })
                .unwrap()
                .then(({ id, ...press }) => {
                  dispatch(
                    edit('Your press', (draft) => {
                      if (draft.recipe.press) {
                        draft.recipe.press.id = id;
                        draft.recipe.press.press = press as typeof draft.recipe.press.press;
                      }
                    }),
                  );
                  toast(`“${press.name}” stands in the press room.`);
                }),
            )
          }
        />
      </p>
    </div>
  );
}
