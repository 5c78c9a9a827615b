import type { ReactNode } from 'react';
import { TableHead, type Column } from './TableHead';

/** The look of a cell; figures add `text-right`. */
export const CELL_LOOK = 'px-3 py-2 align-baseline first:pl-6 last:pr-6';

interface PlaceTableProps {
  readonly label: string;
  readonly columns: readonly Column[];
  /** one or more bodies of rows */
  readonly children: ReactNode;
}

/** The table of a place: it fills what is left of the height and keeps its head in sight. */
export function PlaceTable({ label, columns, children }: PlaceTableProps) {
  return (
    <div
      className="min-h-0 flex-1 overflow-y-auto border-t border-line"
      tabIndex={0}
      role="group"
      aria-label={label}
    >
      <table className="w-full text-sm">
        <TableHead columns={columns} cell="px-3 py-2 first:pl-6 last:pr-6" isSticky />
        {children}
      </table>
    </div>
  );
}

/** The look of a row, in hand or not. */
export function rowLook(inHand: boolean): string {
  return `border-b border-line ${inHand ? 'bg-sheet shadow-[inset_3px_0_0_var(--color-clay)]' : 'hover:bg-sunk/60'}`;
}
