interface NotWorkedOutProps {
  readonly what: string;
  /** how it is tried again */
  readonly again?: string;
}

/** In the place of what is worked out away from the page, where that could not be done. */
export function NotWorkedOut({
  what,
  again = 'Go to another place and come back to try again.',
}: NotWorkedOutProps) {
  return (
    <p role="alert" className="py-2 text-sm text-clay">
      ▲ {what} could not be worked out just now. {again}
    </p>
  );
}
