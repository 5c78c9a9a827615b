import { Link } from 'react-router';
import { chosenPack } from '@bienestar/core/house/packs';
import type { FreshLine } from '@bienestar/core/restock/proposeOrders';
import { contentWords } from '../shelf/materialWords';
import { amount, counted, money } from '../../format/figures';
import { useHouse } from '../../store/house';

/** What to bring from the market today: fresh goods keep too short for orders. */
export function FreshList({ lines }: { readonly lines: readonly FreshLine[] }) {
  const { currency } = useHouse().settings;
  if (lines.length === 0) return null;
  return (
    <section aria-labelledby="fresh-title" className="mt-6">
      <h2 id="fresh-title" className="border-b border-line-strong pb-1 text-lg">
        From the market today
      </h2>
      <ul className="text-sm">
        {lines.map(({ material, restocking, packs, totalMinor }) => (
          <li key={material.id} className="flex items-baseline gap-3 border-b border-line py-2">
            <span className="min-w-0 flex-1">
              <Link
                to={`/restock/levels/${material.id}`}
                className="font-semibold hover:text-clay hover:underline"
              >
                {material.name}
              </Link>
              <span className="block text-ink-soft">
                {amount(restocking.position.usable, material.unit)} still good, keep{' '}
                {amount(restocking.orderAt, material.unit)}
              </span>
            </span>
            <span className="text-right whitespace-nowrap">
              {packs === 0 ? (
                'nothing'
              ) : (
                <>
                  <span className="font-semibold">
                    {counted(packs, 'pack')} of{' '}
                    {contentWords(chosenPack(material), material.unit, material.kind)}
                  </span>
                  <span className="block text-ink-soft">{money(totalMinor, currency)}</span>
                </>
              )}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
