import type { Screen } from '@brachytone/core';
import { SHIPPED_SCREENS, type NamedScreen } from '@brachytone/job';
import { Popover } from 'radix-ui';
import { X } from 'lucide-react';
import { useState } from 'react';
import { KeepForm } from '../../controls/keep-form.tsx';
import { useDropScreenMutation, useKeepScreenMutation, useScreensQuery } from '../../store/api.ts';
import { orSay } from '../../store/or-say.ts';
import { screenWords } from '../../words/words.ts';
import { ScreenSwatch } from './screen-swatch.tsx';

const WIDTH = 128;

/** Screens to take from the shelf, each drawn by the engine; the user's own among them. */
export function ScreenShelf({ take }: { take: (name: string, screen: Screen) => void }) {
  const [open, setOpen] = useState(false);
  const { data: kept = [] } = useScreensQuery();
  const [drop] = useDropScreenMutation();
  const card = (one: NamedScreen, id?: string) => (
    <li key={id ?? one.name} className="relative">
      <button
        type="button"
        title={[one.says, screenWords(one.screen)].filter(Boolean).join(' ')}
        onClick={() => {
          take(one.name, one.screen);
          setOpen(false);
        }}
        className="block w-full rounded-sm border border-edge bg-white text-left hover:border-ink"
      >
        <ScreenSwatch screen={one.screen} width={WIDTH} height={46} tones={[4, 88]} mark={12} />
        <span className="block truncate border-t border-edge/70 px-1.5 py-1 leading-4">{one.name}</span>
      </button>
      {id && (
        <button
          type="button"
          aria-label={`Take ${one.name} off the shelf`}
          title={`Take ${one.name} off the shelf`}
          onClick={() => orSay(drop(id).unwrap())}
          className="absolute right-1 bottom-1 rounded-sm p-0.5 text-soft hover:bg-ruby hover:text-raised"
        >
          <X size={13} />
        </button>
      )}
    </li>
  );
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger className="mb-2.5 flex h-7 w-full items-center justify-center rounded-sm border border-edge bg-raised hover:bg-white data-[state=open]:border-ink">
        Take one from the shelf
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="right"
          align="start"
          sideOffset={16}
          collisionPadding={8}
          aria-label="Shelf of screens"
          className="z-20 max-h-[80vh] overflow-y-auto rounded-sm border border-ink bg-raised p-2.5"
        >
          {kept.length > 0 && (
            <>
              <h3 className="mb-1.5 text-[12.5px]">Your own</h3>
              <ul className="mb-3 grid grid-cols-3 gap-2" style={{ width: 3 * WIDTH + 24 }}>
                {kept.map(({ id, ...one }) => card(one, id))}
              </ul>
              <h3 className="mb-1.5 text-[12.5px]">Ready-made</h3>
            </>
          )}
          <ul className="grid grid-cols-3 gap-2" style={{ width: 3 * WIDTH + 24 }}>
            {SHIPPED_SCREENS.map((one) => card(one))}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** Keeps a screen under a name that says what it does. */
export function KeepScreen({ screen }: { screen: Screen }) {
  const [keep, { isLoading }] = useKeepScreenMutation();
  return (
    <KeepForm
      invitation="Keep this screen on the shelf…"
      label="Name of the screen"
      busy={isLoading}
      keep={(name) => keep({ name, says: '', screen }).unwrap()}
    />
  );
}
