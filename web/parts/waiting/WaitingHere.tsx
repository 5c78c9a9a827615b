import { momentText } from '../../format/figures';
import { useTimeZone } from '../../store/clock';
import type { QueuedWrite } from '../../store/outbox/queuedWrite';
import { useAppSelector } from '../../store/store';
import { waitingOf } from './waitingOf';
import { changeWords } from './waitingWords';

/** What waits to be entered here and is not in the figures yet. */
export function WaitingHere({ isHere }: { readonly isHere: (write: QueuedWrite) => boolean }) {
  const timeZone = useTimeZone();
  const waiting = useAppSelector(({ queue }) => waitingOf(queue.writes));
  const here = waiting.filter((write) => isHere(write) && write.state.is !== 'refused');
  if (here.length === 0) return null;
  return (
    <div role="status" className="border-l-4 border-clay px-3 py-1 text-sm">
      <p className="font-semibold">Kept in this browser, and not entered yet:</p>
      <ul>
        {here.map(({ id, at, change }) => (
          <li key={id}>
            {momentText(at, timeZone)}: {changeWords(change)}
          </li>
        ))}
      </ul>
    </div>
  );
}
