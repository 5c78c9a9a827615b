import { Link } from 'react-router';
import type { Problem } from '@bienestar/core/problem/problem';
import { EmptyPlace } from '../../parts/EmptyPlace';

/** What a week cannot be counted without, and where it is said. */
export function NeedsHours({ problems }: { readonly problems: readonly Problem[] }) {
  return (
    <div className="px-3 py-6 sm:px-6">
      <EmptyPlace
        title="The week cannot be counted yet"
        action={
          <Link
            to="/week/roster"
            className="inline-flex h-9 items-center rounded-sm border border-palm bg-palm px-3.5 text-sm font-semibold text-on-fill"
          >
            Say the hours
          </Link>
        }
      >
        {problems.map(({ message }) => message).join(' ')}
      </EmptyPlace>
    </div>
  );
}
