import type { ReactNode } from 'react';
import { NavLink } from 'react-router';

const PLACES = [
  ['/restock', 'Today'],
  ['/restock/levels', 'When to order'],
  ['/restock/orders', 'Orders'],
  ['/restock/counts', 'Counts'],
  ['/restock/demand', 'Who comes'],
  ['/restock/risk', 'What it risks'],
] as const;

interface RestockHeaderProps {
  readonly title: string;
  /** beside the title */
  readonly children?: ReactNode;
}

/** The head of every place of restocking: where one is in it, and what can be done there. */
export function RestockHeader({ title, children }: RestockHeaderProps) {
  return (
    <header className="shrink-0 border-b border-line px-3 pt-3 sm:px-6 print:hidden">
      <div className="flex min-h-10 flex-wrap items-center gap-3">
        <h1 className="min-w-48 flex-1 text-2xl">{title}</h1>
        {children}
      </div>
      <nav aria-label="Of restocking" className="-ml-3 flex flex-wrap pt-1">
        {PLACES.map(([to, name]) => (
          <NavLink
            key={to}
            to={to}
            end={to === '/restock'}
            className="relative px-3 py-1.5 text-sm text-ink-soft hover:text-ink aria-[current=page]:font-semibold aria-[current=page]:text-ink aria-[current=page]:after:absolute aria-[current=page]:after:inset-x-3 aria-[current=page]:after:-bottom-px aria-[current=page]:after:h-0.5 aria-[current=page]:after:bg-palm"
          >
            {name}
          </NavLink>
        ))}
      </nav>
    </header>
  );
}
