import { ArrowLeft } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { Run } from '@bienestar/core/house/run';
import { useHouse } from '../../store/house';

/** Whose visit it is, and the way back to all of them. */
export function RunHeader({ run, children }: { readonly run: Run; readonly children?: ReactNode }) {
  const house = useHouse();
  const service = house.services.find(({ id }) => id === run.serviceId);
  const person = house.people.find(({ id }) => id === run.performedBy);
  return (
    <header className="flex flex-wrap items-center gap-x-4 border-b border-line px-2 sm:px-4">
      <Link
        to="/room"
        aria-label="All visits"
        title="All visits"
        className="inline-flex size-16 items-center justify-center text-ink-soft"
      >
        <ArrowLeft aria-hidden size={28} />
      </Link>
      <p className="min-w-0 flex-1 truncate text-lg">
        <span className="font-serif text-xl">{service?.name ?? run.protocol.name}</span>
        {[run.guest, person && `with ${person.name}`].filter(Boolean).map((words) => (
          <span key={words}> · {words}</span>
        ))}
      </p>
      {children}
    </header>
  );
}
