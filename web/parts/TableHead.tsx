/** A column by its heading: names stand to the left, figures to the right. */
export interface Column {
  readonly title: string;
  readonly of: 'names' | 'figures';
  /** told to screen readers alone */
  readonly isHidden?: boolean;
  /** a phone has no room for it */
  readonly isForWide?: boolean;
}

/** Columns of names. */
export function names(...titles: readonly string[]): Column[] {
  return titles.map((title) => ({ title, of: 'names' }));
}

/** Columns of figures. */
export function figures(...titles: readonly string[]): Column[] {
  return titles.map((title) => ({ title, of: 'figures' }));
}

/** The same columns, left out where a phone has no room for them. */
export function wide(columns: readonly Column[]): Column[] {
  return columns.map((column) => ({ ...column, isForWide: true }));
}

/** A column whose heading nobody needs to see. */
export function untitled(title: string): Column {
  return { title, of: 'names', isHidden: true };
}

interface TableHeadProps {
  readonly columns: readonly Column[];
  /** the room of a cell, as in the rows */
  readonly cell?: string;
  /** it stays in sight while rows pass below it */
  readonly isSticky?: boolean;
}

/** The head of a table. */
export function TableHead({ columns, cell = 'py-1 pl-4 first:pl-0', isSticky }: TableHeadProps) {
  return (
    <thead className={isSticky ? 'sticky top-0 z-10 bg-paper' : undefined}>
      <tr className="border-b border-line-strong text-xs text-ink-soft">
        {columns.map(({ title, of, isHidden, isForWide }) => (
          <th
            key={title}
            scope="col"
            className={`${cell} font-semibold ${of === 'names' ? 'text-left' : 'text-right whitespace-nowrap'} ${isForWide ? 'max-sm:hidden' : ''}`}
          >
            {isHidden ? <span className="sr-only">{title}</span> : title}
          </th>
        ))}
      </tr>
    </thead>
  );
}
