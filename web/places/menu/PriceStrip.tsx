import { COST_PART_TITLES } from '@bienestar/core/explain/explainCost';
import type { PricePartKey, PriceShare } from '@bienestar/core/price/priceParts';
import { money, percent } from '../../format/figures';

interface PriceStripProps {
  readonly parts: readonly PriceShare[];
  readonly currency: string;
}

const TITLES: Record<PricePartKey, string> = {
  ...COST_PART_TITLES,
  sharedPay: 'Pay by the price',
  fees: 'Fees',
  tax: 'VAT',
  left: 'Left over',
};

/* Hands look as they do everywhere; things are palm, the room is sunk, what others take is drawn. */
const LOOKS: Record<PricePartKey, string> = {
  product: 'bg-palm border-palm',
  consumables: 'bg-palm/70 border-palm',
  singleUse: 'bg-palm/55 border-palm',
  linen: 'bg-palm/40 border-palm',
  givenAway: 'bg-palm-wash border-palm',
  expires: 'bg-clay-wash border-clay',
  devices: 'mark-between border-palm',
  therapist: 'bg-clay border-clay',
  room: 'bg-sunk border-line-strong',
  sharedPay: 'bg-clay-wash border-clay',
  fees: 'mark-fees border-line-strong',
  tax: 'mark-taken border-line-strong',
  left: 'bg-sheet border-ink border-2',
};

/** Where each cent of the price goes, as one strip and as a list. */
export function PriceStrip({ parts, currency }: PriceStripProps) {
  const left = parts.find((part) => part.key === 'left');
  const loses = left !== undefined && left.minor < 0;
  const drawn = parts.filter((part) => part.share > 0);
  return (
    <div className="flex flex-col gap-4">
      <div aria-hidden className="flex h-14 w-full">
        {drawn.map(({ key, share }) => (
          <span
            key={key}
            title={`${TITLES[key]}: ${percent(share)}`}
            className={`min-w-px overflow-hidden border-y border-l last:border-r ${LOOKS[key]}`}
            style={{ flexGrow: share, flexBasis: 0 }}
          />
        ))}
      </div>
      <table className="w-full text-sm">
        <caption className="sr-only">Where each cent of the price goes</caption>
        <tbody>
          {parts.map(({ key, minor, share }) => (
            <tr
              key={key}
              className={key === 'left' ? 'border-t border-line-strong font-semibold' : ''}
            >
              <td className="w-7 py-1">
                <span aria-hidden className={`block size-3.5 border ${LOOKS[key]}`} />
              </td>
              <th
                scope="row"
                className={`py-1 text-left ${key === 'left' ? 'font-semibold' : 'font-normal'}`}
              >
                {key === 'left' && loses ? '▲ Missing' : TITLES[key]}
              </th>
              <td className="py-1 text-right">{money(minor, currency)}</td>
              <td className="w-20 py-1 text-right text-ink-soft">{percent(share)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
