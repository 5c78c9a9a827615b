import type { ReactNode } from 'react';

/** The look of a cell; figures add `text-right`. */
export const CELL_LOOK = 'px-3 py-2 align-baseline first:pl-6 last:pr-6';
const HEAD_LOOK = 'px-3 py-2 text-xs font-semibold text-ink-soft first:pl-6 last:pr-6';

/** A column by its heading: names stand to the left, figures to the right. */
export interface Column {
  readonly title: string;
  readonly of: 'names' | 'figures';
}

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
        <thead className="sticky top-0 z-10 bg-paper">
          <tr className="border-b border-line-strong">
            {columns.map(({ title, of }) => (
              <th
                key={title}
                className={`${HEAD_LOOK} ${of === 'names' ? 'text-left' : 'text-right'}`}
              >
                {title}
              </th>
            ))}
          </tr>
        </thead>
        {children}
      </table>
    </div>
  );
}

/** The look of a row, in hand or not. */
export function rowLook(inHand: boolean): string {
  return `border-b border-line ${inHand ? 'bg-sheet shadow-[inset_3px_0_0_var(--color-clay)]' : 'hover:bg-sunk/60'}`;
}
