import { memo, useEffect, useRef } from 'react';
import { Link } from 'react-router';
import type { Draw } from '@bienestar/core/draws/draw';
import { explainConsumption } from '@bienestar/core/explain/explainConsumption';
import { explainReorderPoint } from '@bienestar/core/explain/explainReorder';
import type { House, Material, WorkedProtocol } from '@bienestar/core/house/house';
import type { MaterialId } from '@bienestar/core/house/ids';
import type { Outcome } from '@bienestar/core/problem/problem';
import type { RestockFigures } from '@bienestar/core/restock/restocker';
import type { Restocking } from '@bienestar/core/restock/restocking';
import type { Triple } from '@bienestar/core/quantity/triple';
import { amount, amountRange } from '../../format/figures';
import { figures, names, TableHead } from '../../parts/TableHead';
import { WorkedFigure } from '../../parts/working/WorkedFigure';

interface DrawnAmountsProps {
  readonly house: House;
  readonly protocol: WorkedProtocol;
  readonly draws: readonly Draw[];
  readonly consumption: ReadonlyMap<MaterialId, Triple>;
  readonly restocking: RestockFigures['materials'];
}

/** What one visit takes from the shelf, and at which stock each is ordered. */
export const DrawnAmounts = memo(function DrawnAmounts(props: DrawnAmountsProps) {
  const { house, consumption, restocking } = props;
  /* A working is made of what is latest, also when nothing here had to be drawn anew. */
  const latest = useRef(props);
  useEffect(() => {
    latest.current = props;
  });
  return (
    <table className="w-full text-sm">
      <TableHead columns={[...names('Drawn in a visit'), ...figures('reorder at')]} />
      <tbody>
        {[...consumption].map(([id, consumed]) => {
          const material = house.materials.find((each) => each.id === id);
          if (!material) return null;
          return (
            <tr key={id} className="border-b border-line align-top">
              <th scope="row" className="py-1 pr-2 text-left font-normal">
                <Link to={`/shelf/${id}`} className="hover:text-clay hover:underline">
                  {material.name}
                </Link>
                <WorkedFigure
                  label={`${material.name} in a visit`}
                  text={amountRange(consumed, material.unit)}
                  className="block text-left text-ink-soft"
                  working={() => {
                    const { draws, protocol, house: now } = latest.current;
                    return explainConsumption(material, draws, protocol, now);
                  }}
                />
              </th>
              <td className="py-1 text-right whitespace-nowrap">
                <ReorderAt material={material} house={house} of={restocking.get(id)} />
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}, sameAmounts);

interface ReorderAtProps {
  readonly material: Material;
  readonly house: House;
  readonly of: Outcome<Restocking> | undefined;
}

/** When the house orders it, with what is being written. */
function ReorderAt({ material, house, of }: ReorderAtProps) {
  if (!of?.ok || material.kind === 'linen') return <span className="text-ink-soft">–</span>;
  const restocking = of.value;
  return (
    <WorkedFigure
      label={`Reorder point of ${material.name}`}
      text={amount(restocking.reorderPoint.amount, material.unit)}
      working={() => explainReorderPoint(material, restocking, house)}
    />
  );
}

function sameAmounts(before: DrawnAmountsProps, now: DrawnAmountsProps): boolean {
  return (
    before.consumption === now.consumption &&
    before.restocking === now.restocking &&
    before.house.materials === now.house.materials
  );
}
