import { ChevronRight } from 'lucide-react';
import { useId, useState, type ReactNode } from 'react';

interface FoldProps {
  readonly title: string;
  /** what is in it, said in a line while it is folded */
  readonly summary?: string;
  /** unfolded from the first */
  readonly unfolded?: boolean;
  readonly children: ReactNode;
}

/** A part of a form that folds to a line, which still says what is in it. */
export function Fold({ title, summary, unfolded = false, children }: FoldProps) {
  const [open, setOpen] = useState(unfolded);
  const id = useId();
  return (
    <div className="border-t border-line pt-2">
      <div className="flex items-center gap-1.5 text-sm">
        <button
          type="button"
          aria-expanded={open}
          aria-controls={id}
          onClick={() => setOpen(!open)}
          className="flex shrink-0 items-center gap-1.5 font-semibold"
        >
          <ChevronRight
            aria-hidden
            size={14}
            className={`shrink-0 text-ink-soft ${open ? 'rotate-90' : ''}`}
          />
          {title}
        </button>
        {!open && summary !== undefined && summary !== '' && (
          <span className="min-w-0 truncate text-ink-soft">{summary}</span>
        )}
      </div>
      <div id={id} hidden={!open} className="flex flex-col gap-3 pt-3 pb-1">
        {open && children}
      </div>
    </div>
  );
}
