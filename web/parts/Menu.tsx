import { DropdownMenu } from 'radix-ui';
import type { ReactNode } from 'react';

/** The look of a line of a menu, in hand or not. */
export const MENU_LINE =
  'flex h-9 items-center rounded-sm px-3 text-base outline-none data-highlighted:bg-sunk';

interface MenuProps {
  /** the button that opens it */
  readonly trigger: ReactNode;
  readonly align?: 'start' | 'end';
  readonly side?: 'top' | 'bottom';
  readonly children: ReactNode;
}

/** A menu that opens at its button. */
export function Menu({ trigger, align = 'end', side = 'bottom', children }: MenuProps) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger asChild>{trigger}</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align={align}
          side={side}
          className="z-50 max-w-80 min-w-40 rounded-sm border border-line-strong bg-sheet p-1 shadow-sheet max-h-(--radix-dropdown-menu-content-available-height) overflow-y-auto"
        >
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

interface MenuLineProps {
  readonly onSelect: () => void;
  readonly children: ReactNode;
}

/** Something to do. */
export function MenuLine({ onSelect, children }: MenuLineProps) {
  return (
    <DropdownMenu.Item className={MENU_LINE} onSelect={onSelect}>
      {children}
    </DropdownMenu.Item>
  );
}
