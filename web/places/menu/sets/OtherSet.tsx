import { within } from '@bienestar/contract/limits';
import type { Material, Service, SwapAmount } from '@bienestar/core/house/house';
import type { MaterialId } from '@bienestar/core/house/ids';
import { exactly } from '@bienestar/core/quantity/triple';
import { amount } from '../../../format/figures';
import { Choice } from '../../../parts/Choice';
import { NumberField } from '../../../parts/NumberField';
import { useFigures, useHouse } from '../../../store/house';

/** What is drawn instead of a material, and how much of it each time. */
interface Swap {
  readonly to: MaterialId;
  readonly amount: SwapAmount;
}
export type Swaps = ReadonlyMap<MaterialId, Swap>;

interface OtherSetProps {
  readonly service: Service;
  readonly swaps: Swaps;
  readonly onSwaps: (swaps: Swaps) => void;
}

const AS_IT_IS = 'as-it-is';
const MOST = 10_000;

/** The materials of a service, each with what could be drawn instead. */
export function OtherSet({ service, swaps, onSwaps }: OtherSetProps) {
  const { materials } = useHouse();
  const figures = useFigures().services.get(service.id);
  const drawn = figures?.draws.ok === true ? figures.draws.value : [];
  const taken = new Set(drawn.map((draw) => draw.materialId));
  const used = materials.filter(({ id, kind }) => taken.has(id) && kind !== 'linen');
  const offered = materials.filter(
    ({ kind, archivedOn }) => kind !== 'linen' && archivedOn === undefined,
  );
  const put = (from: MaterialId, swap: Swap | undefined): void => {
    const next = new Map(swaps);
    if (swap) next.set(from, swap);
    else next.delete(from);
    onSwaps(next);
  };
  return (
    <ul className="flex flex-col">
      {used.map((material) => {
        const consumed =
          figures?.consumption.ok === true
            ? figures.consumption.value.get(material.id)?.usual
            : undefined;
        const swap = swaps.get(material.id);
        const to = offered.find(({ id }) => id === swap?.to);
        return (
          <li
            key={material.id}
            className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_8rem] items-end gap-3 border-b border-line py-2"
          >
            <span className="self-center text-sm">
              {material.name}
              <span className="block text-ink-soft">
                {consumed === undefined ? '' : `${amount(consumed, material.unit)} a visit`}
              </span>
            </span>
            <Choice
              label={`Instead of ${material.name}`}
              labelHidden
              value={swap?.to ?? AS_IT_IS}
              options={[
                { value: AS_IT_IS, label: 'as it is' },
                ...offered
                  .filter(({ id }) => id !== material.id)
                  .map(({ id, name }) => ({ value: id, label: name })),
              ]}
              onChoose={(id) => {
                const chosen = offered.find((each) => each.id === id);
                put(
                  material.id,
                  chosen && {
                    to: chosen.id,
                    amount: amountOf(chosen, firstAmount(material, chosen, consumed)),
                  },
                );
              }}
            />
            {swap && to ? (
              <NumberField
                label={`${to.name} each time`}
                labelHidden
                unit={to.kind === 'single-dose' ? 'opened' : to.unit}
                commitOn="leaving"
                value={swap.amount.quantity.usual}
                check={within({ above: 0, most: MOST })}
                onCommit={(value) => put(material.id, { to: to.id, amount: amountOf(to, value) })}
              />
            ) : (
              <span />
            )}
          </li>
        );
      })}
    </ul>
  );
}

function amountOf(material: Material, quantity: number): SwapAmount {
  return material.kind === 'single-dose'
    ? { how: 'packs', quantity: exactly(quantity) }
    : { how: 'measured', quantity: exactly(quantity), unit: material.unit };
}

/** As much as is consumed now, where both are counted alike; else one opened, or a little. */
function firstAmount(from: Material, to: Material, consumed: number | undefined): number {
  if (to.kind === 'single-dose') return 1;
  return from.unit === to.unit && consumed !== undefined ? consumed : 5;
}
