import { Link } from 'react-router';
import type { MovedService } from '@bienestar/core/figures/movedServices';
import { money, moneyChange } from '../../format/figures';
import { useHouse } from '../../store/house';

/** The services that what is ticked makes dearer or cheaper, and whether their price moves. */
export function MovedServices({ moved }: { readonly moved: readonly MovedService[] }) {
  const { currency } = useHouse().settings;
  return (
    <aside
      aria-label="Services that move"
      className="min-h-0 overflow-y-auto border-l border-line bg-sheet px-5 py-4"
    >
      <h2 className="text-xl">What it does to the menu</h2>
      {moved.length === 0 && (
        <p className="mt-2 text-sm text-ink-soft">
          No service costs anything else with what is ticked.
        </p>
      )}
      <ul className="mt-3 text-sm">
        {moved.map(({ service, costBefore, costAfter, priceBefore, priceAfter }) => (
          <li key={service.id} className="border-b border-line py-2">
            <span className="flex items-baseline gap-2">
              <Link to={`/menu/${service.id}`} className="min-w-0 flex-1 hover:underline">
                {service.name}
              </Link>
              <strong className={costAfter > costBefore ? 'text-clay' : 'text-palm'}>
                {costAfter > costBefore ? '▲ ' : '▼ '}
                {moneyChange(costAfter - costBefore, currency)}
              </strong>
            </span>
            <span className="block text-ink-soft">
              cost {money(costBefore, currency)} → {money(costAfter, currency)}
            </span>
            {priceBefore !== undefined && priceAfter !== undefined && (
              <span className="block text-ink-soft">
                {priceBefore === priceAfter
                  ? `price stays ${money(priceAfter, currency)}`
                  : `price ${money(priceBefore, currency)} → ${money(priceAfter, currency)}`}
              </span>
            )}
          </li>
        ))}
      </ul>
    </aside>
  );
}
