import type { ReactNode } from 'react';
import { Link, useLocation } from 'react-router';

const PLACES = [
  ['/menu', 'Services'],
  ['/menu/offers', 'Courses and packages'],
  ['/menu/what-if', 'What if'],
  ['/menu/margins', 'What moved'],
  ['/menu/map', 'What earns'],
  ['/menu/adds-up', 'Does it add up?'],
  ['/menu/guests', 'For guests'],
] as const;

/** The place that an address is in: a service in hand has one below that of the services. */
function placeOf(pathname: string): string {
  const found = PLACES.findLast(([to]) => pathname === to || pathname.startsWith(`${to}/`));
  return found?.[0] ?? '/menu';
}

interface MenuHeaderProps {
  readonly title: string;
  /** beside the title */
  readonly children?: ReactNode;
}

/** The head of every place of the menu: where one is in it, and what can be done there. */
export function MenuHeader({ title, children }: MenuHeaderProps) {
  const here = placeOf(useLocation().pathname);
  return (
    <header className="shrink-0 border-b border-line px-3 pt-3 sm:px-6">
      <div className="flex min-h-10 flex-wrap items-center gap-3">
        <h1 className="min-w-48 flex-1 text-2xl">{title}</h1>
        {children}
      </div>
      <nav aria-label="Of the menu" className="-ml-3 flex flex-wrap pt-1">
        {PLACES.map(([to, name]) => (
          <Link
            key={to}
            to={to}
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
