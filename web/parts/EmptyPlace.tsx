import type { ReactNode } from 'react';

interface EmptyPlaceProps {
  readonly title: string;
  readonly children: ReactNode;
  readonly action?: ReactNode;
}

/** An empty place: the first thing to do, and the offer to do it. */
export function EmptyPlace({ title, children, action }: EmptyPlaceProps) {
  return (
    <div className="flex flex-col items-start gap-3 border-l-2 border-clay px-6 py-5">
      <h2 className="text-xl">{title}</h2>
      <p className="max-w-prose text-ink-soft">{children}</p>
      {action}
    </div>
  );
}
