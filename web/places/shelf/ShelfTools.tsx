import { Columns3, PencilLine, Search } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useId } from 'react';
import type { MaterialKind } from '@bienestar/core/house/house';
import { Choice } from '../../parts/Choice';
import { IconButton } from '../../parts/Button';
import { INPUT_LOOK } from '../../parts/FieldFrame';
import { useHouse } from '../../store/house';
import { KIND_WORDS, KINDS } from './materialWords';
import { SHELF_COLUMNS, type ShelfColumnId } from './shelfColumns';
import type { Editing } from './ShelfLine';
import { Menu, MENU_LINE } from '../../parts/Menu';
import { SHOW_WORDS, type GroupBy, type ShelfView, type Show } from './shelfRows';

interface ShelfToolsProps {
  readonly view: ShelfView;
  readonly onView: (changes: Partial<ShelfView>) => void;
  readonly groupBy: GroupBy;
  readonly onGroupBy: (by: GroupBy) => void;
  readonly columns: readonly ShelfColumnId[];
  readonly onColumns: (columns: readonly ShelfColumnId[]) => void;
  readonly editing: Editing;
  readonly onEditing: (editing: Editing) => void;
  /** how many lines each choice would show */
  readonly counts: Readonly<Record<Show, number>>;
}

/** What is shown of the shelf: words to find, what to show, how to group, which columns. */
export function ShelfTools(props: ShelfToolsProps) {
  const { view, onView, groupBy, onGroupBy, columns, onColumns, editing, onEditing, counts } =
    props;
  const { suppliers } = useHouse();
  const id = useId();
  return (
    <div role="search" className="flex flex-wrap items-end gap-2 px-3 pb-3 sm:px-6">
      <label htmlFor={id} className="relative min-w-36 flex-1">
        <span className="sr-only">Find on the shelf</span>
        <Search aria-hidden size={16} className="absolute top-2.5 left-2.5 text-ink-soft" />
        <input
          id={id}
          type="search"
          autoComplete="off"
          placeholder="Name, number, lot"
          value={view.query}
          onChange={(event) => onView({ query: event.target.value })}
          className={`${INPUT_LOOK} pl-8`}
        />
      </label>
      <Choice<Show>
        className="w-36"
        label="Show"
        labelHidden
        value={view.show}
        options={(Object.keys(SHOW_WORDS) as Show[]).map((value) => ({
          value,
          label: `${SHOW_WORDS[value]} (${counts[value]})`,
        }))}
        onChoose={(show) => onView({ show })}
      />
      <Choice<MaterialKind | 'all'>
        className="w-28"
        label="Kind"
        labelHidden
        value={view.kind}
        options={[
          { value: 'all', label: 'all kinds' },
          ...KINDS.map((kind) => ({ value: kind, label: KIND_WORDS[kind].many })),
        ]}
        onChoose={(kind) => onView({ kind })}
      />
      <Choice
        className="w-32"
        label="Supplier"
        labelHidden
        value={view.supplierId}
        options={[
          { value: 'all', label: 'all suppliers' },
          ...suppliers.map(({ id: value, name }) => ({ value: String(value), label: name })),
        ]}
        onChoose={(supplierId) => onView({ supplierId })}
      />
      <Choice<GroupBy>
        className="w-28"
        label="Group"
        labelHidden
        value={groupBy}
        options={[
          { value: 'kind', label: 'by kind' },
          { value: 'supplier', label: 'by supplier' },
          { value: 'none', label: 'one list' },
        ]}
        onChoose={onGroupBy}
      />
      <IconButton
        label="Edit in the list"
        aria-pressed={editing === 'in-place'}
        className="size-9 border border-line-strong bg-sheet aria-pressed:bg-palm-wash aria-pressed:text-ink"
        onClick={() => onEditing(editing === 'in-place' ? 'in-hand' : 'in-place')}
      >
        <PencilLine aria-hidden size={16} />
      </IconButton>
      <Menu
        trigger={
          <IconButton label="Columns" className="size-9 border border-line-strong bg-sheet">
            <Columns3 aria-hidden size={16} />
          </IconButton>
        }
      >
        {SHELF_COLUMNS.map((column) => (
          <DropdownMenu.CheckboxItem
            key={column.id}
            checked={columns.includes(column.id)}
            onSelect={(event) => event.preventDefault()}
            onCheckedChange={(on) =>
              onColumns(on ? [...columns, column.id] : columns.filter((each) => each !== column.id))
            }
            className={`relative pl-7! ${MENU_LINE}`}
          >
            <DropdownMenu.ItemIndicator className="absolute left-2">✓</DropdownMenu.ItemIndicator>
            {column.title}
          </DropdownMenu.CheckboxItem>
        ))}
      </Menu>
    </div>
  );
}
