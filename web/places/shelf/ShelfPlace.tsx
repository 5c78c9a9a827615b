import { Plus } from 'lucide-react';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { Material } from '@bienestar/core/house/house';
import { explainUnitCost } from '@bienestar/core/explain/explainUnitCost';
import { unitMoney } from '../../format/figures';
import { Button } from '../../parts/Button';
import { EmptyPlace } from '../../parts/EmptyPlace';
import { CELL_LOOK, PlaceTable, rowLook, type Column } from '../../parts/PlaceTable';
import { WorkedFigure } from '../../parts/working/WorkedFigure';
import { useFigures, useHouse } from '../../store/house';
import { AddMaterial } from './AddMaterial';
import { MaterialPanel } from './MaterialPanel';
import { KIND_WORDS, KINDS, measureWords, packWords } from './materialWords';
import { MixPanel } from './MixPanel';
import { placesOfUse } from './placesOfUse';

const COLUMNS: readonly Column[] = [
  { title: 'Material', of: 'names' },
  { title: 'Pack', of: 'names' },
  { title: 'True cost', of: 'figures' },
  { title: 'Measured by', of: 'names' },
  { title: 'Used in', of: 'figures' },
];

/** Everything the treatments use: how it is bought, what it truly costs, how it is measured. */
export function ShelfPlace() {
  const house = useHouse();
  const { materialId } = useParams();
  const navigate = useNavigate();
  const [adding, setAdding] = useState(false);
  const mix = house.mixes.find((each) => each.id === materialId);

  const addButton = (
    <Button weight="main" onClick={() => setAdding(true)}>
      <Plus aria-hidden size={16} /> Add a material
    </Button>
  );
  return (
    <div className="grid h-full grid-cols-[1fr_25rem]">
      <section aria-labelledby="shelf-title" className="flex min-h-0 flex-col">
        <header className="flex items-end justify-between px-6 pt-6 pb-4">
          <h1 id="shelf-title" className="text-3xl">
            Shelf
          </h1>
          {addButton}
        </header>
        {house.materials.length === 0 ? (
          <div className="px-6">
            <EmptyPlace title="The shelf is empty" action={addButton}>
              Lay out what your treatments use: back-bar products, single doses, consumables and
              linen, each with its pack, its price and its supplier.
            </EmptyPlace>
          </div>
        ) : (
          <PlaceTable label="Materials" columns={COLUMNS}>
            {KINDS.map((kind) => (
              <KindRows
                key={kind}
                title={KIND_WORDS[kind].many}
                materials={house.materials.filter((material) => material.kind === kind)}
                selectedId={materialId}
              />
            ))}
            {house.mixes.length > 0 && (
              <tbody>
                <GroupTitle title="Mixes made at the tray" />
                {house.mixes.map((each) => (
                  <tr key={each.id} className={rowLook(each.id === materialId)}>
                    <td className={CELL_LOOK} colSpan={4}>
                      <NameLink id={each.id} name={each.name} current={each.id === materialId} />
                    </td>
                    <td className={`${CELL_LOOK} text-right`}>
                      {placesOfUse(house, { kind: 'mix', id: each.id }).length}
                    </td>
                  </tr>
                ))}
              </tbody>
            )}
          </PlaceTable>
        )}
      </section>
      <aside aria-label="In hand" className="min-h-0 overflow-y-auto border-l border-line bg-sheet">
        {mix ? (
          <MixPanel mix={mix} />
        ) : (
          <MaterialPanel id={materialId} onGone={() => void navigate('/shelf')} />
        )}
      </aside>
      <AddMaterial open={adding} onClose={() => setAdding(false)} />
    </div>
  );
}

interface KindRowsProps {
  readonly title: string;
  readonly materials: readonly Material[];
  readonly selectedId: string | undefined;
}

function KindRows({ title, materials, selectedId }: KindRowsProps) {
  const house = useHouse();
  const figures = useFigures();
  const { currency } = house.settings;
  if (materials.length === 0) return null;
  return (
    <tbody>
      <GroupTitle title={title} />
      {materials.map((material) => {
        const cost = figures.materials.get(material.id)?.unitCost;
        return (
          <tr key={material.id} className={rowLook(material.id === selectedId)}>
            <td className={CELL_LOOK}>
              <NameLink
                id={material.id}
                name={material.name}
                current={material.id === selectedId}
              />
            </td>
            <td className={`${CELL_LOOK} text-ink-soft`}>{packWords(material, currency)}</td>
            <td className={`${CELL_LOOK} text-right whitespace-nowrap`}>
              {cost?.ok ? (
                <>
                  <WorkedFigure
                    label={`True cost of ${material.name}`}
                    text={unitMoney(cost.value, currency)}
                    working={() => explainUnitCost(material, cost.value)}
                  />
                  <span className="text-ink-soft"> /{material.unit}</span>
                </>
              ) : (
                <span className="text-clay">▲ {cost?.problems[0]?.message}</span>
              )}
            </td>
            <td className={`${CELL_LOOK} max-w-56 truncate text-ink-soft`}>
              {measureWords(material) || '–'}
            </td>
            <td className={`${CELL_LOOK} text-right`}>
              {placesOfUse(house, { kind: 'material', id: material.id }).length || '–'}
            </td>
          </tr>
        );
      })}
    </tbody>
  );
}

function GroupTitle({ title }: { readonly title: string }) {
  return (
    <tr>
      <th
        colSpan={5}
        scope="rowgroup"
        className="border-b border-line px-6 pt-4 pb-1 text-left font-serif text-base font-medium text-ink-soft italic"
      >
        {title}
      </th>
    </tr>
  );
}

function NameLink({
  id,
  name,
  current,
}: {
  readonly id: string;
  readonly name: string;
  readonly current: boolean;
}) {
  return (
    <Link
      to={`/shelf/${id}`}
      aria-current={current ? 'true' : undefined}
      className="text-base font-medium hover:text-clay hover:underline"
    >
      {name}
    </Link>
  );
}
