import { useId } from 'react';
import { FieldFrame, INPUT_LOOK } from './FieldFrame';

interface DayFieldProps {
  readonly label: string;
  readonly labelHidden?: boolean;
  /** an ISO date, or empty */
  readonly value: string;
  readonly onCommit: (day: string) => void;
  readonly hint?: string;
  readonly className?: string;
}

/** A day of the calendar, in the reader's way of writing it. */
export function DayField({ label, labelHidden, value, onCommit, hint, className }: DayFieldProps) {
  const id = useId();
  return (
    <FieldFrame id={id} label={label} labelHidden={labelHidden} hint={hint} className={className}>
      <input
        id={id}
        type="date"
        className={INPUT_LOOK}
        value={value}
        onChange={(event) => onCommit(event.target.value)}
      />
    </FieldFrame>
  );
}
