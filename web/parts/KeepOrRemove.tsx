import { Archive, ArchiveRestore, Copy, Trash2 } from 'lucide-react';
import { dayText } from '../format/figures';
import { useToday } from '../store/clock';
import { Button } from './Button';

interface KeepOrRemoveProps {
  /** “material”, “mix”: as it stands in “Remove this mix” */
  readonly what: string;
  readonly archivedOn: string | undefined;
  readonly busy: boolean;
  readonly onCopy: () => void;
  readonly onArchive: (on: string | undefined) => void;
  readonly onRemove: () => void;
}

/** What can be done with a thing as a whole. Archived, it is kept and counted where it is used, and offered no more. */
export function KeepOrRemove(props: KeepOrRemoveProps) {
  const { what, archivedOn, busy, onCopy, onArchive, onRemove } = props;
  const today = useToday();
  return (
    <div className="flex flex-col gap-2">
      {archivedOn !== undefined && (
        <p className="text-sm text-clay">
          Archived since {dayText(archivedOn)}: it is counted where it is used, and not offered any
          more.
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <Button disabled={busy} onClick={onCopy}>
          <Copy aria-hidden size={16} /> Make a copy
        </Button>
        {archivedOn === undefined ? (
          <Button disabled={busy} onClick={() => onArchive(today)}>
            <Archive aria-hidden size={16} /> Archive
          </Button>
        ) : (
          <Button disabled={busy} onClick={() => onArchive(undefined)}>
            <ArchiveRestore aria-hidden size={16} /> Out of the archive
          </Button>
        )}
        <Button weight="remove" disabled={busy} onClick={onRemove}>
          <Trash2 aria-hidden size={16} /> Remove this {what}
        </Button>
      </div>
    </div>
  );
}
