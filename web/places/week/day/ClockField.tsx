import { typedClock } from '@bienestar/core/week/typedSpans';
import { ReadField } from '../../../parts/ReadField';
import { clock } from '../weekWords';

interface ClockFieldProps {
  readonly label: string;
  /** of the day */
  readonly minute: number;
  readonly onCommit: (minute: number) => void;
}

/** A time of the day, as 14:05. */
export function ClockField({ label, minute, onCommit }: ClockFieldProps) {
  return (
    <ReadField
      label={label}
      value={minute}
      written={clock}
      read={(text) => {
        const value = typedClock(text);
        return { value, fault: value === undefined ? 'Write a time such as 14:05.' : undefined };
      }}
      onCommit={onCommit}
    />
  );
}
