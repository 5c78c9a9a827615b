import { BackToList } from '../../../parts/BackToList';
import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import type { BoughtMaterial, House, LinenMaterial } from '@bienestar/core/house/house';
import type { Outcome } from '@bienestar/core/problem/problem';
import type { LinenLevel, RestockFigures } from '@bienestar/core/restock/restocker';
import type { Restocking } from '@bienestar/core/restock/restocking';
import { explainOrderSize, explainReorderPoint } from '@bienestar/core/explain/explainReorder';
import { amount, counted, nearDay } from '../../../format/figures';
import { EmptyPlace } from '../../../parts/EmptyPlace';
import { PercentField } from '../../../parts/PercentField';
import { CELL_LOOK, PlaceTable, rowLook } from '../../../parts/PlaceTable';
import { figures, names } from '../../../parts/TableHead';
import { Segments } from '../../../parts/Segments';
import { WorkedFigure } from '../../../parts/working/WorkedFigure';
import { useHouse } from '../../../store/house';
import { useRestock } from '../../../store/restock';
import { useChangeSettings } from '../../../store/useEditPart';
import { RestockHeader } from '../RestockHeader';
import { LinenPanel } from './LinenPanel';
import { LevelPanel } from './LevelPanel';

const COLUMNS = [
  ...names('Material'),
  ...figures('Counts', 'Order at', 'Order size', 'Lasts until'),
  ...names('Now'),
];

type Line =
  | { readonly is: 'bought'; readonly material: BoughtMaterial; readonly of: Outcome<Restocking> }
  | { readonly is: 'linen'; readonly material: LinenMaterial; readonly level: LinenLevel };

/** When each material is ordered, how much of it, and how long it lasts. */
export function LevelsPlace() {
  const house = useHouse();
  const restock = useRestock();
  const { materialId } = useParams();
  const change = useChangeSettings();
  const [show, setShow] = useState<'all' | 'due'>('all');
  const lines = useMemo(() => linesByUrgency(house, restock), [house, restock]);
  const shown = show === 'due' ? lines.filter(isDue) : lines;
  const chosen = lines.find(({ material }) => material.id === materialId);
  return (
    <div className="flex h-full flex-col">
      <RestockHeader title="When to order">
        {/* By their tops: only one has a hint below. */}
        <div className="flex flex-wrap items-start gap-3">
          <PercentField
            className="w-36"
            label="Service level"
            hint="of orders, in time"
            from={0.5}
            to={0.999}
            commitOn="leaving"
            value={house.settings.serviceLevel}
            onCommit={(serviceLevel) => change({ serviceLevel })}
          />
          <Segments
            label="Show"
            value={show}
            options={[
              { value: 'all', label: 'everything' },
              { value: 'due', label: 'to order' },
            ]}
            onChoose={setShow}
          />
        </div>
      </RestockHeader>
      {shown.length === 0 ? (
        <div className="px-6 py-6">
          <EmptyPlace title={lines.length === 0 ? 'Nothing to restock yet' : 'Nothing to order'}>
            {lines.length === 0
              ? 'Materials of the shelf stand here as soon as there are any, with how fast they go and when to order.'
              : 'Everything on the shelf lasts until the next delivery at the service level of the house.'}
          </EmptyPlace>
        </div>
      ) : (
        <div
          data-shows={chosen ? 'hand' : 'list'}

          className={`columns-of-place ${chosen ? 'lg:grid-cols-[minmax(0,1fr)_minmax(0,1.05fr)]' : 'lg:grid-cols-1'}`}
        >
          <div className="flex min-h-0 flex-col">
            <PlaceTable label="Materials to restock" columns={COLUMNS}>
              <tbody>
                {shown.map((line) => (
                  <LevelRow
                    key={line.material.id}
                    line={line}
                    chosen={line.material.id === materialId}
                    narrow={chosen !== undefined}
                  />
                ))}
              </tbody>
            </PlaceTable>
          </div>
          {chosen && (
            <aside
              aria-label="In hand"
              className="min-h-0 overflow-y-auto border-l border-line bg-sheet px-5 py-4"
              tabIndex={0}
            >
              <BackToList to="/restock/levels" all="All materials" />
              {chosen.is === 'linen' ? (
                <LinenPanel
                  key={chosen.material.id}
                  material={chosen.material}
                  level={chosen.level}
                />
              ) : (
                <LevelPanel key={chosen.material.id} material={chosen.material} of={chosen.of} />
              )}
            </aside>
          )}
        </div>
      )}
    </div>
  );
}

interface LevelRowProps {
  readonly line: Line;
  readonly chosen: boolean;
  /** another stands beside the list */
  readonly narrow: boolean;
}

function LevelRow({ line, chosen, narrow }: LevelRowProps) {
  const { material } = line;
  return (
    <tr className={`${rowLook(chosen)} text-right`}>
      <td className={`${CELL_LOOK} text-left`}>
        <Link
          to={`/restock/levels/${material.id}`}
          aria-current={chosen ? 'true' : undefined}
          className="text-base font-medium hover:text-clay hover:underline"
        >
          {material.name}
        </Link>
        {line.is === 'bought' && line.of.ok && !narrow && (
          <span className="pl-3 text-ink-soft">{line.of.value.supplier.name}</span>
        )}
      </td>
      {line.is === 'linen' ? (
        <LinenCells level={line.level} />
      ) : line.of.ok ? (
        <BoughtCells material={line.material} restocking={line.of.value} />
      ) : (
        <td colSpan={5} className={`${CELL_LOOK} text-left text-clay`}>
          ▲ {line.of.problems[0]?.message}
        </td>
      )}
    </tr>
  );
}

function LinenCells({ level }: { readonly level: LinenLevel }) {
  return (
    <>
      <td className={`${CELL_LOOK} whitespace-nowrap`}>{counted(level.pieces, 'piece')}</td>
      <td className={`${CELL_LOOK} whitespace-nowrap`}>{counted(level.par, 'piece')}</td>
      <td className={`${CELL_LOOK} text-ink-soft`}>goes round</td>
      <td className={CELL_LOOK} />
      <td className={`${CELL_LOOK} text-left font-semibold`}>
        {level.short > 0 && (
          <span className="text-clay">▲ {counted(level.short, 'piece')} short</span>
        )}
      </td>
    </>
  );
}

interface BoughtCellsProps {
  readonly material: BoughtMaterial;
  readonly restocking: Restocking;
}

function BoughtCells({ material, restocking }: BoughtCellsProps) {
  const house = useHouse();
  const { unit } = material;
  const { position, cover, orderSize, orderAt, levels } = restocking;
  return (
    <>
      <td className={`${CELL_LOOK} whitespace-nowrap`}>{amount(position.amount, unit)}</td>
      <td className={CELL_LOOK}>
        <WorkedFigure
          label={`Reorder point of ${material.name}`}
          text={amount(orderAt, unit)}
          working={() => explainReorderPoint(material, restocking, house)}
        />
        {levels && <span className="text-ink-soft"> by hand</span>}
      </td>
      <td className={`${CELL_LOOK} whitespace-nowrap`}>
        <WorkedFigure
          label={`Order size of ${material.name}`}
          text={counted(orderSize.packs, 'pack')}
          working={() => explainOrderSize(material, restocking, house)}
        />
      </td>
      <td className={CELL_LOOK}>
        {cover.runsOutOn === null ? 'not used' : nearDay(cover.runsOutOn)}
      </td>
      <td className={`${CELL_LOOK} text-left font-semibold`}>
        {cover.shouldOrder && <span className="text-clay">▲ order</span>}
        {!cover.shouldOrder && position.onOrder > 0 && (
          <span className="font-normal text-ink-soft">on its way</span>
        )}
      </td>
    </>
  );
}

/** What is to be ordered in front, then what runs out first; linen last. */
function linesByUrgency(house: House, restock: RestockFigures): Line[] {
  const lines = house.materials.flatMap((material): Line[] => {
    if (material.archivedOn !== undefined) return [];
    if (material.kind === 'linen') {
      const level = restock.linen.get(material.id);
      return level ? [{ is: 'linen', material, level }] : [];
    }
    const of = restock.materials.get(material.id);
    return of ? [{ is: 'bought', material, of }] : [];
  });
  return lines.sort((a, b) => urgency(a) - urgency(b));
}

function isDue(line: Line): boolean {
  if (line.is === 'linen') return line.level.short > 0;
  return line.of.ok && line.of.value.cover.shouldOrder;
}

function urgency(line: Line): number {
  if (line.is === 'linen') return line.level.short > 0 ? -0.5 : Number.MAX_VALUE;
  if (!line.of.ok) return -2;
  const { shouldOrder, daysOfCover } = line.of.value.cover;
  return shouldOrder ? -1 / (1 + (daysOfCover ?? 0)) - 1 : (daysOfCover ?? 1e12);
}
