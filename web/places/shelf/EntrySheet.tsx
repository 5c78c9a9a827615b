import { useState, type ReactNode } from 'react';
import type { EntryId } from '@bienestar/core/house/ids';
import type { StockEntry } from '@bienestar/core/stock/entries';
import { FormFault } from '../../parts/FormFault';
import { Button } from '../../parts/Button';
import { Sheet } from '../../parts/Sheet';
import { useRightForm } from '../../parts/useRightForm';
import { newEntryId, useEnter, type Entered } from '../../store/useEnter';

interface EntrySheetProps {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly title: string;
  /** what the material is called */
  readonly name: string;
  readonly description?: string;
  readonly action: string;
  /** the entry as it stands, or what is still missing */
  readonly make: (id: EntryId) => StockEntry | string;
  readonly onEntered?: () => void;
  /** another way of entering than straight into the ledger */
  readonly send?: (entry: StockEntry) => Promise<Entered>;
  readonly children: ReactNode;
}

/** A sheet that enters something into the ledger; what is refused is said, and stays to be mended. */
export function EntrySheet(props: EntrySheetProps) {
  const { open, onClose, title, name, description, action, make, onEntered, send, children } =
    props;
  const enter = useEnter();
  const [id, setId] = useState(newEntryId);
  const { form, fault, setFault, isRight } = useRightForm<HTMLFormElement>();
  const [busy, setBusy] = useState(false);
  const close = (): void => {
    setFault(undefined);
    onClose();
  };
  const submit = async (): Promise<void> => {
    if (!isRight()) return;
    const entry = make(id);
    if (typeof entry === 'string') {
      setFault(entry);
      return;
    }
    setBusy(true);
    const entered = await (send ? send(entry) : enter(entry, name));
    setBusy(false);
    if (!entered.ok) {
      setFault(entered.message);
      return;
    }
    setFault(undefined);
    setId(newEntryId());
    (onEntered ?? onClose)();
  };
  return (
    <Sheet
      open={open}
      onClose={close}
      title={title}
      description={description}
      actions={
        <Button weight="main" disabled={busy} onClick={() => void submit()}>
          {action}
        </Button>
      }
    >
      <form
        ref={form}
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        {children}
        <FormFault fault={fault} />
      </form>
    </Sheet>
  );
}
