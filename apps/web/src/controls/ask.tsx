import { AlertDialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { Button } from './button.tsx';

/** A question before something is done that cannot be undone. */
export function Ask({
  title,
  yes,
  no = 'Leave it',
  busy = false,
  onYes,
  onNo,
  children,
}: {
  title: string;
  /** What the two buttons say. */
  yes: string;
  no?: string;
  busy?: boolean;
  onYes: () => void;
  onNo: () => void;
  children: ReactNode;
}) {
  return (
    <AlertDialog.Root open onOpenChange={(open) => !open && onNo()}>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-20 bg-ink/20" />
        <AlertDialog.Content className="fixed top-1/2 left-1/2 z-30 w-[440px] -translate-1/2 rounded-sm border border-ink bg-raised p-5">
          <AlertDialog.Title className="mb-2 text-[15px]">{title}</AlertDialog.Title>
          <AlertDialog.Description asChild>
            <div className="mb-4">{children}</div>
          </AlertDialog.Description>
          <div className="flex justify-end gap-2">
            <AlertDialog.Cancel asChild>
              <Button>{no}</Button>
            </AlertDialog.Cancel>
            <Button kind="stop" disabled={busy} onClick={onYes}>
              {yes}
            </Button>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
