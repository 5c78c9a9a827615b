import { useMemo } from 'react';
import { freshList, proposeOrders } from '@bienestar/core/restock/proposeOrders';
import { dayText, money } from '../../format/figures';
import { EmptyPlace } from '../../parts/EmptyPlace';
import { useHouse } from '../../store/house';
import { useRestock } from '../../store/restock';
import { AttentionList, useAttention } from './AttentionList';
import { FreshList } from './FreshList';
import { ProposalList } from './orders/ProposalList';
import { NotFitting } from '../week/NotFitting';
import { RestockHeader } from './RestockHeader';

/** What to do today on the shelf, what harms most in front, and the orders to write. */
export function RestockPlace() {
  const house = useHouse();
  const restock = useRestock();
  const items = useAttention();
  const proposals = useMemo(() => proposeOrders(house, restock), [house, restock]);
  const fresh = useMemo(() => freshList(house, restock), [house, restock]);
  const total = proposals.reduce((sum, { totalMinor }) => sum + totalMinor, 0);
  const { currency } = house.settings;
  return (
    <div className="flex h-full flex-col">
      <RestockHeader title="Today on the shelf">
        <p role="status" className="text-sm text-ink-soft">
          {dayText(restock.today)}:{' '}
          {items.length === 0 ? 'nothing to attend to' : `${items.length} to attend to`}
          {total > 0 && `, ${money(total, currency)} to order`}
        </p>
      </RestockHeader>
      <div className="columns-of-place lg:grid-cols-[minmax(0,1fr)_25rem]">
        <div
          className="min-h-0 overflow-y-auto px-6 py-4"
          tabIndex={0}
          role="group"
          aria-label="To attend to"
        >
          <NotFitting />
          {items.length === 0 ? (
            <EmptyPlace title="Nothing to attend to">
              {house.materials.length === 0
                ? 'Put materials on the shelf first; then what runs out, expires or is late is told here, with what to do about it.'
                : 'Everything lasts until the next delivery, nothing expires this week, nothing is late and everything has been counted.'}
            </EmptyPlace>
          ) : (
            <AttentionList items={items} />
          )}
        </div>
        <aside
          aria-label="To buy"
          className="min-h-0 overflow-y-auto border-l border-line bg-sheet px-5 py-4"
          tabIndex={0}
        >
          <ProposalList proposals={proposals} />
          <FreshList lines={fresh} />
        </aside>
      </div>
    </div>
  );
}
