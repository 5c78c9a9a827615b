import { ArrowLeft } from 'lucide-react';
import { Link } from 'react-router';

interface BackToListProps {
  readonly to: string;
  /** what the list has, as in “All materials” */
  readonly all: string;
  /** it stands at the edge of the place, and not within its margins */
  readonly atEdge?: boolean;
}

/** The way back from the thing in hand to its list, where both have no room side by side. */
export function BackToList({ to, all, atEdge }: BackToListProps) {
  return (
    <Link
      to={to}
      className={`mb-3 flex items-center gap-2 border-b border-line py-2.5 text-sm text-palm lg:hidden print:hidden ${atEdge ? 'px-5' : ''}`}
    >
      <ArrowLeft aria-hidden size={16} /> {all}
    </Link>
  );
}
