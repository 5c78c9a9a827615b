import { useId } from 'react';
import { FieldFrame, INPUT_LOOK, noteId } from './FieldFrame';
import { useTyped } from './useTyped';

interface ReadFieldProps<V> {
  readonly label: string;
  readonly hint?: string;
  readonly value: V;
  /** how a value stands in the field */
  readonly written: (value: V) => string;
  /** what a text says, or what is wrong with it */
  readonly read: (text: string) => { readonly value?: V; readonly fault?: string };
  /** takes a value that is right; answers what went wrong with it, if anything */
  readonly onCommit: (value: V) => void | Promise<string | undefined>;
}

/** A field of words that are read as something else, such as times. What is typed stays, also when it is none. */
export function ReadField<V>({ label, hint, value, written, read, onCommit }: ReadFieldProps<V>) {
  const id = useId();
  const now = written(value);
  const { text, setText, fault, setFault, setIsTyping, type, commit } = useTyped(
    now,
    String,
    (typed, of) => typed === of,
  );
  const take = async (): Promise<void> => {
    setIsTyping(false);
    const { value: typed, fault: wrong } = read(text);
    setFault(wrong);
    if (typed === undefined) return;
    const next = written(typed);
    setText(next);
    if (next !== now) await commit(() => onCommit(typed));
  };
  return (
    <FieldFrame id={id} label={label} hint={hint} error={fault}>
      <input
        id={id}
        className={INPUT_LOOK}
        value={text}
        autoComplete="off"
        aria-invalid={fault !== undefined}
        aria-describedby={fault !== undefined || hint !== undefined ? noteId(id) : undefined}
        onChange={(event) => {
          type(event.target.value);
          setIsTyping(true);
        }}
        onBlur={() => void take()}
        onKeyDown={(event) => {
          if (event.key === 'Enter') void take();
          if (event.key === 'Escape') {
            setIsTyping(false);
            setText(now);
            setFault(undefined);
          }
        }}
      />
    </FieldFrame>
  );
}
