import { createContext, use, useState, type ReactNode } from 'react';
import type { Working } from '@bienestar/core/explain/working';
import { Sheet } from '../Sheet';
import { WorkingView } from './WorkingView';

const ShowWorking = createContext<(working: Working) => void>(() => undefined);

/** Opens the working of a figure beside the place. */
export function useShowWorking(): (working: Working) => void {
  return use(ShowWorking);
}

/** Holds the sheet on which a figure shows how it comes about. */
export function WorkingProvider({ children }: { readonly children: ReactNode }) {
  const [working, setWorking] = useState<Working>();
  const close = (): void => setWorking(undefined);
  return (
    <ShowWorking value={setWorking}>
      {children}
      <Sheet at="edge" open={working !== undefined} onClose={close} title={working?.title ?? ''}>
        {working && <WorkingView working={working} onLeave={close} />}
      </Sheet>
    </ShowWorking>
  );
}
