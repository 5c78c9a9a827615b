import type { Span } from '@bienestar/core/house/house';
import { spansText, typedSpans } from '@bienestar/core/week/typedSpans';
import { ReadField } from '../../../parts/ReadField';

interface TimesFieldProps {
  readonly label: string;
  readonly spans: readonly Span[];
  /** takes hours that are right; answers what went wrong with them, if anything */
  readonly onCommit: (spans: readonly Span[]) => Promise<string | undefined>;
}

/** Hours as they are said: 10-14, 15-19. */
export function TimesField({ label, spans, onCommit }: TimesFieldProps) {
  return (
    <ReadField
      label={label}
      hint="Such as 10-14, 15-19; empty for a day off."
      value={spans}
      written={spansText}
      read={(text) => {
        const { spans: value, fault } = typedSpans(text);
        return { value, fault };
      }}
      onCommit={onCommit}
    />
  );
}
