import { useId, type KeyboardEvent } from 'react';
import { parseDecimal } from '../format/decimal';
import { editable } from '../format/figures';
import { FieldFrame, INPUT_LOOK, noteId } from './FieldFrame';
import { useTyped } from './useTyped';

/** What becomes of a field that is left empty: it is said of each that can be. */
type WhenEmpty = (() => void) | 'needed';

/** A value, and what becomes of it where the field is left empty. */
export type ValueOrNone =
  | { readonly value: number; readonly onClear?: WhenEmpty }
  | { readonly value: number | undefined; readonly onClear: WhenEmpty };

type NumberFieldProps = NumberFieldLook & ValueOrNone;

interface NumberFieldLook {
  readonly label: string;
  readonly labelHidden?: boolean;
  /** takes a number that is right; answers what went wrong with it, if anything */
  readonly onCommit: (value: number) => void | Promise<string | undefined>;
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

/** What is typed without the unit that somebody typed behind it, as one says it: 5 %, 12 ml. */
function withoutUnit(text: string, unit: string | undefined): string {
  const said = text.trim();
  const has = unit !== undefined && said.toLowerCase().endsWith(unit.toLowerCase());
  return has ? said.slice(0, -unit.length) : text;
}

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
  const read = (typed: string): number | undefined => parse(withoutUnit(typed, unit));
  const id = useId();
  const { text, setText, fault, setFault, setIsTyping, type, commit } = useTyped(
    value,
    written,
    (now, of) => (of === undefined ? now.trim() === '' : read(now) === of),
  );

  /** Whether a number was read, and nothing is wrong with it. */
  const take = async (typed: string): Promise<boolean> => {
    setIsTyping(false);
    const number = read(typed);
    if (typed.trim() === '' && onClear !== undefined && onClear !== 'needed') {
      setFault(undefined);
      if (value !== undefined) onClear();
      return false;
    }
    const wrong = number === undefined ? notANumber(value) : check?.(number);
    setFault(wrong);
    if (wrong !== undefined || number === undefined) return false;
    if (number === value) return true;
    return commit(() => onCommit(number));
  };
  /* A number stands as it was read, so that nobody is told another one later. */
  const standAsRead = async (): Promise<void> => {
    const fits = commitOn === 'leaving' ? await take(text) : fault === undefined;
    const number = read(text);
    if (fits && number !== undefined) setText((now) => (now === text ? written(number) : now));
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
            type(event.target.value);
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
