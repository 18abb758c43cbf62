import { Dialog } from 'radix-ui';
import { useEffect, useState } from 'react';
import { isTyping } from '../controls/is-typing.ts';
import { KEYS } from './use-keys.ts';

/** All keys, on `?`. */
export function KeyHelp() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent) => {
      if (event.key === '?' && !isTyping(event.target)) setOpen((before) => !before);
    };
    addEventListener('keydown', onKeyDown);
    return () => removeEventListener('keydown', onKeyDown);
  }, []);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-30 w-[380px] -translate-1/2 rounded-sm border border-ink bg-raised p-5"
        >
          <Dialog.Title className="mb-3 text-[15px]">Keys</Dialog.Title>
          <dl className="grid grid-cols-[110px_1fr] gap-y-1.5">
            {KEYS.map(([key, does]) => (
              <div key={key} className="contents">
                <dt className="figures">{key}</dt>
                <dd className="text-soft">{does}</dd>
              </div>
            ))}
          </dl>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
