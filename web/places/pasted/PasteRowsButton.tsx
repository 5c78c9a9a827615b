import { ClipboardPaste } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import type { PastedKind } from '@bienestar/core/pasted/pastedRows';
import { Button } from '../../parts/Button';

const PasteRowsSheet = lazy(async () => ({
  default: (await import('./PasteRowsSheet')).PasteRowsSheet,
}));

/** The way to things of the house from rows of a spreadsheet. */
export function PasteRowsButton({ kind }: { readonly kind: PastedKind }) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <>
      <Button onClick={() => setIsOpen(true)}>
        <ClipboardPaste aria-hidden size={16} /> Paste rows
      </Button>
      {isOpen && (
        <Suspense>
          <PasteRowsSheet kind={kind} onClose={() => setIsOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
