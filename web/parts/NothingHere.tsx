import { Link } from 'react-router';

/** A thing that is not in the house, and the way back. */
export function NothingHere({ what }: { readonly what: string }) {
  return (
    <div className="flex h-full flex-col items-center justify-center gap-3">
      <h1 className="text-2xl">{what}</h1>
      <Link to="/protocols" className="text-palm underline underline-offset-4">
        To the protocols
      </Link>
    </div>
  );
}
