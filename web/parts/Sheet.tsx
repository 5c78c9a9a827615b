import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';

interface SheetProps {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly title: string;
  readonly description?: string;
  /** in the middle of the screen, or along its right edge */
  readonly at?: 'middle' | 'edge';
  /** for tables */
  readonly wide?: boolean;
  readonly children: ReactNode;
  readonly actions?: ReactNode;
}

const PLACE: Record<NonNullable<SheetProps['at']>, string> = {
  middle: 'top-1/2 left-1/2 max-h-[85dvh] -translate-1/2 border',
  edge: 'inset-y-0 right-0 w-[min(30rem,92vw)] border-l',
};

/** A sheet of paper laid over the place; Escape or the cross takes it away. */
export function Sheet({
  open,
  onClose,
  title,
  description,
  at = 'middle',
  wide = false,
  children,
  actions,
}: SheetProps) {
  return (
    <Dialog.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/25 dim:bg-black/50" />
        <Dialog.Content
          className={`fixed z-40 flex flex-col border-line-strong bg-sheet shadow-sheet focus:outline-none ${PLACE[at]} ${at === 'edge' ? '' : wide ? 'w-[min(60rem,94vw)]' : 'w-[min(40rem,92vw)]'}`}
          onOpenAutoFocus={focusFirstField}
          {...(description === undefined ? { 'aria-describedby': undefined } : {})}
        >
          <header className="flex items-start gap-4 border-b border-line px-6 pt-5 pb-4">
            <div className="min-w-0 flex-1">
              <Dialog.Title className="text-xl break-words">{title}</Dialog.Title>
              {description !== undefined && (
                <Dialog.Description className="mt-1 text-sm text-ink-soft">
                  {description}
                </Dialog.Description>
              )}
            </div>
            <Dialog.Close
              aria-label="Close"
              className="inline-flex size-8 shrink-0 items-center justify-center rounded-sm text-ink-soft hover:bg-sunk hover:text-ink"
            >
              <X aria-hidden size={18} />
            </Dialog.Close>
          </header>
          <div
            className="min-h-0 flex-1 overflow-y-auto px-6 py-5"
            tabIndex={0}
            role="group"
            aria-label={title}
          >
            {children}
          </div>
          {actions && (
            <footer className="flex justify-end gap-3 border-t border-line px-6 py-4">
              {actions}
            </footer>
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** Where there is something to fill in, one begins there, and not at the cross. */
function focusFirstField(event: Event): void {
  const sheet = event.currentTarget as HTMLElement | null;
  const field = sheet?.querySelector<HTMLElement>(
    'input:not([type=checkbox], [type=file]), textarea',
  );
  if (!field) return;
  event.preventDefault();
  field.focus();
}
