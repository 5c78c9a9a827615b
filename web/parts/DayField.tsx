import { CalendarDays } from 'lucide-react';
import { useId, useRef } from 'react';
import { dayInFigures, parseDay } from '../format/typedDay';
import { useToday } from '../store/clock';
import { IconButton } from './Button';
import { FieldFrame, INPUT_LOOK, noteId } from './FieldFrame';
import { useTyped } from './useTyped';

interface DayFieldProps {
  readonly label: string;
  readonly labelHidden?: boolean;
  /** an ISO date, or empty */
  readonly value: string;
  /** takes a day over; answers what went wrong with it, if anything */
  readonly onCommit: (day: string) => void | Promise<string | undefined>;
  readonly hint?: string;
  readonly className?: string;
}

/**
 * A day of the calendar, read and written in the order of the house, or chosen in the browser's calendar.
 * What is typed stays, also when it is no day.
 */
export function DayField({ label, labelHidden, value, onCommit, hint, className }: DayFieldProps) {
  const id = useId();
  const today = useToday();
  const calendar = useRef<HTMLInputElement>(null);
  const { text, setText, fault, setFault, setIsTyping, type, commit } = useTyped(
    value,
    written,
    (now, of) => now === written(of),
  );
  const take = (): void => {
    setIsTyping(false);
    const day = text.trim() === '' ? '' : parseDay(text, today);
    setFault(day === undefined ? `Enter a day such as ${dayInFigures(today)}.` : undefined);
    if (day === undefined) return;
    setText(written(day));
    if (day !== value) void commit(() => onCommit(day));
  };
  return (
    <FieldFrame
      id={id}
      label={label}
      labelHidden={labelHidden}
      hint={hint}
      error={fault}
      className={className}
    >
      <span className="relative flex items-center">
        <input
          id={id}
          type="text"
          inputMode="numeric"
          autoComplete="off"
          className={`${INPUT_LOOK} pr-9`}
          value={text}
          aria-invalid={fault !== undefined}
          aria-describedby={fault !== undefined || hint !== undefined ? noteId(id) : undefined}
          onChange={(event) => {
            type(event.target.value);
            setIsTyping(true);
          }}
          onBlur={take}
          onKeyDown={(event) => {
            if (event.key === 'Enter') take();
          }}
        />
        {/* Only for its calendar: what it shows is written the browser's way. */}
        <input
          ref={calendar}
          type="date"
          tabIndex={-1}
          aria-hidden
          className="pointer-events-none absolute right-0 bottom-0 size-0 opacity-0"
          value={value}
          onChange={(event) => {
            const day = event.target.value;
            setText(written(day));
            void commit(() => onCommit(day));
          }}
        />
        <IconButton
          label={`Calendar: ${label}`}
          className="absolute right-0.5"
          onClick={() => calendar.current?.showPicker()}
        >
          <CalendarDays aria-hidden size={16} />
        </IconButton>
      </span>
    </FieldFrame>
  );
}

function written(day: string): string {
  return day === '' ? '' : dayInFigures(day);
}
