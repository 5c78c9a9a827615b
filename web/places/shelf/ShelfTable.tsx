import { useTable, type SortingState } from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { ArrowDown, ArrowUp } from 'lucide-react';
import {
  useEffect,
  useMemo,
  useRef,
  useState,
  type ClipboardEvent,
  type KeyboardEvent,
} from 'react';
import { flushSync } from 'react-dom';
import type { Mix } from '@bienestar/core/house/house';
import { SHELF_COLUMNS, shelfFeatures, tableColumns, type ShelfColumnId } from './shelfColumns';
import { ShelfLine, type Editing } from './ShelfLine';
import { groupRows, type GroupBy, type ListItem, type ShelfRow } from './shelfRows';
import { useWidth, useWindowWidth } from '../../parts/useWidth';
import { usePastePrices } from './usePastePrices';

const ROW_PX = 40;
const FIELD_ROW_PX = 46;
const DRAWN_BEYOND = 12;
const REM_PX = 16;
const DESK_PX = 1_280;
const TICK_REM = 2.75;
const NAME_REM = 10;

interface ShelfTableProps {
  readonly rows: readonly ShelfRow[];
  readonly mixes: readonly Mix[];
  readonly groupBy: GroupBy;
  readonly columns: readonly ShelfColumnId[];
  /** in place: names, prices and counts are fields */
  readonly editing: Editing;
  /** the id of the material or mix in hand */
  readonly inHand: string | undefined;
  /** the materials that are ticked, by id */
  readonly ticked: Readonly<Record<string, true>>;
  readonly onTick: (ticked: Readonly<Record<string, true>>) => void;
}

/**
 * The first of the columns, as many as have room: what has none is in the thing in hand.
 * @param width of the list in pixels; nothing while it is not drawn
 */
function columnsThatFit<C extends { readonly width: string }>(
  columns: readonly C[],
  width: number | undefined,
): readonly C[] {
  if (width === undefined) return columns;
  let left = width / REM_PX - TICK_REM - NAME_REM;
  const fitting = columns.filter((column) => {
    left -= Number(/[\d.]+/.exec(column.width)?.[0] ?? 0);
    return left >= 0;
  });
  return fitting.length > 0 ? fitting : columns.slice(0, 1);
}

/** The list of the shelf: as many lines as there are, only those in sight drawn. */
export function ShelfTable(props: ShelfTableProps) {
  const { rows, mixes, groupBy, columns, editing, inHand, ticked, onTick } = props;
  const pastePrices = usePastePrices();
  const [sorting, setSorting] = useState<SortingState>([]);
  const visible = useMemo(
    () =>
      Object.fromEntries(SHELF_COLUMNS.map(({ id }) => [id, columns.includes(id)])) as Record<
        string,
        boolean
      >,
    [columns],
  );
  const table = useTable({
    features: shelfFeatures,
    columns: tableColumns,
    data: rows,
    getRowId: (row) => row.material.id,
    state: { sorting, columnVisibility: visible, rowSelection: ticked },
    onSortingChange: setSorting,
    onRowSelectionChange: (change) =>
      onTick(typeof change === 'function' ? change(ticked) : change),
  });
  const sorted = table.getRowModel().rows;
  const items = useMemo(
    () => [
      ...groupRows(
        sorted.map((row) => row.original),
        groupBy,
      ),
      ...mixItems(mixes),
    ],
    [sorted, groupBy, mixes],
  );
  const rowPx = editing === 'in-place' ? FIELD_ROW_PX : ROW_PX;
  const scroll = useRef<HTMLDivElement>(null);
  /* Its functions cannot be memoised, and no memoised part below is given one. */
  // oxlint-disable-next-line react/incompatible-library
  const virtual = useVirtualizer({
    count: items.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => rowPx,
    overscan: DRAWN_BEYOND,
  });
  useEffect(() => virtual.measure(), [virtual, rowPx]);
  const width = useWidth(scroll);
  /* At a desk what was chosen stands there, and the list is moved under it. */
  const room = useWindowWidth() < DESK_PX ? width : undefined;
  const shown = columnsThatFit(
    SHELF_COLUMNS.filter(({ id }) => columns.includes(id)),
    room,
  );
  const layout = {
    gridTemplateColumns: `2.75rem minmax(${NAME_REM}rem,1.7fr) ${shown.map((column) => column.width).join(' ')}`,
  };

  /** Arrow keys go from line to line, also to those that are not drawn yet. */
  const walk = (event: KeyboardEvent<HTMLDivElement>): void => {
    const line = (event.target as HTMLElement).closest<HTMLElement>('[data-line]');
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (!line || step === 0) return;
    event.preventDefault();
    let at = Number(line.dataset.line) + step;
    while (items[at]?.is === 'group') at += step;
    if (!items[at]) return;
    flushSync(() => virtual.scrollToIndex(at));
    requestAnimationFrame(() =>
      scroll.current?.querySelector<HTMLElement>(`[data-line="${at}"] a`)?.focus(),
    );
  };

  /** A column of prices, pasted into the first of those it is for. */
  const paste = (event: ClipboardEvent<HTMLDivElement>): void => {
    const text = event.clipboardData.getData('text');
    const target = event.target as HTMLElement;
    const line = target.closest<HTMLElement>('[data-line]');
    if (!line || !target.closest('[data-column="pack"]') || !text.trim().includes('\n')) return;
    event.preventDefault();
    const from = items.slice(Number(line.dataset.line));
    pastePrices(
      from.flatMap((item) => (item.is === 'row' ? [item.row.material] : [])),
      text,
    );
  };

  return (
    <div
      ref={scroll}
      className="min-h-0 flex-1 overflow-y-auto border-t border-line"
      onKeyDown={walk}
      onPaste={paste}
    >
      <div role="table" aria-label="Materials" aria-rowcount={items.length + 1}>
        <div role="rowgroup" className="sticky top-0 z-10 bg-paper">
          <div
            role="row"
            aria-rowindex={1}
            style={layout}
            className="grid h-9 border-b border-line-strong text-xs font-semibold text-ink-soft"
          >
            <span role="columnheader" className="flex items-center pl-6">
              <input
                type="checkbox"
                aria-label="Tick all in the list"
                checked={rows.length > 0 && table.getIsAllRowsSelected()}
                onChange={() => table.toggleAllRowsSelected()}
                className="accent-palm"
              />
            </span>
            {table.getVisibleLeafColumns().map((column) => {
              if (column.id !== 'name' && !shown.some(({ id }) => id === column.id)) return null;
              const of = SHELF_COLUMNS.find(({ id }) => id === column.id);
              return (
                <SortHead
                  key={column.id}
                  title={of?.title ?? 'Material'}
                  figures={of?.figures ?? false}
                  sorted={column.getIsSorted()}
                  onSort={() => column.toggleSorting()}
                />
              );
            })}
          </div>
        </div>
        <div role="rowgroup" className="relative" style={{ height: virtual.getTotalSize() }}>
          {virtual.getVirtualItems().map(({ index, start, key }) => {
            const item = items[index];
            if (!item) return null;
            const place = { transform: `translateY(${start}px)`, height: rowPx, ...layout };
            return (
              <div
                key={key}
                role="row"
                aria-rowindex={index + 2}
                data-line={index}
                style={place}
                className={`absolute inset-x-0 top-0 grid ${lineLook(item, inHand)}`}
              >
                <ShelfLine
                  item={item}
                  inHand={inHand}
                  editing={editing}
                  ticked={ticked}
                  onTick={(id) => table.getRow(id, true).toggleSelected()}
                  columns={shown}
                />
              </div>
            );
          })}
        </div>
      </div>
    </div>
  );
}

interface SortHeadProps {
  readonly title: string;
  readonly figures: boolean;
  readonly sorted: false | 'asc' | 'desc';
  readonly onSort: () => void;
}

const SORT_WORDS = { asc: 'ascending', desc: 'descending' } as const;

function SortHead({ title, figures, sorted, onSort }: SortHeadProps) {
  return (
    <span
      role="columnheader"
      aria-sort={sorted === false ? undefined : SORT_WORDS[sorted]}
      className={`flex items-center px-3 ${figures ? 'justify-end' : ''}`}
    >
      <button
        type="button"
        onClick={onSort}
        className="flex items-center gap-1 hover:text-ink hover:underline"
      >
        {title}
        {sorted === 'asc' && <ArrowUp aria-hidden size={12} />}
        {sorted === 'desc' && <ArrowDown aria-hidden size={12} />}
      </button>
    </span>
  );
}

function mixItems(mixes: readonly Mix[]): ListItem[] {
  if (mixes.length === 0) return [];
  return [
    { is: 'group', title: 'Mixes made at the tray', count: mixes.length },
    ...mixes.map((mix): ListItem => ({ is: 'mix', mix })),
  ];
}

function lineLook(item: ListItem, inHand: string | undefined): string {
  if (item.is === 'group') return 'border-b border-line';
  const id = item.is === 'mix' ? item.mix.id : item.row.material.id;
  return `border-b border-line ${id === inHand ? 'bg-sheet shadow-[inset_3px_0_0_var(--color-clay)]' : 'hover:bg-sunk/60'}`;
}
