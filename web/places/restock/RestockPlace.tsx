import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { explainReorderPoint } from '@bienestar/core/explain/explainReorder';
import type { MaterialFigures } from '@bienestar/core/figures/houseFigures';
import type { BoughtMaterial, House, Material } from '@bienestar/core/house/house';
import { chosenPack } from '@bienestar/core/house/packs';
import { amount, number } from '../../format/figures';
import { EmptyPlace } from '../../parts/EmptyPlace';
import { NumberField } from '../../parts/NumberField';
import { PercentField } from '../../parts/PercentField';
import { Segments } from '../../parts/Segments';
import { CELL_LOOK, PlaceTable, type Column } from '../../parts/PlaceTable';
import { WorkedFigure } from '../../parts/working/WorkedFigure';
import { useFigures, useHouse } from '../../store/house';
import { newEntryId, newLotId, useEnter } from '../../store/useEnter';
import { useChangeSettings } from '../../store/useEditPart';

interface Line {
  readonly material: BoughtMaterial;
  readonly figures: MaterialFigures;
}

const LARGEST_STOCK = 10_000_000;

const COLUMNS: readonly Column[] = [
  { title: 'Material', of: 'names' },
  { title: 'Supplier', of: 'names' },
  { title: 'Uses a day', of: 'figures' },
  { title: 'On hand', of: 'figures' },
  { title: 'Reorder point', of: 'figures' },
  { title: 'in packs', of: 'figures' },
  { title: 'Days of cover', of: 'figures' },
  { title: 'Now', of: 'names' },
];

/** What is on the shelf, how long it lasts, and what should be ordered now. */
export function RestockPlace() {
  const house = useHouse();
  const { materials } = useFigures();
  const change = useChangeSettings();
  const [show, setShow] = useState<'all' | 'due'>('all');
  const lines = useMemo(() => linesByUrgency(house, materials), [house, materials]);
  const due = lines.filter(
    ({ figures }) => figures.restocking?.ok && figures.restocking.value.cover.shouldOrder,
  );
  const shown = show === 'due' ? due : lines;
  return (
    <section aria-labelledby="restock-title" className="flex h-full flex-col">
      <header className="flex items-end gap-8 px-6 pt-6 pb-4">
        <div className="flex-1">
          <h1 id="restock-title" className="text-3xl">
            Restock
          </h1>
          <p className="mt-1 text-ink-soft" role="status">
            {due.length === 0
              ? 'Nothing has to be ordered now.'
              : `${due.length} of ${lines.length} to order now: ${due.map(({ material }) => material.name).join(', ')}.`}
          </p>
        </div>
        <Segments
          label="Show"
          value={show}
          options={[
            { value: 'all', label: 'everything' },
            { value: 'due', label: 'to order' },
          ]}
          onChoose={setShow}
        />
        <PercentField
          className="w-40"
          label="Service level"
          from={0.5}
          to={0.999}
          commitOn="leaving"
          value={house.settings.serviceLevel}
          onCommit={(serviceLevel) => change({ serviceLevel })}
        />
      </header>
      {shown.length === 0 ? (
        <div className="px-6">
          <EmptyPlace title={lines.length === 0 ? 'Nothing to restock yet' : 'Nothing to order'}>
            {lines.length === 0
              ? 'Materials of the shelf stand here as soon as there are any, with how fast they go and when to order.'
              : 'Everything on the shelf lasts until the next delivery at the service level of the house.'}
          </EmptyPlace>
        </div>
      ) : (
        <PlaceTable label="Materials to restock" columns={COLUMNS}>
          <tbody>
            {shown.map((line) => (
              <RestockRow key={line.material.id} {...line} />
            ))}
          </tbody>
        </PlaceTable>
      )}
    </section>
  );
}

function RestockRow({ material, figures }: Line) {
  const house = useHouse();
  const { restocking } = figures;
  const supplier = house.suppliers.find((each) => each.id === chosenPack(material).supplierId);
  const known = restocking?.ok ? restocking.value : undefined;
  const order = known?.cover.shouldOrder ?? false;
  return (
    <tr
      className={`border-b border-line text-right ${order ? 'bg-clay-wash' : 'hover:bg-sunk/60'}`}
    >
      <td className={`${CELL_LOOK} text-left`}>
        <Link
          to={`/shelf/${material.id}`}
          className="text-base font-medium hover:text-clay hover:underline"
        >
          {material.name}
        </Link>
      </td>
      <td className={`${CELL_LOOK} text-left ${order ? '' : 'text-ink-soft'}`}>{supplier?.name}</td>
      {known && restocking?.ok ? (
        <>
          <td className={CELL_LOOK}>{number(known.demand.usesPerDay)}</td>
          <td className={`${CELL_LOOK} w-36 py-1.5`}>
            <OnHand material={material} onHand={figures.onHand} />
          </td>
          <td className={CELL_LOOK}>
            <WorkedFigure
              label={`Reorder point of ${material.name}`}
              text={amount(known.reorderPoint.amount, material.unit)}
              working={() => explainReorderPoint(material, figures, known, house)}
            />
          </td>
          <td className={CELL_LOOK}>{number(known.reorderPoint.packs)}</td>
          <td className={CELL_LOOK}>
            {known.cover.daysOfCover === null ? 'not used' : number(known.cover.daysOfCover, 0)}
          </td>
          <td className={`${CELL_LOOK} text-left font-semibold`}>
            {order ? <span className="text-clay">▲ order</span> : ''}
          </td>
        </>
      ) : (
        <td colSpan={6} className={`${CELL_LOOK} text-left text-clay`}>
          ▲ {restocking && !restocking.ok ? restocking.problems[0]?.message : ''}
        </td>
      )}
    </tr>
  );
}

interface OnHandProps {
  readonly material: BoughtMaterial;
  readonly onHand: number;
}

/** What is on hand; another figure is a count, entered into the ledger. */
function OnHand({ material, onHand }: OnHandProps) {
  const enter = useEnter();
  return (
    <NumberField
      label={`On hand: ${material.name}`}
      labelHidden
      look="ruled"
      commitOn="leaving"
      unit={material.unit === 'piece' ? 'pcs' : material.unit}
      value={onHand}
      check={(quantity) =>
        quantity >= 0 && quantity <= LARGEST_STOCK ? undefined : 'Must not be below 0.'
      }
      onCommit={async (quantity) => {
        const entered = await enter({
          kind: 'total-count',
          id: newEntryId(),
          materialId: material.id,
          quantity,
          lotId: newLotId(),
        });
        return entered.ok ? undefined : entered.message;
      }}
    />
  );
}

/** Materials that are used up, those that run out first in front. */
function linesByUrgency(
  house: House,
  figures: ReadonlyMap<Material['id'], MaterialFigures>,
): Line[] {
  const lines = house.materials.flatMap((material): Line[] => {
    const found = figures.get(material.id);
    const restocked = material.kind !== 'linen' && material.archivedOn === undefined;
    return restocked && found ? [{ material, figures: found }] : [];
  });
  return lines.sort((a, b) => urgency(a) - urgency(b));
}

/** Due ones first, then by days of cover; what is not used last. */
function urgency({ figures: { restocking } }: Line): number {
  if (!restocking?.ok) return -2;
  const { shouldOrder, daysOfCover } = restocking.value.cover;
  return shouldOrder ? -1 / (1 + (daysOfCover ?? 0)) : (daysOfCover ?? Number.MAX_VALUE);
}
