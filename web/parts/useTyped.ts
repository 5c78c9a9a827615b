import { useRef, useState } from 'react';
import { useIsThere } from './useIsThere';

/** What is typed into a field, and what becomes of it. */
interface Typed {
  readonly text: string;
  readonly setText: (text: string | ((now: string) => string)) => void;
  readonly fault: string | undefined;
  readonly setFault: (fault: string | undefined) => void;
  readonly setIsTyping: (isTyping: boolean) => void;
  /** takes over what was typed now */
  readonly type: (text: string) => void;
  /** hands on what was typed; whether it was not refused, while the field is there */
  readonly commit: (take: () => void | Promise<string | undefined>) => Promise<boolean>;
}

/**
 * The text of a field whose value may be changed elsewhere, too. What is being typed is not taken away by a value that
 * arrives meanwhile; until it is answered, what was typed stands. Then the field shows what is so: what was refused
 * stays with the reason, and what was changed again before the answer came, such as by undoing, is shown as it is.
 * @param written how a value stands in the field
 * @param says whether a text stands for a value already, if in other words
 */
export function useTyped<V>(
  value: V,
  written: (value: V) => string,
  says: (text: string, value: V) => boolean,
): Typed {
  const [text, setText] = useState(() => written(value));
  const [fault, setFault] = useState<string>();
  const [shown, setShown] = useState(value);
  const [isTyping, setIsTyping] = useState(false);
  const [hasMissed, setHasMissed] = useState(false);
  /** how often something was typed: an answer to what was typed before does not end it */
  const typedTimes = useRef(0);
  const isThere = useIsThere();
  const follow = (): void => {
    if (!says(text, value)) setText(written(value));
    setFault(undefined);
  };
  if (shown !== value) {
    setShown(value);
    if (isTyping) setHasMissed(true);
    else follow();
  } else if (hasMissed && !isTyping) {
    setHasMissed(false);
    if (fault === undefined) follow();
  }
  return {
    text,
    setText,
    fault,
    setFault,
    setIsTyping,
    type: (typed) => {
      typedTimes.current += 1;
      setText(typed);
    },
    commit: async (take) => {
      setIsTyping(true);
      const asTyped = typedTimes.current;
      const refused = (await take()) ?? undefined;
      if (!isThere.current) return false;
      if (typedTimes.current === asTyped) setIsTyping(false);
      setFault(refused);
      return refused === undefined;
    },
  };
}
