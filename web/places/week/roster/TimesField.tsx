import { useId, useState } from 'react';
import type { Span } from '@bienestar/core/house/house';
import { spansText, typedSpans } from '@bienestar/core/week/typedSpans';
import { FieldFrame, INPUT_LOOK, noteId } from '../../../parts/FieldFrame';
import { useIsThere } from '../../../parts/useIsThere';

interface TimesFieldProps {
  readonly label: string;
  readonly spans: readonly Span[];
  /** takes hours that are right; answers what went wrong with them, if anything */
  readonly onCommit: (spans: readonly Span[]) => Promise<string | undefined>;
}

/** Hours as they are said: 10-14, 15-19. What is typed stays, also when it is no time. */
export function TimesField({ label, spans, onCommit }: TimesFieldProps) {
  const id = useId();
  const written = spansText(spans);
  const [text, setText] = useState(written);
  const [shown, setShown] = useState(written);
  const [fault, setFault] = useState<string>();
  const isThere = useIsThere();
  if (shown !== written) {
    setShown(written);
    setText(written);
    setFault(undefined);
  }
  const take = async (): Promise<void> => {
    const typed = typedSpans(text);
    setFault(typed.fault);
    if (!typed.spans) return;
    if (spansText(typed.spans) === written) setText(written);
    else {
      const refused = await onCommit(typed.spans);
      if (isThere.current) setFault(refused);
    }
  };
  return (
    <FieldFrame
      id={id}
      label={label}
      hint="Such as 10-14, 15-19; empty for a day off."
      error={fault}
    >
      <input
        id={id}
        className={INPUT_LOOK}
        value={text}
        autoComplete="off"
        aria-invalid={fault !== undefined}
        aria-describedby={noteId(id)}
        onChange={(event) => setText(event.target.value)}
        onBlur={() => void take()}
        onKeyDown={(event) => {
          if (event.key === 'Enter') void take();
          if (event.key === 'Escape') {
            setText(written);
            setFault(undefined);
          }
        }}
      />
    </FieldFrame>
  );
}
