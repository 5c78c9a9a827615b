import type { Happening, Run } from '@bienestar/core/house/run';
import type { SoldProduct } from '@bienestar/core/house/logbook';
import type { MaterialId } from '@bienestar/core/house/ids';
import { counted } from '../../format/figures';
import { useHouse } from '../../store/house';
import { KnuckleButton } from './KnuckleButton';

interface SoldAfterProps {
  readonly run: Run;
  readonly sold: readonly SoldProduct[];
  /** it is in the log as it is, and no other any more */
  readonly isOver: boolean;
  readonly onHappens: (happening: Happening) => void;
}

/** What the guest buys: what is recommended after the treatment, and whatever else is for sale. */
export function SoldAfter({ run, sold, isOver, onHappens }: SoldAfterProps) {
  const house = useHouse();
  const soldOf = (id: MaterialId): number =>
    sold.find(({ materialId }) => materialId === id)?.quantity ?? 0;
  const recommended = new Set(
    run.protocol.around?.recommends?.map(({ materialId }) => materialId) ?? [],
  );
  const forSale = house.materials.filter(({ id, kind, archivedOn }) =>
    isOver
      ? soldOf(id) > 0
      : recommended.has(id) || (kind === 'retail' && archivedOn === undefined),
  );
  if (forSale.length === 0) return null;
  const say = (materialId: MaterialId, quantity: number): void =>
    onHappens({ kind: 'sold', materialId, quantity });
  return (
    <section aria-label="What was sold" className="mt-5">
      <h2 className="text-xl">What was sold</h2>
      <ul className="mt-1 flex flex-col gap-2">
        {forSale.map(({ id, name }) => {
          const quantity = soldOf(id);
          return (
            <li key={id} className="flex flex-wrap items-center gap-3">
              {!isOver && (
                <KnuckleButton
                  look="answer"
                  aria-label={`One ${name} less`}
                  disabled={quantity === 0}
                  onClick={() => say(id, quantity - 1)}
                >
                  −
                </KnuckleButton>
              )}
              <output aria-label={`Sold ${name}`} className="min-w-24 text-right text-xl">
                {quantity === 0 ? 'none' : counted(quantity, 'pack')}
              </output>
              {!isOver && (
                <KnuckleButton
                  look="answer"
                  aria-label={`One ${name} more`}
                  onClick={() => say(id, quantity + 1)}
                >
                  +
                </KnuckleButton>
              )}
              <span className="text-lg">
                {name}
                {recommended.has(id) && (
                  <span className="text-ink-soft"> recommended after this treatment</span>
                )}
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
