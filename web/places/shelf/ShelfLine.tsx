import { Link } from 'react-router';
import { NameInPlace } from './InPlace';
import type { SHELF_COLUMNS } from './shelfColumns';
import type { ListItem } from './shelfRows';

/** Whether a line is looked at, or its name, price and count are fields. */
export type Editing = 'in-hand' | 'in-place';

const CELL_LOOK = 'flex min-w-0 items-center px-3 text-sm';

interface ShelfLineProps {
  readonly item: ListItem;
  readonly inHand: string | undefined;
  readonly editing: Editing;
  readonly ticked: Readonly<Record<string, true>>;
  readonly onTick: (id: string) => void;
  readonly columns: readonly (typeof SHELF_COLUMNS)[number][];
}

/** What stands in one line of the shelf: a title, a material or a mix. */
export function ShelfLine({ item, inHand, editing, ticked, onTick, columns }: ShelfLineProps) {
  switch (item.is) {
    case 'group':
      return (
        <span
          role="cell"
          aria-colspan={columns.length + 2}
          className="col-span-full flex items-end gap-2 px-6 pb-1 font-serif text-base text-ink-soft italic"
        >
          {item.title} <span className="font-sans text-xs not-italic">{item.count}</span>
        </span>
      );
    case 'mix':
      return (
        <>
          <span role="cell" />
          <NameCell id={item.mix.id} name={item.mix.name} current={item.mix.id === inHand} />
        </>
      );
    case 'row': {
      const { material } = item.row;
      return (
        <>
          <span role="cell" className="flex items-center pl-6">
            <input
              type="checkbox"
              aria-label={`Tick ${material.name}`}
              checked={ticked[material.id] ?? false}
              onChange={() => onTick(material.id)}
              className="accent-palm"
            />
          </span>
          {editing === 'in-place' ? (
            <span role="cell" className={CELL_LOOK}>
              <NameInPlace row={item.row} />
            </span>
          ) : (
            <NameCell id={material.id} name={material.name} current={material.id === inHand} />
          )}
          {columns.map(({ id, figures, Cell, ...column }) => (
            <span
              role="cell"
              key={id}
              data-column={id}
              className={`${CELL_LOOK} ${figures ? 'justify-end text-right' : ''}`}
            >
              {editing === 'in-place' && 'InPlace' in column ? (
                <column.InPlace row={item.row} />
              ) : (
                <Cell row={item.row} />
              )}
            </span>
          ))}
        </>
      );
    }
  }
}

function NameCell({ id, name, current }: { id: string; name: string; current: boolean }) {
  return (
    <span role="cell" className={CELL_LOOK}>
      <Link
        to={`/shelf/${id}`}
        aria-current={current ? 'true' : undefined}
        title={name}
        className="truncate text-base font-medium hover:text-clay hover:underline"
      >
        {name}
      </Link>
    </span>
  );
}
