import { Plus, X } from 'lucide-react';
import { useId, type ReactNode } from 'react';
import { Button, IconButton } from '../../parts/Button';

/** A part of the house under its heading. */
export function Section({
  title,
  children,
}: {
  readonly title: string;
  readonly children: ReactNode;
}) {
  const id = useId();
  return (
    <section
      aria-labelledby={id}
      className="flex flex-col gap-3 border-t-2 border-line-strong pt-3"
    >
      <h2 id={id} className="text-xl">
        {title}
      </h2>
      {children}
    </section>
  );
}

interface LineProps {
  readonly name: string;
  readonly onRemove: () => void;
  readonly children: ReactNode;
}

/** One thing of a list, its fields side by side, and the way to remove it. */
export function Line({ name, onRemove, children }: LineProps) {
  return (
    <div role="group" aria-label={name} className="flex flex-wrap items-end gap-2 sm:flex-nowrap">
      {children}
      <IconButton label={`Remove ${name}`} className="mb-0.5" onClick={onRemove}>
        <X aria-hidden size={16} />
      </IconButton>
    </div>
  );
}

/** Adds one more to a list. */
export function AddLine({ what, onAdd }: { readonly what: string; readonly onAdd: () => void }) {
  return (
    <Button className="self-start" onClick={onAdd}>
      <Plus aria-hidden size={16} /> {what}
    </Button>
  );
}
