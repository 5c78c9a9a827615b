import { useId, type Ref } from 'react';
import { LONGEST_NAME } from '@bienestar/core/house/limits';
import { FieldFrame, INPUT_LOOK, noteId } from './FieldFrame';
import { useTyped } from './useTyped';

interface TextFieldProps {
  readonly label: string;
  readonly labelHidden?: boolean;
  readonly value: string;
  /** takes text over; answers what went wrong with it, if anything */
  readonly onCommit: (text: string) => void | Promise<string | undefined>;
  /** while typing, or when the field is left or Enter is pressed */
  readonly commitOn?: 'typing' | 'leaving';
  readonly needed?: boolean;
  readonly hint?: string;
  readonly lines?: number;
  readonly longest?: number;
  readonly className?: string;
  readonly inputRef?: Ref<HTMLInputElement>;
}

/** Text; an empty one that is needed is explained and not taken over. */
export function TextField({
  label,
  labelHidden,
  value,
  onCommit,
  commitOn = 'typing',
  needed = false,
  hint,
  lines,
  longest = LONGEST_NAME,
  className,
  inputRef,
}: TextFieldProps) {
  const id = useId();
  const { text, fault, setFault, setIsTyping, type, commit } = useTyped(
    value,
    String,
    (now, of) => now === of,
  );
  const take = async (typed: string): Promise<void> => {
    setIsTyping(false);
    if (needed && typed.trim() === '') {
      setFault('This is needed.');
      return;
    }
    setFault(undefined);
    if (typed === value) return;
    await commit(() => onCommit(typed));
  };
  const shared = {
    id,
    value: text,
    maxLength: longest,
    'aria-invalid': fault !== undefined,
    'aria-describedby': fault !== undefined || hint !== undefined ? noteId(id) : undefined,
    onChange: (event: { target: { value: string } }) => {
      type(event.target.value);
      if (commitOn === 'typing') void take(event.target.value);
      else setIsTyping(true);
    },
    onBlur: () => {
      if (commitOn === 'leaving') void take(text);
    },
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
      {lines === undefined ? (
        <input
          type="text"
          autoComplete="off"
          ref={inputRef}
          className={INPUT_LOOK}
          onKeyDown={(event) => {
            if (event.key === 'Enter' && commitOn === 'leaving') void take(text);
          }}
          {...shared}
        />
      ) : (
        <textarea rows={lines} className={`${INPUT_LOOK} h-auto py-1.5 leading-snug`} {...shared} />
      )}
    </FieldFrame>
  );
}
