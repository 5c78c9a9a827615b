import type { ReactNode } from 'react';
import { Link, useLocation } from 'react-router';

interface PlaceHeaderProps {
  readonly title: string;
  /** of the addresses below it */
  readonly label: string;
  /** addresses and names of what it has; the first is the place itself */
  readonly places: readonly (readonly [to: string, name: string])[];
  /** what the addresses go on with: what was chosen in one holds in the others */
  readonly search?: string;
  /** beside the title */
  readonly children?: ReactNode;
}

/** The head of a place that has several: where one is in it, and what can be done there. */
export function PlaceHeader({ title, label, places, search = '', children }: PlaceHeaderProps) {
  const { pathname } = useLocation();
  /* A thing in hand has an address below that of its place. */
  const here = places.findLast(([to]) => pathname === to || pathname.startsWith(`${to}/`))?.[0];
  return (
    <header className="shrink-0 border-b border-line px-3 pt-3 sm:px-6 print:hidden">
      <div className="flex min-h-10 flex-wrap items-center gap-3">
        <h1 className="min-w-48 flex-1 text-2xl">{title}</h1>
        {children}
      </div>
      <nav aria-label={label} className="-ml-3 flex flex-wrap pt-1">
        {places.map(([to, name]) => (
          <Link
            key={to}
            to={`${to}${search}`}
            aria-current={to === here ? 'page' : undefined}
            className="relative px-3 py-1.5 text-sm text-ink-soft hover:text-ink aria-[current=page]:font-semibold aria-[current=page]:text-ink aria-[current=page]:after:absolute aria-[current=page]:after:inset-x-3 aria-[current=page]:after:-bottom-px aria-[current=page]:after:h-0.5 aria-[current=page]:after:bg-palm"
          >
            {name}
          </Link>
        ))}
      </nav>
    </header>
  );
}
