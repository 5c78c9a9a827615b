import { Link } from 'react-router';
import { momentText } from '../../format/figures';
import { useTimeZone } from '../../store/clock';
import { targetOf, type QueuedWrite } from '../../store/outbox/queuedWrite';
import { outbox } from '../../store/store';
import { Button } from '../Button';
import { Sheet } from '../Sheet';
import { changeWords } from './waitingWords';

interface WaitingSheetProps {
  readonly waiting: readonly QueuedWrite[];
  readonly onClose: () => void;
}

/** What was changed and is not saved yet, in the order in which it is sent. */
export function WaitingSheet({ waiting, onClose }: WaitingSheetProps) {
  const timeZone = useTimeZone();
  return (
    <Sheet
      open
      onClose={onClose}
      title="Not saved yet"
      description="Kept in this browser, also when its window is closed, and saved in this order when the house answers."
    >
      {waiting.length === 0 && <p className="text-sm">Everything is saved.</p>}
      <ul>
        {waiting.map((write) => (
          <li key={write.id} className="flex items-start gap-4 border-b border-line py-2 text-sm">
            <span className="w-28 shrink-0 text-ink-soft">{momentText(write.at, timeZone)}</span>
            <span className="min-w-0 flex-1">
              <span className="font-semibold">{write.name}</span>: {changeWords(write.change)}
              <StandsAt write={write} onClose={onClose} />
            </span>
            {canBeLeft(write) && (
              <Button
                weight="remove"
                aria-label={`Do not save: ${write.name}, ${changeWords(write.change)}`}
                onClick={() => outbox.drop(write.id)}
              >
                Do not save it
              </Button>
            )}
          </li>
        ))}
      </ul>
    </Sheet>
  );
}

/** What was sent may have been done; a draft is undone at its workbench. */
function canBeLeft({ state, change }: QueuedWrite): boolean {
  return state.is === 'refused' || (state.is === 'waiting' && change.kind !== 'draft');
}

function StandsAt({
  write: { state, change },
  onClose,
}: {
  write: QueuedWrite;
  onClose: () => void;
}) {
  if (state.is === 'refused') {
    return <span className="block font-semibold text-clay">▲ {state.message}</span>;
  }
  if (state.is !== 'clash') return null;
  if (change.kind !== 'draft') {
    return (
      <span className="block text-clay">▲ Changed by somebody else: choose which to keep.</span>
    );
  }
  const to = `/${targetOf(change).replace(/^blocks/, 'protocols/blocks')}`;
  return (
    <Link
      to={to}
      onClick={onClose}
      className="block font-semibold text-palm underline underline-offset-4"
    >
      Changed by somebody else: open it and choose
    </Link>
  );
}
