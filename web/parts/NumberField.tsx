import { useId, useRef, useState, type KeyboardEvent } from 'react';
import { parseDecimal } from '../format/decimal';
import { editable } from '../format/figures';
import { FieldFrame, INPUT_LOOK, noteId } from './FieldFrame';
import { useIsThere } from './useIsThere';

interface NumberFieldProps {
  readonly label: string;
  readonly labelHidden?: boolean;
  readonly value: number | undefined;
  /** takes a number that is right; answers what went wrong with it, if anything */
  readonly onCommit: (value: number) => void | Promise<string | undefined>;
  /** given where the field may be left empty */
  readonly onClear?: () => void;
  /** says what is wrong with a number */
  readonly check?: (value: number) => string | undefined;
  readonly unit?: string;
  readonly hint?: string;
  readonly error?: string;
  /** while typing, or when the field is left or Enter is pressed */
  readonly commitOn?: 'typing' | 'leaving';
  readonly parse?: (text: string) => number | undefined;
  /** decimals that are always shown, as with money */
  readonly decimals?: number;
  /** ruled below instead of boxed, for columns of figures */
  readonly look?: 'boxed' | 'ruled';
  readonly className?: string;
}

const LOOK = {
  boxed: INPUT_LOOK,
  ruled:
    'h-7 w-full min-w-0 rounded-sm border border-transparent border-b-line-strong bg-transparent px-2.5 hover:border-line-strong hover:bg-sheet focus:border-line-strong focus:bg-sheet aria-invalid:border-clay',
} as const;

/** A number with its unit; decimal comma or point. What is typed stays, also when it does not fit. */
export function NumberField(props: NumberFieldProps) {
  const {
    label,
    labelHidden,
    value,
    onCommit,
    onClear,
    check,
    unit,
    hint,
    commitOn = 'typing',
    parse = parseDecimal,
    decimals,
    look = 'boxed',
    className,
  } = props;
  const written = (number: number | undefined): string =>
    number === undefined ? '' : editable(number, decimals);
  const id = useId();
  const [text, setText] = useState(written(value));
  const [fault, setFault] = useState<string>();
  const [shown, setShown] = useState(value);
  /* What is being typed is not taken away by a value that arrives meanwhile. */
  const [isTyping, setIsTyping] = useState(false);
  /** how often something was typed: an answer to what was typed before does not end it */
  const typedTimes = useRef(0);
  const isThere = useIsThere();
  if (shown !== value) {
    setShown(value);
    if (!isTyping) {
      if (value === undefined ? text.trim() !== '' : parse(text) !== value) {
        setText(written(value));
      }
      setFault(undefined);
    }
  }

  /** Whether a number was read, and nothing is wrong with it. */
  const take = async (typed: string): Promise<boolean> => {
    setIsTyping(false);
    const number = parse(typed);
    if (typed.trim() === '' && onClear) {
      setFault(undefined);
      if (value !== undefined) onClear();
      return false;
    }
    const wrong = number === undefined ? notANumber(value) : check?.(number);
    setFault(wrong);
    if (wrong !== undefined || number === undefined) return false;
    if (number === value) return true;
    /* Until it is answered, what was typed stands: a value that is refused goes, and not the text. */
    setIsTyping(true);
    const asTyped = typedTimes.current;
    const refused = (await onCommit(number)) ?? undefined;
    if (!isThere.current) return false;
    if (typedTimes.current === asTyped) setIsTyping(false);
    setFault(refused);
    return refused === undefined;
  };
  /* A number stands as it was read, so that nobody is told another one later. */
  const standAsRead = async (): Promise<void> => {
    const fits = commitOn === 'leaving' ? await take(text) : fault === undefined;
    const read = parse(text);
    if (fits && read !== undefined) setText((now) => (now === text ? written(read) : now));
  };
  const error = fault ?? props.error;
  return (
    <FieldFrame
      id={id}
      label={label}
      labelHidden={labelHidden}
      hint={hint}
      error={error}
      className={className}
    >
      <span className="relative flex items-center">
        <input
          id={id}
          type="text"
          inputMode="decimal"
          autoComplete="off"
          className={`${LOOK[look]} text-right ${unit ? 'pr-[calc(0.9rem+var(--unit)*0.5rem)]' : ''}`}
          style={{ '--unit': unit?.length ?? 0 } as React.CSSProperties}
          value={text}
          aria-invalid={error !== undefined}
          aria-describedby={error !== undefined || hint !== undefined ? noteId(id) : undefined}
          onChange={(event) => {
            typedTimes.current += 1;
            setText(event.target.value);
            if (commitOn === 'typing') void take(event.target.value);
            else setIsTyping(true);
          }}
          onBlur={() => {
            void standAsRead();
          }}
          onKeyDown={(event: KeyboardEvent) => {
            if (event.key === 'Enter' && commitOn === 'leaving') void take(text);
          }}
        />
        {unit && (
          <span
            aria-hidden
            className="pointer-events-none absolute right-2.5 text-sm text-ink-soft"
          >
            {unit}
          </span>
        )}
      </span>
    </FieldFrame>
  );
}

/** The words for text that is no number, and what is counted with meanwhile. */
export function notANumber(counted: number | undefined): string {
  return counted === undefined
    ? 'Enter a number, such as 3 or 2.5.'
    : `Enter a number, such as 3 or 2.5. Still counted with ${editable(counted)}.`;
}
