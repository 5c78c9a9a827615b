import { ChevronRight, X } from 'lucide-react';
import { useState } from 'react';
import type { Change } from '@bienestar/core/house/house';
import { IconButton } from '../../../parts/Button';
import { useHouse } from '../../../store/house';
import { ChangeFields } from './ChangeFields';
import { changeWords } from './changeWords';

interface ChangeLineProps {
  readonly change: Change;
  /** with its fields, from the first */
  readonly opened: boolean;
  /** why it cannot be made */
  readonly fault: string | undefined;
  readonly onChange: (change: Change) => Promise<string | undefined>;
  readonly onRemove: () => void;
}

/** One change of a scenario: said in a line, and unfolded to its fields. */
export function ChangeLine({ change, opened, fault, onChange, onRemove }: ChangeLineProps) {
  const house = useHouse();
  const [open, setOpen] = useState(opened);
  const words = changeWords(change, house);
  return (
    <li className="border-b border-line py-1.5">
      <div className="flex items-start gap-1.5">
        <button
          type="button"
          aria-expanded={open}
          onClick={() => setOpen(!open)}
          className="flex min-w-0 flex-1 items-start gap-1.5 py-1 text-left"
        >
          <ChevronRight
            aria-hidden
            size={14}
            className={`mt-1 shrink-0 text-ink-soft ${open ? 'rotate-90' : ''}`}
          />
          <span className="min-w-0 break-words">{words}</span>
        </button>
        <IconButton label={`Leave out: ${words}`} onClick={onRemove}>
          <X aria-hidden size={16} />
        </IconButton>
      </div>
      {fault !== undefined && (
        <p role="alert" className="pl-5 text-sm text-clay">
          ▲ {fault} The rest is counted without it.
        </p>
      )}
      {open && (
        <div className="grid grid-cols-2 items-start gap-3 py-2 pl-5">
          <ChangeFields change={change} onChange={onChange} />
        </div>
      )}
    </li>
  );
}
