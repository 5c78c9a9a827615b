import type { QueuedWrite } from '../store/outbox/queuedWrite';
import { LaterNote } from './LaterNote';
import { StaleWriteDialog } from './StaleWriteDialog';

interface StaleChoiceProps {
  readonly write: QueuedWrite;
  readonly isPutOff: boolean;
  readonly onPutOff: (is: boolean) => void;
}

/** The choice between two changes of the same thing, or the way back to it where it was put off. */
export function StaleChoice({ write, isPutOff, onPutOff }: StaleChoiceProps) {
  return isPutOff ? (
    <LaterNote
      words={`${write.name} was changed by somebody else meanwhile. Yours waits here until you choose.`}
      onChoose={() => onPutOff(false)}
    />
  ) : (
    <StaleWriteDialog write={write} onLater={() => onPutOff(true)} />
  );
}
