import { FileSpreadsheet, PackageOpen, Plus } from 'lucide-react';
import { useDeferredValue, useMemo, useState } from 'react';
import { SHELF_LISTS } from '@bienestar/contract/api';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { number } from '../../format/figures';
import { ExportMenu } from '../../parts/ExportMenu';
import { PasteRowsButton } from '../pasted/PasteRowsButton';
import { BackToList } from '../../parts/BackToList';
import { Button } from '../../parts/Button';
import { EmptyPlace } from '../../parts/EmptyPlace';
import { useFigures, useHouse } from '../../store/house';
import { useRestock } from '../../store/restock';
import { useHouseClock } from '../../store/clock';
import { shelfStates } from '../../store/shelf';
import { useKept } from '../../store/useKept';
import { AddMaterial } from './AddMaterial';
import { DeliverySheet } from './DeliverySheet';
import { MaterialPanel } from './MaterialPanel';
import { MixPanel } from './MixPanel';
import { placesOfUse } from './placesOfUse';
import { SHELF_COLUMNS, type ShelfColumnId } from './shelfColumns';
import {
  filterRows,
  SHOW_WORDS,
  shelfRows,
  type GroupBy,
  type ShelfRow,
  type ShelfView,
  type Show,
} from './shelfRows';
import type { Editing } from './ShelfLine';
import { ShelfTable } from './ShelfTable';
import { ShelfTools } from './ShelfTools';
import { TickedBar } from './TickedBar';

const FIRST_COLUMNS = SHELF_COLUMNS.flatMap(({ id, shown }) => (shown ? [id] : []));
const EVERYTHING: ShelfView = { query: '', show: 'all', kind: 'all', supplierId: 'all' };

/** Everything the treatments use: what is left of it, how it is bought, what it truly costs. */
export function ShelfPlace() {
  const house = useHouse();
  const figures = useFigures();
  const restock = useRestock();
  const clock = useHouseClock();
  const { materialId } = useParams();
  const navigate = useNavigate();
  const [search, setSearch] = useSearchParams();
  const [adding, setAdding] = useState(false);
  const [view, setView] = useState(EVERYTHING);
  const [groupBy, setGroupBy] = useKept<GroupBy>('bienestar.shelf.group', 'kind');
  const [columns, setColumns] = useKept<readonly ShelfColumnId[]>(
    'bienestar.shelf.columns',
    FIRST_COLUMNS,
  );
  const [editing, setEditing] = useState<Editing>('in-hand');
  const [ticked, setTicked] = useState<Readonly<Record<string, true>>>({});
  const uses = useMemo(
    () => placesOfUse({ protocols: house.protocols, mixes: house.mixes, blocks: house.blocks }),
    [house.protocols, house.mixes, house.blocks],
  );
  const rows = useMemo(
    () => shelfRows(house, figures, restock, shelfStates(house, clock), uses),
    [house, figures, restock, clock, uses],
  );
  const asked = useDeferredValue(view);
  const shown = useMemo(() => filterRows(rows, asked), [rows, asked]);
  const counts = useMemo(() => countsOf(rows), [rows]);
  const mix = house.mixes.find((each) => each.id === materialId);
  const plain = view.query === '' && view.show === 'all' && view.kind === 'all';
  const chosen = house.materials.filter(({ id }) => ticked[id]);

  const addButton = (
    <Button onClick={() => setAdding(true)}>
      <Plus aria-hidden size={16} /> Add a material
    </Button>
  );
  return (
    <div
      data-shows={materialId === undefined ? 'list' : 'hand'}
      className="columns-of-place h-full lg:grid-cols-[minmax(0,1fr)_23rem] xl:grid-cols-[minmax(0,1fr)_26rem]"
    >
      <section aria-labelledby="shelf-title" className="flex min-h-0 flex-col">
        <header className="flex flex-wrap items-end gap-3 px-3 pt-5 pb-3 sm:px-6">
          <div className="min-w-44 flex-1">
            <h1 id="shelf-title" className="text-3xl">
              Shelf
            </h1>
            <Standing counts={counts} onShow={(show) => setView({ ...EVERYTHING, show })} />
          </div>
          <ExportMenu lists={SHELF_LISTS} />
          <Link
            to="/price-lists"
            className="inline-flex h-9 items-center gap-2 rounded-sm border border-line-strong bg-sheet px-3.5 text-sm font-semibold whitespace-nowrap hover:bg-sunk"
          >
            <FileSpreadsheet aria-hidden size={16} /> Price lists
          </Link>
          {addButton}
          <PasteRowsButton kind="materials" />
          <Button weight="main" onClick={() => setSearch({ enter: 'delivery' })}>
            <PackageOpen aria-hidden size={16} /> A delivery came
          </Button>
        </header>
        {house.materials.length === 0 ? (
          <div className="px-6">
            <EmptyPlace
              title="The shelf is empty"
              action={
                <div className="flex gap-3">
                  {addButton}
                  <PasteRowsButton kind="materials" />
                </div>
              }
            >
              Lay out what your treatments use: back-bar products, single doses, consumables and
              linen, each with its pack, its price and its supplier.
            </EmptyPlace>
          </div>
        ) : (
          <>
            <ShelfTools
              view={view}
              onView={(changes) => setView({ ...view, ...changes })}
              groupBy={groupBy}
              onGroupBy={setGroupBy}
              columns={columns}
              onColumns={setColumns}
              editing={editing}
              onEditing={setEditing}
              counts={counts}
            />
            {chosen.length > 0 && <TickedBar materials={chosen} onDone={() => setTicked({})} />}
            {shown.length === 0 ? (
              <div className="px-6 py-2">
                <EmptyPlace
                  title="Nothing like that on the shelf"
                  action={<Button onClick={() => setView(EVERYTHING)}>Show everything</Button>}
                >
                  No material has all of these words and fits what is chosen above.
                </EmptyPlace>
              </div>
            ) : (
              <ShelfTable
                rows={shown}
                mixes={plain ? house.mixes : NO_MIXES}
                groupBy={groupBy}
                columns={columns}
                editing={editing}
                inHand={materialId}
                ticked={ticked}
                onTick={setTicked}
              />
            )}
          </>
        )}
      </section>
      <aside aria-label="In hand" className="min-h-0 overflow-y-auto border-l border-line bg-sheet">
        {materialId !== undefined && <BackToList atEdge to="/shelf" all="All of the shelf" />}
        {mix ? (
          <MixPanel mix={mix} places={uses.get(mix.id) ?? []} />
        ) : (
          <MaterialPanel
            id={materialId}
            places={uses.get(materialId ?? '') ?? []}
            onGone={() => void navigate('/shelf')}
          />
        )}
      </aside>
      <AddMaterial open={adding} onClose={() => setAdding(false)} />
      <DeliverySheet
        key={materialId}
        open={search.get('enter') === 'delivery'}
        materialId={materialId}
        onClose={() => setSearch({})}
      />
    </div>
  );
}

const NO_MIXES = [] as const;

interface StandingProps {
  readonly counts: Readonly<Record<Show, number>>;
  readonly onShow: (show: Show) => void;
}

const CALLING_WORDS = { over: 'past their time', soon: 'to use soon', order: 'to order' } as const;

/** What asks for attention, each a way to see it. */
function Standing({ counts, onShow }: StandingProps) {
  const calling = (['over', 'soon', 'order'] as const).filter((show) => counts[show] > 0);
  return (
    <p className="mt-1 text-sm text-ink-soft" role="status">
      {calling.length === 0 && 'Nothing is over, expires soon or has to be ordered.'}
      {calling.map((show, at) => (
        <span key={show}>
          {at > 0 && ' · '}
          <button
            type="button"
            onClick={() => onShow(show)}
            className={`underline decoration-dotted underline-offset-4 hover:text-ink ${show === 'over' ? 'font-semibold text-clay' : ''}`}
          >
            {show === 'over' && '▲ '}
            {number(counts[show])} {CALLING_WORDS[show]}
          </button>
        </span>
      ))}
    </p>
  );
}

function countsOf(rows: readonly ShelfRow[]): Record<Show, number> {
  const shows = Object.keys(SHOW_WORDS) as Show[];
  return Object.fromEntries(
    shows.map((show) => [show, filterRows(rows, { ...EVERYTHING, show }).length]),
  ) as Record<Show, number>;
}
