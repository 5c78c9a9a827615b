import { createContext, lazy, Suspense, use, useEffect, useState, type ReactNode } from 'react';
import type { Working } from '@bienestar/core/explain/working';
import { whenIdle } from '../whenIdle';

const load = () => import('./WorkingSheet');
const WorkingSheet = lazy(async () => ({ default: (await load()).WorkingSheet }));

const ShowWorking = createContext<(working: Working) => void>(() => undefined);

/** Opens the working of a figure beside the place. */
export function useShowWorking(): (working: Working) => void {
  return use(ShowWorking);
}

/** Holds the working of a figure that is looked at; its sheet comes with the first one. */
export function WorkingProvider({ children }: { readonly children: ReactNode }) {
  const [working, setWorking] = useState<Working>();
  const [wasShown, setWasShown] = useState(false);
  const show = (next: Working): void => {
    setWorking(next);
    setWasShown(true);
  };
  useEffect(() => whenIdle(() => void load()), []);
  return (
    <ShowWorking value={show}>
      {children}
      <Suspense>
        {wasShown && <WorkingSheet working={working} onClose={() => setWorking(undefined)} />}
      </Suspense>
    </ShowWorking>
  );
}
