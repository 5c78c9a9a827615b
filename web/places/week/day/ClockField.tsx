import { useId, useState } from 'react';
import { typedClock } from '@bienestar/core/week/typedSpans';
import { FieldFrame, INPUT_LOOK, noteId } from '../../../parts/FieldFrame';
import { clock } from '../weekWords';

interface ClockFieldProps {
  readonly label: string;
  /** of the day */
  readonly minute: number;
  readonly onCommit: (minute: number) => void;
}

/** A time of the day, as 14:05. What is typed stays, also when it is no time. */
export function ClockField({ label, minute, onCommit }: ClockFieldProps) {
  const id = useId();
  const [text, setText] = useState(clock(minute));
  const [shown, setShown] = useState(minute);
  const [fault, setFault] = useState<string>();
  if (shown !== minute) {
    setShown(minute);
    setText(clock(minute));
    setFault(undefined);
  }
  const take = (): void => {
    const typed = typedClock(text);
    setFault(typed === undefined ? 'Write a time such as 14:05.' : undefined);
    if (typed === undefined) return;
    setText(clock(typed));
    if (typed !== minute) onCommit(typed);
  };
  return (
    <FieldFrame id={id} label={label} error={fault}>
      <input
        id={id}
        className={INPUT_LOOK}
        value={text}
        autoComplete="off"
        aria-invalid={fault !== undefined}
        aria-describedby={fault === undefined ? undefined : noteId(id)}
        onChange={(event) => setText(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => {
          if (event.key === 'Enter') take();
        }}
      />
    </FieldFrame>
  );
}
