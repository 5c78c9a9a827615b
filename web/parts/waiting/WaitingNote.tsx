import { lazy, Suspense, useState } from 'react';
import { counted } from '../../format/figures';
import { useAppSelector } from '../../store/store';
import { waitingOf } from './waitingOf';

const WaitingSheet = lazy(async () => ({ default: (await import('./WaitingSheet')).WaitingSheet }));

/** How many changes wait in this browser, and the way to see them; nothing while none does. */
export function WaitingNote() {
  const [isOpen, setIsOpen] = useState(false);
  const waiting = useAppSelector(({ queue }) => waitingOf(queue.writes));
  if (waiting.length === 0 && !isOpen) return null;
  const refused = waiting.filter(({ state }) => state.is === 'refused').length;
  return (
    <>
      <button
        type="button"
        className="flex min-h-9 items-center gap-2 border-l-4 border-clay px-3 text-sm font-semibold hover:bg-clay-wash"
        onClick={() => setIsOpen(true)}
      >
        {refused > 0
          ? `${counted(refused, 'change')} could not be saved`
          : `${counted(waiting.length, 'change')} not saved yet`}
      </button>
      <Suspense>
        {isOpen && <WaitingSheet waiting={waiting} onClose={() => setIsOpen(false)} />}
      </Suspense>
    </>
  );
}
