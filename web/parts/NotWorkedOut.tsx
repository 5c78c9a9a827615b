/** In the place of what is worked out away from the page, where that could not be done. */
export function NotWorkedOut({ what }: { readonly what: string }) {
  return (
    <p role="alert" className="py-2 text-sm text-clay">
      ▲ {what} could not be worked out just now. Go to another place and come back to try again.
    </p>
  );
}
