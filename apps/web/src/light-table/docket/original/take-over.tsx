import type { OriginalRecipe } from '@brachytone/core';
import { Menu, MenuHeading, MenuItem } from '../../../controls/menu.tsx';
import { useDocument } from '../../../store/use-job.ts';
import { useEditOriginal, useTheOriginal } from '../../../store/use-original.ts';

/** What can be taken over from another original. */
const PARTS: readonly {
  readonly name: string;
  readonly of: (other: OriginalRecipe) => Partial<OriginalRecipe>;
}[] = [
  { name: 'Tone', of: ({ tone }) => ({ tone }) },
  { name: 'Inks', of: ({ route, overprint }) => ({ route, overprint }) },
  {
    name: 'Container, fade and mix',
    of: ({ container, fade, mix }) => ({ container, fade, mix }),
  },
];

/** Gives the original that is worked on the tone, inks or parts of another one. */
export function TakeOver() {
  const { originals } = useDocument().recipe;
  const { id } = useTheOriginal();
  const change = useEditOriginal();
  const others = originals.filter((one) => one.id !== id);
  if (others.length === 0) return null;
  return (
    <Menu small label="As another…">
      {others.map((other) => (
        <div key={other.id}>
          <MenuHeading>As “{other.name}”</MenuHeading>
          {PARTS.map(({ name, of }) => (
            <MenuItem
              key={name}
              name={name}
              onPick={() =>
                change(`${name} as ${other.name}`, (draft) => void Object.assign(draft, of(other)))
              }
            />
          ))}
        </div>
      ))}
    </Menu>
  );
}
