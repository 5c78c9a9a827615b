import { nanoid } from '@reduxjs/toolkit';
import { ChevronLeft } from 'lucide-react';
import { Link, useNavigate, useParams } from 'react-router';
import { asId, type ScenarioId } from '@bienestar/core/house/ids';
import { listChanges } from '@bienestar/core/whatIf/listChanges';
import { applyList } from '@bienestar/core/priceLists/applyList';
import { headingsOf } from '@bienestar/core/priceLists/listColumns';
import { counted, number } from '../../format/figures';
import { Button } from '../../parts/Button';
import { EmptyPlace } from '../../parts/EmptyPlace';
import { useHouse, useSnapshot } from '../../store/house';
import { useAddAndRemove, useChange } from '../../store/useEditPart';
import { useSaveWithUndo } from '../../store/useSaveMaterials';
import { newChangeId } from '../menu/whatIf/newChange';
import { ChangesTable } from './ChangesTable';
import { ColumnMatcher } from './ColumnMatcher';
import { ListFaults } from './ListFaults';
import { ListSource } from './ListSource';
import { MovedServices } from './MovedServices';
import { useListReview, type ListReview, type ReviewState } from './useListReview';

const LONGEST_NAME = 120;

/** Suppliers' price lists: fetched, chosen or pasted, reviewed change by change, applied as ticked. */
export function PriceListsPlace() {
  const { supplierId } = useParams();
  const { suppliers } = useHouse();
  const supplier = suppliers.find((each) => each.id === supplierId) ?? suppliers[0];
  return (
    <div className="columns-of-place h-full lg:grid-cols-[15rem_minmax(0,1fr)]">
      <nav aria-label="Suppliers" className="overflow-y-auto border-r border-line px-6 py-5">
        <Link to="/shelf" className="flex items-center gap-1 text-sm text-palm hover:underline">
          <ChevronLeft aria-hidden size={14} /> Shelf
        </Link>
        <ul className="mt-4 flex flex-col">
          {suppliers.map(({ id, name, feed }) => (
            <li key={id}>
              <Link
                to={`/price-lists/${id}`}
                aria-current={id === supplier?.id ? 'page' : undefined}
                className="-ml-3 block border-l-2 border-transparent py-2 pl-3 hover:bg-sunk aria-[current=page]:border-clay aria-[current=page]:font-semibold"
              >
                {name}
                <span className="block text-sm font-normal text-ink-soft">
                  {feed === undefined ? 'paste or choose a file' : 'publishes a list'}
                </span>
              </Link>
            </li>
          ))}
        </ul>
      </nav>
      {supplier ? (
        <Review key={supplier.id} supplierId={supplier.id} />
      ) : (
        <div className="p-6">
          <EmptyPlace title="No supplier yet">Add one in House, then its list can come.</EmptyPlace>
        </div>
      )}
    </div>
  );
}

function statusWords(state: ReviewState): string {
  if (state.is !== 'review') {
    return 'What changes is shown first; nothing is written until you apply it.';
  }
  const { name, reviewed, isReadAnew } = state.of;
  return isReadAnew
    ? `${name}: being read in another way …`
    : `${name}: ${counted(reviewed.articles, 'article')} read.`;
}

/** Whether there is something to apply, and it is what is on the screen. */
function mayBeApplied({ reviewed, ticked, isReadAnew }: ListReview): boolean {
  return reviewed.faults.length === 0 && ticked.size > 0 && !isReadAnew;
}

function Review({ supplierId }: { readonly supplierId: string }) {
  const house = useHouse();
  const snapshot = useSnapshot();
  const supplier = snapshot.suppliers.find((each) => each.id === supplierId);
  const changeSupplier = useChange('suppliers', supplier);
  const save = useSaveWithUndo();
  const lists = useListReview(house, supplier);
  const { add } = useAddAndRemove('scenarios');
  const navigate = useNavigate();
  const { state } = lists;
  if (!supplier) return null;

  const tryOut = async (of: ListReview): Promise<void> => {
    const after = applyList(house, supplier.id, of.reviewed.changes, of.ticked, of.places);
    const changes = listChanges(house.materials, after, newChangeId);
    const id = asId<ScenarioId>(nanoid(12));
    const name = `The new list of ${supplier.name}`.slice(0, LONGEST_NAME);
    if (await add({ id, name, note: of.name.slice(0, LONGEST_NAME), changes })) {
      await navigate(`/menu/what-if/${id}`);
    }
  };

  const apply = async (of: ListReview): Promise<void> => {
    const changed = applyList(house, supplier.id, of.reviewed.changes, of.ticked, of.places);
    const ids = new Set(changed.map(({ id }) => id));
    const before = snapshot.materials.filter(({ id }) => ids.has(id));
    const words = `${counted(changed.length, 'material follows', 'materials follow')} the list of ${supplier.name}.`;
    if (changed.length > 0 && !(await save(before, changed, 'price-list', words))) return;
    const columns = headingsOf(of.match, of.cells.rows[0] ?? []);
    if (JSON.stringify(columns) !== JSON.stringify(supplier.columns)) {
      await changeSupplier({ columns });
    }
    lists.clear();
  };
  return (
    <section aria-labelledby="list-title" className="flex min-h-0 flex-col">
      <header className="flex flex-wrap items-end gap-4 px-6 pt-5 pb-3">
        <div className="min-w-60 flex-1">
          <h1 id="list-title" className="text-3xl">
            {supplier.name}
          </h1>
          <p className="mt-1 text-sm text-ink-soft" role="status">
            {statusWords(state)}
          </p>
        </div>
        {state.is === 'review' && (
          <>
            <Button weight="quiet" onClick={lists.clear}>
              Put the list away
            </Button>
            <Button disabled={!mayBeApplied(state.of)} onClick={() => void tryOut(state.of)}>
              Try it first
            </Button>
            <Button
              weight="main"
              disabled={!mayBeApplied(state.of)}
              onClick={() => void apply(state.of)}
            >
              Apply {number(state.of.ticked.size)} ticked
            </Button>
          </>
        )}
      </header>
      {state.is !== 'review' && (
        <ListSource
          supplier={supplier}
          state={state}
          onRead={lists.read}
          onCancel={lists.clear}
          onFail={lists.fail}
        />
      )}
      {state.is === 'review' && (
        <div className="columns-of-place lg:grid-cols-[minmax(0,1fr)_19rem] border-t border-line">
          <div className="min-h-0 overflow-y-auto" tabIndex={0} role="group" aria-label="Review">
            <ColumnMatcher
              review={state.of}
              onUnderstand={(match, mark) => void lists.understand(state.of, match, mark)}
            />
            {state.of.reviewed.faults.length > 0 ? (
              <ListFaults faults={state.of.reviewed.faults} />
            ) : (
              <div inert={state.of.isReadAnew}>
                <ChangesTable
                  review={state.of}
                  onTick={(keys, on) => void lists.tick(state.of, keys, on)}
                  onPlace={(code, materialId) => void lists.place(state.of, code, materialId)}
                />
              </div>
            )}
          </div>
          <MovedServices moved={state.of.moved} />
        </div>
      )}
    </section>
  );
}
