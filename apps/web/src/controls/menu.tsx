import { DropdownMenu } from 'radix-ui';
import type { ReactNode } from 'react';

/** A button that opens a list of things to do. */
export function Menu({
  label,
  children,
  align = 'start',
  small = false,
}: {
  label: ReactNode;
  /** True for a button that stands beside a heading. */
  small?: boolean;
  children: ReactNode;
  align?: 'start' | 'end';
}) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        className={`flex items-center gap-1.5 rounded-sm border border-edge bg-raised hover:bg-white data-[state=open]:border-ink ${small ? 'h-6 px-2 text-[12px]' : 'h-7 px-2.5'}`}
      >
        {label}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align={align}
          sideOffset={3}
          collisionPadding={8}
          className="z-20 max-h-[min(70vh,var(--radix-dropdown-menu-content-available-height))] w-[278px] overflow-y-auto rounded-sm border border-ink bg-raised py-1"
        >
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

export function MenuItem({ name, says, onPick }: { name: ReactNode; says?: string; onPick: () => void }) {
  return (
    <DropdownMenu.Item
      className="block cursor-pointer px-2.5 py-1 outline-none data-highlighted:bg-ink data-highlighted:text-raised"
      onSelect={onPick}
    >
      <span className="block font-semibold">{name}</span>
      {says && <span className="block leading-4 opacity-80">{says}</span>}
    </DropdownMenu.Item>
  );
}

/** A small thing to do beside another; the list stays open. */
export function MenuAside({
  label,
  children,
  onPick,
}: {
  label: string;
  children: ReactNode;
  onPick: () => void;
}) {
  return (
    <DropdownMenu.Item
      aria-label={label}
      title={label}
      className="flex w-7 shrink-0 cursor-pointer items-center justify-center text-soft outline-none data-highlighted:bg-ruby data-highlighted:text-raised"
      onSelect={(event) => {
        event.preventDefault();
        onPick();
      }}
    >
      {children}
    </DropdownMenu.Item>
  );
}

/** A small heading among the things. */
export function MenuHeading({ children }: { children: ReactNode }) {
  return <DropdownMenu.Label className="px-2.5 pt-2 pb-0.5 text-soft">{children}</DropdownMenu.Label>;
}
