import { useState } from 'react';
import { toast } from '../../parts/toast';
import { askWorker } from '../../workers/askWorker';
import type { PaperWorker } from '../../workers/paper.worker';
import type { OnPaper } from './onPaper';

/** Makes a PDF in a worker and gives it to the person. */
export function usePdf(): {
  readonly busy: boolean;
  readonly make: (what: OnPaper, name: string) => void;
} {
  const [busy, setBusy] = useState(false);
  const make = async (what: OnPaper, name: string): Promise<void> => {
    setBusy(true);
    const { ask, end } = askWorker<PaperWorker>(
      new Worker(new URL('../../workers/paper.worker.tsx', import.meta.url), { type: 'module' }),
    );
    try {
      const blob = await ask((paper) => paper.pdf(what));
      const link = document.createElement('a');
      link.href = URL.createObjectURL(blob);
      link.download = `${name}.pdf`;
      link.click();
      URL.revokeObjectURL(link.href);
    } catch {
      toast.error('The PDF could not be made. Printing gives the same page.');
    } finally {
      end();
      setBusy(false);
    }
  };
  return { busy, make: (what, name) => void make(what, name) };
}
