import {
  columnVisibilityFeature,
  createColumnHelper,
  createSortedRowModel,
  rowSelectionFeature,
  rowSortingFeature,
  tableFeatures,
} from '@tanstack/react-table';
import { explainUnitCost } from '@bienestar/core/explain/explainUnitCost';
import type { ShelfState } from '@bienestar/core/stock/shelfLife';
import { amount, number, timeLeft, unitMoney } from '../../format/figures';
import { Vessels } from '../../figures/Vessels';
import { WorkedFigure } from '../../parts/working/WorkedFigure';
import { useHouse } from '../../store/house';
import { STOP_WORDS, WARNING_WORDS } from './careWords';
import { KIND_WORDS } from './materialWords';
import { CountInPlace, PriceInPlace } from './InPlace';
import type { ShelfRow } from './shelfRows';

export const shelfFeatures = tableFeatures({
  columnVisibilityFeature,
  rowSelectionFeature,
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
});

const helper = createColumnHelper<typeof shelfFeatures, ShelfRow>();
/** What sorts behind everything that can be told. */
const LAST = Number.MAX_VALUE;

/** The columns besides the name, which is always there; those marked are shown at first. */
export const SHELF_COLUMNS = [
  {
    id: 'left',
    title: 'On the shelf',
    width: 'minmax(9.5rem,1fr)',
    figures: false,
    shown: true,
    sortBy: (row: ShelfRow) => row.state?.onHand ?? LAST,
    Cell: LeftCell,
    InPlace: CountInPlace,
  },
  {
    id: 'ends',
    title: 'First to end',
    width: '7.5rem',
    figures: false,
    shown: true,
    sortBy: (row: ShelfRow) => firstEnd(row.state),
    Cell: EndsCell,
  },
  {
    id: 'pack',
    title: 'Pack',
    width: 'minmax(8rem,0.9fr)',
    figures: false,
    shown: true,
    sortBy: (row: ShelfRow) => row.pack,
    Cell: ({ row }: CellProps) => <span className="text-ink-soft">{row.pack}</span>,
    InPlace: PriceInPlace,
  },
  {
    id: 'cost',
    title: 'True cost',
    width: '8rem',
    figures: true,
    shown: true,
    sortBy: (row: ShelfRow) => (row.figures?.unitCost.ok ? row.figures.unitCost.value : LAST),
    Cell: CostCell,
  },
  {
    id: 'used',
    title: 'Used in',
    width: '4.5rem',
    figures: true,
    shown: true,
    sortBy: (row: ShelfRow) => -row.usedIn,
    Cell: ({ row }: CellProps) => (row.usedIn === 0 ? '–' : number(row.usedIn)),
  },
  {
    id: 'cover',
    title: 'Days of cover',
    width: '7rem',
    figures: true,
    shown: false,
    sortBy: (row: ShelfRow) => daysOfCover(row) ?? LAST,
    Cell: ({ row }: CellProps) => {
      const days = daysOfCover(row);
      return days === null ? '–' : number(days, 0);
    },
  },
  {
    id: 'supplier',
    title: 'Supplier',
    width: 'minmax(8rem,1fr)',
    figures: false,
    shown: false,
    sortBy: (row: ShelfRow) => row.supplier,
    Cell: ({ row }: CellProps) => <span className="truncate text-ink-soft">{row.supplier}</span>,
  },
  {
    id: 'measures',
    title: 'Measured by',
    width: 'minmax(9rem,1.2fr)',
    figures: false,
    shown: false,
    sortBy: (row: ShelfRow) => row.measures,
    Cell: ({ row }: CellProps) => (
      <span className="truncate text-ink-soft">{row.measures || '–'}</span>
    ),
  },
  {
    id: 'care',
    title: 'Cautions',
    width: 'minmax(9rem,1.2fr)',
    figures: false,
    shown: false,
    sortBy: (row: ShelfRow) => careText(row) || '~',
    Cell: ({ row }: CellProps) => (
      <span className="truncate text-ink-soft">{careText(row) || '–'}</span>
    ),
  },
  {
    id: 'kind',
    title: 'Kind',
    width: '8rem',
    figures: false,
    shown: false,
    sortBy: (row: ShelfRow) => row.material.kind,
    Cell: ({ row }: CellProps) => (
      <span className="truncate text-ink-soft">{KIND_WORDS[row.material.kind].one}</span>
    ),
  },
] as const;

export type ShelfColumnId = (typeof SHELF_COLUMNS)[number]['id'];

export const tableColumns = helper.columns([
  helper.accessor((row) => row.material.name, {
    id: 'name',
    sortFn: (a, b) => a.original.material.name.localeCompare(b.original.material.name),
  }),
  ...SHELF_COLUMNS.map(({ id, sortBy }) =>
    helper.accessor((row) => sortBy(row), {
      id,
      sortDescFirst: false,
      sortFn: (a, b) => inOrder(sortBy(a.original), sortBy(b.original)),
    }),
  ),
]);

interface CellProps {
  readonly row: ShelfRow;
}

function LeftCell({ row: { material, state } }: CellProps) {
  if (!state) return <span className="text-ink-soft">in the laundry’s round</span>;
  const text = amount(state.onHand, material.unit);
  return (
    <span className="flex min-w-0 items-center gap-3 overflow-hidden">
      <span className="w-18 shrink-0 text-right">{text}</span>
      <Vessels state={state} label={`${text}, ${number(state.open.length)} open`} />
    </span>
  );
}

function EndsCell({ row: { material, state } }: CellProps) {
  if (!state || state.onHand === 0) return <span className="text-ink-soft">–</span>;
  if (state.over > 0) {
    return (
      <span className="font-semibold text-clay">▲ {amount(state.over, material.unit)} over</span>
    );
  }
  if (state.firstEndsInDays === undefined) return <span className="text-ink-soft">keeps</span>;
  const soon = state.expiringSoon > 0;
  return (
    <span className={soon ? 'font-semibold' : 'text-ink-soft'}>
      {soon && '● '}
      {timeLeft(state.firstEndsInDays)}
    </span>
  );
}

function CostCell({ row: { material, figures } }: CellProps) {
  const house = useHouse();
  const { currency } = house.settings;
  const cost = figures?.unitCost;
  if (!cost) return null;
  if (!cost.ok) return <span className="text-clay">▲ {cost.problems[0]?.message}</span>;
  return (
    <span className="whitespace-nowrap">
      <WorkedFigure
        label={`True cost of ${material.name}`}
        text={unitMoney(cost.value, currency)}
        working={() => explainUnitCost(material, cost.value, house)}
      />
      <span className="text-ink-soft"> /{material.unit}</span>
    </span>
  );
}

function careText({ material: { care } }: ShelfRow): string {
  return [
    ...(care?.warnings ?? []).map((warning) => WARNING_WORDS[warning]),
    ...(care?.stopFor ?? []).map((who) => STOP_WORDS[who]),
  ].join(' · ');
}

function daysOfCover({ restocking }: ShelfRow): number | null {
  return restocking?.cover.daysOfCover ?? null;
}

/** What is over first, then what ends soonest; what keeps last. */
function firstEnd(state: ShelfState | undefined): number {
  if (!state) return LAST;
  return state.over > 0 ? -1 : (state.firstEndsInDays ?? LAST);
}

function inOrder(a: string | number, b: string | number): number {
  return typeof a === 'number' && typeof b === 'number'
    ? a - b
    : String(a).localeCompare(String(b));
}
