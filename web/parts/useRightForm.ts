import { useRef, useState, type RefObject } from 'react';

/** A form with a press of its own. */
interface RightForm<E extends HTMLElement> {
  readonly form: RefObject<E | null>;
  readonly fault: string | undefined;
  readonly setFault: (fault: string | undefined) => void;
  /** asked when it is pressed; says what is not right, and puts it in hand */
  readonly isRight: () => boolean;
}

/**
 * A form of which nothing is taken over while one of its fields holds what could not be: the field shows that, and what
 * was there before is not what somebody means.
 */
export function useRightForm<E extends HTMLElement = HTMLDivElement>(): RightForm<E> {
  const form = useRef<E>(null);
  const [fault, setFault] = useState<string>();
  const isRight = (): boolean => {
    const field = form.current?.querySelector<HTMLInputElement>('[aria-invalid=true]');
    field?.focus();
    const name = field?.labels?.[0]?.textContent ?? field?.getAttribute('aria-label') ?? '';
    setFault(field ? `Nothing was entered: put “${name}” right first.` : undefined);
    return !field;
  };
  return { form, fault, setFault, isRight };
}
